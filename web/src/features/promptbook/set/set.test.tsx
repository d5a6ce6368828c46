import { fireEvent, render, screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { ChoiceSentence, type SentenceChoice } from "../document/ChoiceSentence";
import { widened } from "../document/reach";
import { productionOf } from "../document/testing";
import { dressed } from "./Looks";

const production = productionOf(["a", "One", []], ["b", "Two", []], ["c", "Three", []]);
production.script.scenes = production.script.scenes.map((scene, index) =>
	index === 1 ? { ...scene, staging: { ...scene.staging, set: "pier", framing: "full" } } : scene,
);
const words = (value: string | boolean | number) => `the ${value}`;
const change = (reach: "scene" | "on" | "all", sceneId: string, set: string) =>
	widened(production, sceneId, "set", set, reach, "The set", words);

describe("how far a choice reaches", () => {
	it("one scene", () => {
		const { rows, part, own } = change("scene", "a", "quay");
		expect(rows.map(({ number, now }) => [number, now])).toEqual([[1, "now the museum"]]);
		expect(part).toEqual({});
		expect(own).toEqual([{ sceneId: "a", staging: { set: "quay" } }]);
	});

	it("a scene that is chosen as everywhere loses its own choice", () => {
		expect(change("scene", "b", "museum").own).toEqual([{ sceneId: "b", staging: { set: null } }]);
	});

	it("from a scene on, and no scene before it or that is so already", () => {
		expect(change("on", "b", "quay").rows.map(({ number }) => number)).toEqual([2, 3]);
		expect(change("on", "b", "pier").own).toEqual([{ sceneId: "c", staging: { set: "pier" } }]);
		expect(change("on", "c", "quay").own.map(({ sceneId }) => sceneId)).toEqual(["c"]);
	});

	it("everywhere, where scenes lose what they chose otherwise", () => {
		const { rows, part, own } = change("all", "c", "quay");
		expect(rows.map(({ number, now }) => [number, now])).toEqual([
			[1, "now the museum"],
			[2, "now the pier"],
			[3, "now the museum"],
		]);
		expect(part).toEqual({ set: "quay" });
		expect(own).toEqual([{ sceneId: "b", staging: { set: null } }]);
	});

	it("a production of one scene has one reach", () => {
		const single = productionOf(["a", "One", []]);
		expect(widened(single, "a", "set", "quay", "scene", "The set", words).part).toEqual({ set: "quay" });
	});
});

describe("a look", () => {
	it("is chosen as one; only what it names is taken from scenes", () => {
		const look = { name: "poster", words: "Poster", choices: { set: "shapes", transition: "ink-wipe" } };
		const { says, rows, part, own } = dressed(production, look);
		expect(says).toBe("The look is “Poster”");
		expect(rows).toEqual([{ number: 2, heading: "Two", now: "its own set" }]);
		expect(part).toEqual(look.choices);
		expect(own).toEqual([{ sceneId: "b", staging: { set: null } }]);
	});
});

describe("the sentence of choices", () => {
	const sentence = (onChoose: (value: string) => void): SentenceChoice[] => [
		{
			name: "set",
			lead: "The set is",
			tail: ",",
			label: "Set",
			value: "pier",
			options: [
				{ value: "pier", text: "the pier" },
				{ value: "quay", text: "the quay" },
			],
			picture: (value) => `/${value}.png`,
			onChoose,
		},
		{
			name: "weather",
			lead: "the weather",
			tail: ".",
			label: "Weather",
			value: "clear",
			options: [
				{ value: "clear", text: "clear" },
				{ value: "rain", text: "rain" },
			],
			onChoose,
		},
	];

	it("opens the options of the word that is pressed, and chooses one", () => {
		Element.prototype.scrollIntoView = vi.fn();
		const onChoose = vi.fn();
		render(<ChoiceSentence choices={sentence(onChoose)} />);
		expect(screen.getByRole("group", { name: "Set" })).toBeTruthy();
		expect(screen.queryByRole("group", { name: "Weather" })).toBeNull();
		fireEvent.click(screen.getByRole("button", { name: "Weather: clear" }));
		expect(screen.queryByRole("group", { name: "Set" })).toBeNull();
		fireEvent.click(screen.getByRole("radio", { name: "rain" }));
		expect(onChoose).toHaveBeenCalledWith("rain");
	});

	it("goes from a word into its options with the arrow key", () => {
		Element.prototype.scrollIntoView = vi.fn();
		render(<ChoiceSentence choices={sentence(vi.fn())} />);
		const word = screen.getByRole("button", { name: "Set: the pier" });
		word.focus();
		fireEvent.keyDown(word, { code: "ArrowDown" });
		expect(document.activeElement).toBe(screen.getByRole("radio", { name: "the pier" }));
	});
});
