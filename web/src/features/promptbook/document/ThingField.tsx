import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask } from "../../../shared/api/client";
import { useSettled } from "../../../shared/useSettled";

type Props = {
	label: string;
	value: string;
	/** The words the cue stands on: what is offered before anything is typed. */
	words: string;
	onChange: (value: string) => void;
};

/** One of a thousand things to show, found by words. */
export function ThingField({ label, value, words, onChange }: Props) {
	const [typed, setTyped] = useState("");
	const asked = useSettled(typed.trim() || words, 200);
	const found = useQuery({
		queryKey: ["things", asked],
		queryFn: () => ask(api.GET("/api/staging/things", { params: { query: { words: asked, most: 12 } } })),
		placeholderData: (before) => before,
	});
	const others = (found.data ?? []).filter((name) => name !== value);
	const names = (value ? [value, ...others] : others).slice(0, 12);
	return (
		<fieldset className="thing-field">
			<legend className="label">{label}</legend>
			<input
				aria-label={`${label}: look for a thing`}
				placeholder={value ? `${value.replaceAll("-", " ")}, or look for another` : "Look for a thing"}
				value={typed}
				maxLength={80}
				onChange={(event) => setTyped(event.target.value)}
			/>
			<div className="things">
				{names.map((name) => (
					<label key={name} className={name === value ? "on" : ""} title={name.replaceAll("-", " ")}>
						<input
							type="radio"
							name={label}
							aria-label={name.replaceAll("-", " ")}
							checked={name === value}
							onChange={() => onChange(name)}
						/>
						<img src={`/api/staging/things/${name}.png`} alt="" width={40} height={40} />
					</label>
				))}
			</div>
			{typed.trim() && found.data?.length === 0 && (
				<p className="small quiet">Nothing is called that. Try another word.</p>
			)}
		</fieldset>
	);
}
