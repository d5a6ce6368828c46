import type { Check, SceneTimes } from "./useSceneTimes";

/** Pixels at both ends of the ribbon. */
export const MARGIN = 18;
/** Pixels a second: so near that a word fills a hand's breadth, to so far that an hour fits. */
export const NEAREST = 900;
export const FURTHEST = 0.3;
export const USUAL = 176;
/** Nearer than this words can be read and lips told apart. */
export const READABLE = 70;

/** A scene where it lies on the ribbon; seconds count from the start of the production. */
export type LaidScene = {
	id: string;
	number: number;
	heading: string;
	start: number;
	seconds: number;
	estimated: boolean;
	times: SceneTimes | undefined;
};

/** Scenes end to end; those in which nothing is spoken take no time. */
export function layScenes(
	scenes: readonly { id: string; heading: string }[],
	check: Check | null,
	times: ReadonlyMap<string, SceneTimes>,
): LaidScene[] {
	const checked = new Map(check?.scenes.map((scene) => [scene.id, scene]));
	let start = 0;
	return scenes.flatMap(({ id, heading }, i) => {
		const known = times.get(id);
		const scene = checked.get(id);
		const seconds = known?.duration ?? scene?.seconds ?? 0;
		if (seconds <= 0 || scene?.words === 0) return [];
		const laid = {
			id,
			number: i + 1,
			heading,
			start,
			seconds,
			estimated: !known && (scene?.estimated ?? true),
			times: known,
		};
		start += seconds;
		return [laid];
	});
}

export const xOf = (seconds: number, scale: number) => MARGIN + seconds * scale;

/** The scene at a moment of the production; the last one beyond the end. */
export function sceneAt(laid: readonly LaidScene[], moment: number): LaidScene | undefined {
	return laid.find((scene) => moment < scene.start + scene.seconds) ?? laid.at(-1);
}

/** The scale at which `seconds` fill `width` pixels. */
export function fitting(seconds: number, width: number): number {
	return within((width - 2 * MARGIN) / Math.max(0.5, seconds));
}

export const within = (scale: number) => Math.min(NEAREST, Math.max(FURTHEST, scale));

const STEPS = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20, 30, 60, 120, 300, 600, 1200, 3600];

/** Seconds between two marks of time, so that their words do not touch. */
export function tickStep(scale: number): number {
	return STEPS.find((step) => step * scale >= (step < 1 ? 100 : 66)) ?? 3600;
}
