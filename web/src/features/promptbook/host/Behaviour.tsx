import { Scale } from "../../../shared/ui/Scale";
import { NOT_PLAYED, type ProductionDocument } from "../document/document";
import { type PanelProps, recast } from "../document/panel";

type Props = {
	document: ProductionDocument;
	speaker: string;
	name: string;
	change: PanelProps["change"];
};

/** How a host behaves of itself: where the eyes are, how often they blink, how much the head moves. */
export function Behaviour({ document, speaker, name, change }: Props) {
	const played = { ...NOT_PLAYED, ...document.cast[speaker] };
	const set = (part: Partial<typeof played>) =>
		change(recast(document, [speaker], part), [], `behaviour ${speaker} ${Object.keys(part)[0]}`);
	return (
		<details className="behaviour">
			<summary className="small">How {name} behaves</summary>
			<Scale
				label="Looks at the viewer"
				low={0}
				high={1}
				step={0.1}
				value={played.eye_contact ?? 0.5}
				ends={["seldom", "always"]}
				onChange={(eye_contact) => set({ eye_contact })}
			/>
			<Scale
				label="Blinks"
				low={0}
				high={2}
				step={0.2}
				value={played.blinks ?? 1}
				ends={["hardly", "often"]}
				onChange={(blinks) => set({ blinks })}
			/>
			<Scale
				label="Moves the head"
				low={0}
				high={2}
				step={0.2}
				value={played.head ?? 1}
				ends={["hardly", "much"]}
				onChange={(head) => set({ head })}
			/>
		</details>
	);
}
