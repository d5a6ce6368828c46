import { useState } from "react";
import { parseLength, shownLength } from "../../../shared/time";

type Props = { label: string; value: number; onChange: (seconds: number) => void };

/** A length in a sentence, as "1:00" or "45 s"; it counts once it was left, or with Enter. */
export function LengthWish({ label, value, onChange }: Props) {
	const [text, setText] = useState(shownLength(value));
	const seconds = parseLength(text);
	const done = () => seconds && seconds !== value && onChange(seconds);
	return (
		<input
			className="wish-word num"
			aria-label={label}
			size={5}
			value={text}
			aria-invalid={!seconds}
			onChange={(event) => setText(event.target.value)}
			onBlur={done}
			onKeyDown={(event) => event.key === "Enter" && done()}
		/>
	);
}
