import { WordChoice } from "../../../shared/ui/controls";
import { useChoices } from "./catalogue";
import type { SceneChange } from "./choosing";
import type { ProductionDocument, Scene } from "./document";
import { type ChoiceValue, forAllScenes, holds, type OwnChoice, optionsOf, ownChoice, type Proposal } from "./scope";
import { triesOf, useNothingTriedAfter } from "./trying";

type Props = {
	/** An entry of the table of choices, from which its words come. */
	name: OwnChoice;
	/** What is done, where that is not the label and the words. */
	says?: (text: string) => string;
	document: ProductionDocument;
	scene: Scene;
	number: number;
	change: (part: Partial<ProductionDocument>, own?: SceneChange[]) => void;
	onPropose: (proposal: Proposal) => void;
};

/** A choice for the scene at hand, and a way to make all scenes the same. */
export function SceneChoice({ name, says, document, scene, number, change, onPropose }: Props) {
	const choice = useChoices().find((one) => one.name === name);
	useNothingTriedAfter();
	const options = optionsOf(choice);
	const label = choice?.asks ?? "";
	const value = holds(document, scene, name);
	const text = (wanted: ChoiceValue) => options.find((o) => o.value === wanted)?.text ?? String(wanted);
	const sentence = says ?? ((words: string) => `${label}: ${words}`);
	const tries = triesOf(choice, value);
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
				whilePointedAt={(one, words) => tries(options.find((o) => String(o.value) === one)?.value ?? one, words)}
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
					onClick={() =>
						onPropose(forAllScenes(document, name, value, sentence(text(value)), (now) => `now ${text(now)}`))
					}
				>
					Apply to all scenes
				</button>
			)}
		</div>
	);
}
