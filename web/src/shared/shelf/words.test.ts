import { describe, expect, it } from "vitest";
import { cutTo, isPlayed } from "./WordsInClip";

const WORDS = [
	{ text: "We", start: 0.4, end: 0.6 },
	{ text: "found", start: 0.62, end: 1.0 },
	{ text: "it", start: 1.5, end: 1.7 },
	{ text: "here", start: 1.75, end: 2.2 },
];

describe("a clip cut by what is said in it", () => {
	it("plays the words from the first to the last that were pressed, and no others", () => {
		for (let first = 0; first < WORDS.length; first++) {
			for (let last = first; last < WORDS.length; last++) {
				const cut = cutTo(WORDS, first, last);
				const played = WORDS.map((word) => isPlayed(word, cut));
				expect(played).toEqual(WORDS.map((_, index) => first <= index && index <= last));
				expect(cut.begins).toBeGreaterThanOrEqual(WORDS[first - 1]?.end ?? 0);
				expect(cut.until).toBeLessThanOrEqual(WORDS[last + 1]?.start ?? 9);
			}
		}
	});

	it("leaves a little before and after where there is room", () => {
		expect(cutTo(WORDS, 2, 2)).toEqual({ begins: 1.44, until: 1.75 });
		expect(cutTo(WORDS, 0, 3)).toEqual({ begins: 0.34, until: 2.32 });
	});

	it("plays all from where it begins where it ends at its end", () => {
		expect(WORDS.map((word) => isPlayed(word, { begins: 0, until: 0 }))).toEqual([true, true, true, true]);
		expect(WORDS.map((word) => isPlayed(word, { begins: 1.2, until: 0 }))).toEqual([false, false, true, true]);
	});
});
