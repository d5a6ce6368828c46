import { placedWords, widthOf } from "../../../shared/voices/placedWords";
import type { CueValues } from "../document/cues";
import type { Heard } from "./useTakes";

export type PlacedWord = Heard["words"][number] & {
	x: number;
	/** Pixels between it and the word before. */
	room: number;
	/** Seconds of silence before it. */
	gap: number;
	/** The part of them that nobody added. */
	natural: number;
};

/** Pixels a second, and where each word stands: at its time, or pushed on where words are shorter than their letters. */
export function layout(heard: Heard, width: number): { scale: number; words: PlacedWord[] } {
	const letters = heard.words.reduce((sum, word) => sum + widthOf(word.text), 0);
	const scale = Math.max((width - 12) / Math.max(0.3, heard.seconds), (letters * 1.1) / Math.max(0.3, heard.seconds));
	const words = placedWords(heard.words, scale).map((word, index) => {
		const before = heard.words[index - 1];
		const gap = before ? Math.max(0, word.start - before.end) : 0;
		return { ...word, gap, natural: gap - (heard.pauses.get(word.offset) ?? 0) };
	});
	return { scale, words };
}

/** A recording's settings with word `index` beginning at another second. */
export function nudgedBorders(recording: CueValues, index: number, seconds: number): CueValues {
	const kept = String(recording.borders ?? "")
		.split(" ")
		.filter((part) => part && !part.startsWith(`${index}=`));
	return { ...recording, borders: [...kept, `${index}=${Math.max(0, seconds).toFixed(3)}`].join(" ") };
}
