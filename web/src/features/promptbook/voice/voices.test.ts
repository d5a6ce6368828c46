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
	heard_as: "",
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
	const kind = (name: string, flag: string, type: string, first: string, usual: string | number) =>
		({ name, label: `The ${name}`, flag, parameters: [{ name: first, kind: type, default: usual }] }) as CueKind;
	const kinds = [
		kind("delivery", "", "choice", "manner", "neutral"),
		kind("picture", "{shows}", "choice", "shows", "fish"),
		kind("say-as", "Say “{text}”", "text", "text", ""),
		kind("title", "{text}", "text", "text", ""),
		kind("take", "Take {prop}", "choice", "prop", "tide-clock"),
		kind("pause", "Pause {seconds} s", "number", "seconds", 0.6),
		kind("wave", "", "choice", "side", "right"),
	];
	it.each([
		["delivery", { manner: "calm", pace: 1.2, pitch: -2 }, "Calm, quicker, lower"],
		["delivery", { manner: "neutral", pace: 1 }, "Delivery"],
		["delivery", { level: 3 }, "Louder"],
		["picture", { shows: "tide-clock" }, "Tide clock"],
		["picture", {}, "Fish"],
		["say-as", { text: "key" }, "Say “key”"],
		["say-as", { text: "" }, "The say-as"],
		["title", { text: "low-water, {prop} $1" }, "low-water, {prop} $1"],
		["title", {}, "The title"],
		["take", {}, "Take tide clock"],
		["pause", { seconds: 2 }, "Pause 2.0 s"],
		["pause", {}, "Pause 0.6 s"],
		["wave", {}, "The wave"],
		["wave", { side: "left" }, "The wave, left"],
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
