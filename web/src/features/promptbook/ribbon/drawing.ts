import { READABLE } from "../document/scale";
import type { SceneTimes } from "../document/useSceneTimes";

export const WATERLINE = 63;
const GLYPH_GAP = 13;
const NUDGE = 16;
const NO_VOICE = 99;

type Line = SceneTimes["lines"][number];
export type PlacedWord = { key: string; x: number; width: number; text: string; start: number; end: number };

const ruler = document.createElement("canvas").getContext?.("2d");

/** Pixels a word takes in the ribbon's type. */
function widthOf(text: string): number {
	if (!ruler) return text.length * 8;
	ruler.font = `14px ${getComputedStyle(document.documentElement).getPropertyValue("--serif") || "serif"}`;
	return ruler.measureText(text).width;
}

/** Words at their times, nudged to the right where they would touch, left out where that would be too far. */
export function spacedWords(times: SceneTimes, scale: number): PlacedWord[] {
	if (scale < READABLE) return [];
	let free = 0;
	return times.lines.flatMap((line) =>
		line.words.flatMap((word) => {
			const at = word.start * scale;
			const x = Math.max(at, free);
			if (x - at > NUDGE && scale < 150) return [];
			const width = widthOf(word.text);
			free = x + width + 5;
			return [{ key: `${line.id}${word.offset}`, x, width, text: word.text, start: word.start, end: word.end }];
		}),
	);
}

/** Mouths far enough apart to be told from each other; closed lips go before open ones. */
export function spacedMouths(times: SceneTimes, scale: number): SceneTimes["mouths"] {
	if (scale < READABLE) return [];
	const kept: SceneTimes["mouths"] = [];
	for (const mouth of times.mouths) {
		const last = kept.at(-1);
		if (!last || (mouth.at - last.at) * scale >= GLYPH_GAP) kept.push(mouth);
		else if (mouth.closed && !last.closed) kept[kept.length - 1] = mouth;
	}
	return kept;
}

/** The swell of a line over the waterline; no more than a point a pixel, the loudest of those that share one. */
export function envelope(line: Line, scale: number): string {
	const { rate, values } = line.loudness;
	const each = Math.max(1, Math.floor(rate / scale));
	const points: string[] = [];
	for (let i = 0; i < values.length; i += each) {
		const loudest = Math.max(...values.slice(i, i + each));
		points.push(`${((line.start + i / rate) * scale).toFixed(1)} ${(WATERLINE - 34 * loudest * loudest).toFixed(1)}`);
	}
	return `M${line.start * scale} ${WATERLINE}L${points.join("L")}L${line.end * scale} ${WATERLINE}Z`;
}

/** The melody of a line: an octave is 26 pixels; broken where there is no voice. */
export function melody(line: Line, scale: number): string {
	if (scale < READABLE) return "";
	const { rate, values } = line.pitch;
	let path = "";
	let drawing = false;
	values.forEach((semitones, i) => {
		if (semitones === NO_VOICE) {
			drawing = false;
			return;
		}
		const y = WATERLINE - 17 - Math.max(-8, Math.min(8, semitones)) * 2.2;
		path += `${drawing ? "L" : "M"}${((line.start + i / rate) * scale).toFixed(1)} ${y.toFixed(1)}`;
		drawing = true;
	});
	return path;
}
