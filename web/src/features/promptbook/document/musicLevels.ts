import type { SceneChange } from "./choosing";
import type { Choices, ProductionDocument, Scene } from "./document";
import { holds } from "./scope";

/** LU below the voice above which words begin to blur under music. */
export const BLURS = 15;

/** How far below the voice music lies, in LU: under words and in pauses. */
export type Levels = { bed_under: number; bed_pause: number };

/** The levels that hold for a scene. */
export function levelsIn(document: ProductionDocument, scene: Scene): Levels {
	const level = (name: keyof Levels) => Number(holds(document, scene, name));
	return { bed_under: level("bed_under"), bed_pause: level("bed_pause") };
}

/** Whether a scene has levels of its own. */
export function hasOwnLevels({ staging }: Scene): boolean {
	return staging.bed_under != null || staging.bed_pause != null;
}

/** Other levels: for a scene that has its own, else everywhere. */
export function withLevels(scene: Scene, levels: Partial<Levels>): [Partial<Choices>, SceneChange[]] {
	return hasOwnLevels(scene) ? [{}, [{ sceneId: scene.id, staging: levels }]] : [levels, []];
}

/** The change that gives a scene levels of its own, those it has now, or takes them from it. */
export function ownLevels(document: ProductionDocument, scene: Scene, own: boolean): SceneChange {
	return { sceneId: scene.id, staging: own ? levelsIn(document, scene) : { bed_under: null, bed_pause: null } };
}
