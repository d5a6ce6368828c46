import { useState } from "react";
import type { Sheet } from "../../shared/hosts/useHosts";
import { PlainButton } from "../../shared/ui/controls";

type Look = { name: string; outfit: Sheet };
type Props = { sheet: Sheet; taken: readonly string[]; onChange: (sheet: Sheet) => void };

/** Clothes kept under a name, to be worn in one scene and not in another. */
export function LooksOfHost({ sheet, taken, onChange }: Props) {
	const [name, setName] = useState("");
	const looks = (sheet.looks as Look[] | undefined) ?? [];
	const wanted = name.trim().replace(/\s+/g, " ");
	const used = taken.includes(wanted) || looks.some((look) => look.name === wanted);
	const keep = () => {
		onChange({ ...sheet, looks: [...looks, { name: wanted, outfit: sheet.outfit as Sheet }] });
		setName("");
	};
	return (
		<fieldset className="looks-of-host">
			<legend className="label">Looks, for scenes in other clothes</legend>
			{looks.length > 0 && (
				<ul>
					{looks.map((look) => (
						<li key={look.name}>
							<span>{look.name}</span>
							<PlainButton
								small
								label={`Put on ${look.name}`}
								onClick={() => onChange({ ...sheet, outfit: look.outfit })}
							>
								Put on
							</PlainButton>
							<PlainButton
								small
								label={`Give away ${look.name}`}
								onClick={() => onChange({ ...sheet, looks: looks.filter((other) => other !== look) })}
							>
								Give away
							</PlainButton>
						</li>
					))}
				</ul>
			)}
			<p className="change-buttons">
				<input
					aria-label="Name of the look"
					placeholder="in the rain"
					maxLength={40}
					value={name}
					onChange={(event) => setName(event.target.value)}
				/>
				<PlainButton small disabled={!wanted || used || wanted.includes("~") || looks.length >= 12} onClick={keep}>
					Keep these clothes
				</PlainButton>
			</p>
			{used && <p className="small quiet">There is a look called that. Choose another name.</p>}
		</fieldset>
	);
}
