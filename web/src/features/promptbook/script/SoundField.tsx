import { useState } from "react";
import { listen, useListening } from "../../../shared/sound/listening";
import { Icon } from "../../../shared/ui/icons";

type Props = { label: string; value: string; choices: readonly string[]; onChange: (value: string) => void };

/** One of many sounds, found by its name and heard before it is taken. */
export function SoundField({ label, value, choices, onChange }: Props) {
	const [typed, setTyped] = useState("");
	const heard = useListening((h) => h.key);
	const wanted = typed.trim().toLowerCase();
	const found = choices.filter((name) => name === value || name.includes(wanted));
	return (
		<fieldset className="words sound-field">
			<legend className="label">{label}</legend>
			<input
				type="search"
				aria-label={`${label}: look for a sound`}
				placeholder="bell, rain, applause…"
				value={typed}
				onChange={(event) => setTyped(event.target.value)}
			/>
			<div className="sound-names">
				{found.map((name) => (
					<label key={name} className={name === value ? "on" : ""}>
						<input type="radio" name={label} checked={name === value} onChange={() => onChange(name)} />
						{name.replaceAll("-", " ")}
					</label>
				))}
			</div>
			<button
				type="button"
				className="cue-button"
				onClick={() => void listen(`sting ${value}`, `/api/productions/stings/${value}.wav`)}
			>
				<Icon name={heard === `sting ${value}` ? "stop" : "play"} size={11} /> Hear it
			</button>
		</fieldset>
	);
}
