import { describe, expect, it } from "vitest";
import { melodyPath } from "../../../shared/voices/melodyPath";
import type { CaretLine } from "./lineAtCaret";
import { layout, nudgedBorders } from "./melody";
import { merged } from "./sayings";
import { type Heard, isChosen, otherReadings, type Take } from "./useTakes";

const word = (text: string, start: number, end: number) => ({
	text,
	start,
	end,
	offset: 0,
	confidence: 1,
	said: true,
	spoken: "",
});
const HEARD: Heard = {
	seconds: 2,
	rate: 10,
	pitch: [0, 100, 110, 120, 0, 0, 0, 0, 0, 200, 210, 0],
	level: [],
	plain: [],
	words: [word("A", 0, 0.02), word("considerable", 0.02, 0.5), { ...word("pause", 1.2, 1.8), offset: 4 }],
	pace: 90,
	voice: "dale",
	stand_in: "",
	pauses: new Map([[4, 0.5]]),
};

describe("the tune of a line", () => {
	it("keeps words from lying on each other, and at their times where there is room", () => {
		const { scale, words } = layout(HEARD, 500);
		expect(words[1]?.x).toBeGreaterThan((words[1]?.start ?? 0) * scale);
		expect(words[2]?.x).toBe((words[2]?.start ?? 0) * scale);
		expect(words.map((w) => Number(w.gap.toFixed(2)))).toEqual([0, 0, 0.7]);
		expect(words[2]?.natural).toBeCloseTo(0.2);
		expect(words[2]?.room).toBeGreaterThan(50);
	});

	it("is broken where nothing is voiced for long, and higher pitch lies higher", () => {
		const path = melodyPath(HEARD.pitch, { rate: 10, among: HEARD.pitch }, 100, 60);
		expect(path.match(/M/g)).toHaveLength(2);
		const heights = [...path.matchAll(/[ML][\d.]+ ([-\d.]+)/g)].map((m) => Number(m[1]));
		expect(heights.at(-1)).toBeLessThan(heights[0] ?? 0);
		expect(melodyPath([0, 0], { rate: 10, among: [] }, 100, 60)).toBe("");
	});

	it("remembers the last place a border of a word was put to", () => {
		const once = nudgedBorders({ recording: "r", borders: "2=0.500" }, 1, 0.25);
		expect(nudgedBorders(once, 2, 0.61)).toEqual({ recording: "r", borders: "1=0.250 2=0.610" });
	});
});

describe("takes", () => {
	const take = (part: Partial<Take>): Take => ({
		id: "t",
		line: "l",
		number: 1,
		name: "",
		text: "",
		voice: "joe",
		delivery: {},
		recording: "",
		notes: [],
		seconds: 1,
		created_at: "",
		...part,
	});
	const line = (delivery: object | null, recording = "") =>
		({
			delivery: delivery && { parameters: delivery },
			recording: recording ? { parameters: { recording } } : null,
		}) as unknown as CaretLine;

	it("is the line's when its settings are, however they are written", () => {
		expect(isChosen(take({}), line(null))).toBe(true);
		expect(isChosen(take({}), line({ manner: "neutral", pace: 1, strength: 0.4 }))).toBe(true);
		expect(isChosen(take({ delivery: { manner: "calm" } }), line({ manner: "calm", level: 0 }))).toBe(true);
		expect(isChosen(take({ delivery: { manner: "calm" } }), line({ manner: "calm", effect: "radio" }))).toBe(false);
		expect(isChosen(take({ recording: "r" }), line(null, "r"))).toBe(true);
		expect(isChosen(take({}), line(null, "r"))).toBe(false);
	});

	it("other readings are ones nobody has heard, in the same delivery", () => {
		const known = [take({ delivery: { variation: 4 } }), take({})];
		expect(otherReadings({ manner: "bright", variation: 2 }, known, 2)).toEqual([
			{ manner: "bright", variation: 5 },
			{ manner: "bright", variation: 6 },
		]);
	});
});

describe("the say-as list", () => {
	const say = (entry: string, alias: string) => ({ word: entry, alias, ipa: "" });
	it("takes another in: the later says how, each word once", () => {
		expect(
			merged([say("Oake", "oak"), say("Maren", "MAH ren")], [say("oake", "OH key"), say("Skerry", "skerry")]),
		).toEqual([say("oake", "OH key"), say("Maren", "MAH ren"), say("Skerry", "skerry")]);
	});
});
