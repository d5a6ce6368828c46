import type { SceneTimes } from "../document/useSceneTimes";
import { WATERLINE } from "./drawing";

/** LU below the words: the lowest and the highest the water stands. */
export const SOFTEST = 40;
export const LOUDEST = 3;
const HIGH = 34;

/** Where the water stands on the ribbon, in pixels from its top. */
export function heightOf(level: number): number {
	return WATERLINE - (HIGH * (SOFTEST - Math.min(SOFTEST, Math.max(LOUDEST, level)))) / (SOFTEST - LOUDEST);
}

/** The level that stands at a height of the ribbon, in whole LU. */
export function levelAt(y: number): number {
	const level = SOFTEST - ((WATERLINE - y) * (SOFTEST - LOUDEST)) / HIGH;
	return Math.round(Math.min(SOFTEST, Math.max(LOUDEST, level)));
}

/** The surface of the water over a scene. */
export function surface(water: SceneTimes["water"], scale: number): string {
	return water
		.map(({ at, level }, i) => `${i ? "L" : "M"}${(at * scale).toFixed(1)} ${heightOf(level).toFixed(1)}`)
		.join("");
}

/** The water itself. */
export function body(water: SceneTimes["water"], scale: number): string {
	const [first, last] = [water[0], water.at(-1)];
	if (!first || !last) return "";
	return `${surface(water, scale)}L${last.at * scale} ${WATERLINE}L${first.at * scale} ${WATERLINE}Z`;
}

/** A moment at which the water is as low as under words, and one at which it is as high as in pauses; where it is. */
export function buoyPlaces(
	water: SceneTimes["water"],
	under: number,
	pause: number,
): { under?: number; pause?: number } {
	const near = (wanted: number) => {
		const stays = water.find(
			({ level }, i) => Math.abs(level - wanted) < 0.6 && Math.abs((water[i + 1]?.level ?? level) - wanted) < 0.6,
		);
		const after = stays && water[water.indexOf(stays) + 1];
		return stays ? (stays.at + Math.min(after?.at ?? stays.at, stays.at + 2)) / 2 : undefined;
	};
	return { under: near(under), pause: under === pause ? undefined : near(pause) };
}
