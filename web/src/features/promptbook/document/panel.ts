import type { SceneChange } from "./choosing";
import { type Choices, NOT_PLAYED, type ProductionDocument, type Scene } from "./document";

/** What every panel is given: the production, the scene at the playhead, and how to change either. */
export type PanelProps = {
	document: ProductionDocument;
	current: string;
	change: (part: Partial<Choices>, own?: SceneChange[], field?: string) => void;
};

/** The scene at the playhead with its number, else the first. */
export function sceneAt(document: ProductionDocument, id: string): { scene: Scene | undefined; number: number } {
	const { scenes } = document.script;
	const index = Math.max(
		0,
		scenes.findIndex((scene) => scene.id === id),
	);
	return { scene: scenes[index], number: index + 1 };
}

/** The cast with another host or voice for a speaker. */
type Played = ProductionDocument["cast"][string];

export function recast(document: ProductionDocument, whose: readonly string[], part: Partial<Played>) {
	const cast = { ...document.cast };
	for (const speaker of whose) {
		cast[speaker] = { ...(cast[speaker] ?? NOT_PLAYED), ...part };
	}
	return { cast };
}

/** The cast with every voice so many times as quick as now. */
export function quickened({ cast }: ProductionDocument, times: number) {
	const quicker = (played: Played) => ({ ...played, pace: played.pace * times });
	return { cast: Object.fromEntries(Object.entries(cast).map(([speaker, played]) => [speaker, quicker(played)])) };
}
