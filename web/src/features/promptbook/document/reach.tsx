import type { ProductionDocument, Scene } from "./document";
import { type ChoiceValue, forAllScenes, holds, type OwnChoice, ownChoice, type Proposal } from "./scope";

/** How far a choice reaches. */
export type Reach = "scene" | "on" | "all";

/** The scenes that something reaches which begins at one of them. */
export function scenesWithin(scenes: readonly Scene[], sceneId: string, reach: Reach): readonly Scene[] {
	if (reach === "all") return scenes;
	const first = scenes.findIndex((scene) => scene.id === sceneId);
	return first < 0 ? [] : scenes.slice(first, reach === "scene" ? first + 1 : undefined);
}

/** The change a choice makes within its reach, and which scenes it changes. */
export function widened(
	document: ProductionDocument,
	sceneId: string,
	name: OwnChoice,
	value: ChoiceValue,
	reach: Reach,
	says: string,
	/** How a value is shown in words. */
	shown: (value: ChoiceValue) => string,
): Proposal {
	const { scenes } = document.script;
	if (reach === "all" || scenes.length === 1) {
		return forAllScenes(document, name, value, says, (now) => `now ${shown(now)}`);
	}
	const reached = new Set(scenesWithin(scenes, sceneId, reach));
	const changed = scenes
		.map((scene, index) => ({ scene, number: index + 1 }))
		.filter(({ scene }) => reached.has(scene) && holds(document, scene, name) !== value);
	return {
		says,
		rows: changed.map(({ scene, number }) => ({
			number,
			heading: scene.heading,
			now: `now ${shown(holds(document, scene, name))}`,
		})),
		part: {},
		own: changed.map(({ scene }) => ({ sceneId: scene.id, staging: ownChoice(document, name, value) })),
	};
}

/** Several changes as one. */
export function together(changes: readonly Proposal[], says: string): Proposal {
	const rows = changes.flatMap((change) => change.rows);
	return {
		says,
		rows: rows.filter((row, index) => rows.findIndex((other) => other.number === row.number) === index),
		part: Object.assign({}, ...changes.map((change) => change.part)),
		own: changes.flatMap((change) => change.own),
	};
}

type Props = { reach: Reach; number: number; scenes: number; onReach: (reach: Reach) => void };

/** For which scenes what is chosen holds; nothing is asked where there is only one. */
export function ScopeWords({ reach, number, scenes, onReach }: Props) {
	if (scenes < 2) return <span className="small quiet">the only scene</span>;
	const words: readonly [Reach, string][] = [
		["scene", `scene ${number}`],
		["on", "from here on"],
		["all", "everywhere"],
	];
	return (
		<fieldset className="words scope-words">
			<legend className="visually-hidden">For which scenes</legend>
			{words.map(([value, text]) => (
				<label key={value} className={value === reach ? "on" : ""}>
					<input type="radio" name="scope of the set" checked={value === reach} onChange={() => onReach(value)} />
					{text}
				</label>
			))}
		</fieldset>
	);
}
