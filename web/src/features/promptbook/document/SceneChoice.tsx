import { WordChoice } from "../../../shared/ui/controls";
import type { SceneChange } from "./choosing";
import type { ProductionDocument, Scene } from "./document";
import { type ChoiceValue, forAllScenes, holds, type OwnChoice, ownChoice, type Proposal } from "./scope";

type Props = {
	name: OwnChoice;
	label: string;
	/** What is done, as "Set to the pier". */
	says: (text: string) => string;
	options: readonly { value: ChoiceValue; text: string }[];
	document: ProductionDocument;
	scene: Scene;
	number: number;
	change: (part: Partial<ProductionDocument>, own?: SceneChange[]) => void;
	onPropose: (proposal: Proposal) => void;
};

/** A choice for the scene at hand, and a way to make all scenes the same. */
export function SceneChoice({ name, label, says, options, document, scene, number, change, onPropose }: Props) {
	const value = holds(document, scene, name);
	const text = (wanted: ChoiceValue) => options.find((o) => o.value === wanted)?.text ?? String(wanted);
	const single = document.script.scenes.length === 1;
	const differs = document.script.scenes.some((s) => holds(document, s, name) !== value);
	const choose = (chosen: ChoiceValue) => {
		if (single) change({ [name]: chosen }, [{ sceneId: scene.id, staging: ownChoice(document, name, document[name]) }]);
		else change({}, [{ sceneId: scene.id, staging: ownChoice(document, name, chosen) }]);
	};
	const where = single ? "" : differs ? `, scene ${number}` : ", in all scenes";
	return (
		<div className="scene-choice">
			<WordChoice
				label={label}
				note={where}
				value={String(value)}
				options={options.map((o) => ({ value: String(o.value), text: o.text }))}
				onChange={(chosen) => {
					const option = options.find((o) => String(o.value) === chosen);
					if (option) choose(option.value);
				}}
			/>
			{differs && (
				<button
					type="button"
					className="link small"
					aria-label={`Apply to all scenes: ${label}, ${text(value)}`}
					onClick={() => onPropose(forAllScenes(document, name, value, says(text(value)), (now) => `now ${text(now)}`))}
				>
					Apply to all scenes
				</button>
			)}
		</div>
	);
}
