import { describe, expect, it } from "vitest";
import { foundVoices, pitchWord, type Voice } from "../../../shared/voices/finding";
import { cueLabel } from "../document/cueKinds";
import { layFlags } from "../document/cueLayout";
import type { CueKind } from "../document/cues";

const voice = (name: string, description: string, language_name: string, pitch: number): Voice => ({
	id: name.toLowerCase(),
	name,
	description,
	language: "en-US",
	language_name,
	pitch,
	engine: "neural",
	age: "",
	favourite: false,
});
const voices = [
	voice("Joe", "a man, calm and even", "English", 93),
	voice("Vera", "an older woman, low and calm", "English", 152),
	voice("Basque", "a formant voice", "Basque", 100),
];
const names = (typed: string) => foundVoices(voices, typed).map((v) => v.name);

describe("voices", () => {
	it("are found when every word fits their name, language, character or pitch", () => {
		expect(names("calm")).toEqual(["Joe", "Vera"]);
		expect(names("man calm")).toEqual(["Joe"]); // a woman is no man
		expect(names("wom, CALM")).toEqual(["Vera"]);
		expect(names("basque")).toEqual(["Basque"]);
		expect(names("a.c")).toEqual([]); // no pattern
		expect(names("  ")).toHaveLength(3);
	});

	it.each([
		[76, "very low"],
		[93, "low"],
		[152, "middling"],
		[196, "high"],
		[265, "very high"],
	])("%i Hz is %s", (hertz, word) => expect(pitchWord(hertz)).toBe(word));
});

describe("a flag says what its cue does", () => {
	const kind = (name: string, first: string, usual: string) =>
		({ name, label: name, parameters: [{ name: first, default: usual }] }) as unknown as CueKind;
	const kinds = [kind("delivery", "manner", "neutral"), kind("picture", "shows", "fish"), kind("say-as", "text", "")];
	it.each([
		["delivery", { manner: "calm", pace: 1.2, pitch: -2 }, "Calm, quicker, lower"],
		["delivery", { manner: "neutral", pace: 1 }, "Delivery"],
		["delivery", { level: 3 }, "Louder"],
		["picture", { shows: "tide-clock" }, "Tide clock"],
		["picture", {}, "Fish"],
		["say-as", { text: "key" }, "Say “key”"],
		["gone", {}, "gone"],
	])("%s %j", (name, parameters, label) => expect(cueLabel(kinds, { kind: name, parameters } as never)).toBe(label));

	it("more than four on a row are counted, and shown when they are asked for", () => {
		const items = ["a", "b", "c", "d", "e", "f"].map((id, i) => ({ id, x: i * 20, y: 0 }));
		expect(layFlags(items, 400).map((flag) => [flag.id, flag.more])).toEqual([
			["a", 0],
			["b", 0],
			["c", 0],
			["d", 3],
		]);
		expect(layFlags(items, 400, new Set(["d"]))).toHaveLength(6);
	});
});
