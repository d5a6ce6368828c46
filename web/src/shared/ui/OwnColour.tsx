import { useEffect, useRef } from "react";

type Props = {
	label: string;
	/** What holds now: a colour of one's own, or the name of another. */
	value: string;
	/** What holds without one, and its words. */
	without: { value: string; says: string };
	onChoose: (value: string) => void;
};

const AT_FIRST = "#14676b";

/** A colour of one's own: taken when it is chosen, not at every step through the colours. */
export function OwnColour({ label, value, without, onChoose }: Props) {
	const field = useRef<HTMLInputElement>(null);
	const choose = useRef(onChoose);
	choose.current = onChoose;
	const own = value.startsWith("#") ? value : "";
	useEffect(() => {
		const input = field.current;
		// React's onChange is the event at every step
		const chosen = () => choose.current(input?.value ?? "");
		input?.addEventListener("change", chosen);
		return () => input?.removeEventListener("change", chosen);
	}, []);
	useEffect(() => {
		if (field.current) field.current.value = own || AT_FIRST;
	}, [own]);
	return (
		<p className="own-colour">
			<label>
				<span className="label">{label}</span>
				<input ref={field} type="color" defaultValue={own || AT_FIRST} />
			</label>
			{own && (
				<button type="button" className="link small" onClick={() => onChoose(without.value)}>
					{without.says}
				</button>
			)}
		</p>
	);
}
