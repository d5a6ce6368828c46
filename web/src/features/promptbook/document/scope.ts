import { series } from "../../../shared/words";
import type { ProductionChoice } from "./catalogue";
import type { SceneChange } from "./choosing";
import type { Choices, ProductionDocument, Scene, Staging } from "./document";

/** What can be chosen for all scenes, and otherwise for one: the table of choices says what that is. */
export type OwnChoice = Extract<keyof Staging, keyof Choices>;
export type ChoiceValue = string | boolean | number;

/** One line of a change that is proposed: a scene, and how it is now. */
export type ChangeRow = { number: number; heading: string; now: string };
/** A change that is shown before it is made. */
export type Proposal = { says: string; rows: ChangeRow[]; part: Partial<Choices>; own: SceneChange[] };

/** What holds for a scene: its own choice, else that of the production. */
export function holds(document: ProductionDocument, scene: Scene, name: OwnChoice): ChoiceValue {
	return scene.staging[name] ?? document[name];
}

/** A scene's own choice for `value`: none where it is that of the production. */
export function ownChoice(document: ProductionDocument, name: OwnChoice, value: ChoiceValue): Partial<Staging> {
	return { [name]: value === document[name] ? null : value };
}

/** What can be chosen, and its words. */
export function optionsOf(choice: ProductionChoice | undefined): { value: ChoiceValue; text: string }[] {
	if (choice?.kind === "switch") {
		return [
			{ value: true, text: "on" },
			{ value: false, text: "off" },
		];
	}
	return (choice?.values ?? []).map(({ value, words }) => ({ value, text: words }));
}

/** The same for every scene: which scenes differ now, and the change that makes them alike. */
export function forAllScenes(
	document: ProductionDocument,
	name: OwnChoice,
	value: ChoiceValue,
	says: string,
	shown: (value: ChoiceValue) => string,
): Proposal {
	const scenes = document.script.scenes.map((scene, i) => ({
		scene,
		number: i + 1,
		now: holds(document, scene, name),
	}));
	return {
		says,
		rows: scenes
			.filter(({ now }) => now !== value)
			.map(({ scene, number, now }) => ({ number, heading: scene.heading, now: shown(now) })),
		part: { [name]: value },
		own: scenes
			.filter(({ scene }) => (scene.staging[name] ?? null) !== null)
			.map(({ scene }) => ({ sceneId: scene.id, staging: { [name]: null } })),
	};
}

/** 1, 2, 3 and 5 as "1 to 3 and 5". */
export function listed(numbers: readonly number[]): string {
	const runs: [number, number][] = [];
	for (const number of numbers) {
		const last = runs.at(-1);
		if (last && number === last[1] + 1) last[1] = number;
		else runs.push([number, number]);
	}
	const words = runs.flatMap(([from, to]) => {
		if (from === to) return [String(from)];
		return to - from === 1 ? [String(from), String(to)] : [`${from} to ${to}`];
	});
	return series(words);
}
