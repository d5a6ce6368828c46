import { Editor } from "@tiptap/core";
import { afterEach, describe, expect, it } from "vitest";
import { documentToEditor, editorToDocument } from "./document";
import { scriptExtensions } from "./extensions";
import { isTaken, type SuggestedCue, shortened, takeCues } from "./suggestions";
import { productionOf } from "./testing";

const TEXT = "The bell rings, and rain falls on the quay.";

describe("suggested cues", () => {
	let editor: Editor;
	afterEach(() => editor.destroy());
	const opened = () => {
		const line = { id: "a", kind: "line" as const, speaker: "Maren", text: TEXT, cues: [] };
		editor = new Editor({
			extensions: scriptExtensions(),
			content: documentToEditor(productionOf(["s", "Low water", [line]])),
		});
	};
	const sound = (words: string, name: string, stretch: boolean): SuggestedCue => {
		const start = TEXT.indexOf(words);
		return { line: "a", start, end: start + words.length, kind: "sound", parameters: { sound: name }, stretch };
	};
	const cues = () =>
		editorToDocument(editor.state.doc, productionOf()).script.scenes[0]?.blocks[0]?.cues.map(
			({ kind, start, end, parameters }) => [kind, start, end, parameters],
		);
	const KINDS = new Set(["sound"]);

	it("stand on their word or over their words, and are one step to undo", () => {
		opened();
		takeCues(editor, [sound("bell", "bell", false), sound("rain falls on the quay", "rain", true)]);
		expect(cues()).toEqual([
			["sound", 4, undefined, { sound: "bell" }],
			["sound", 20, TEXT.indexOf("quay"), { sound: "rain" }],
		]);
		editor.commands.undo();
		expect(cues()).toEqual([]);
	});

	it("are not offered where such a cue is, where the line is gone, or where the text is shorter by now", () => {
		opened();
		const rain = sound("rain falls", "rain", true);
		expect(isTaken(editor, rain, KINDS)).toBe(false);
		takeCues(editor, [rain]);
		expect(isTaken(editor, rain, KINDS)).toBe(true);
		expect(isTaken(editor, rain, new Set(["picture"]))).toBe(false);
		expect(isTaken(editor, sound("bell", "bell", false), KINDS)).toBe(false);
		expect(isTaken(editor, { line: "gone", start: 0, end: 3 }, KINDS)).toBe(true);
		expect(isTaken(editor, { line: "a", start: 0, end: 300 }, KINDS)).toBe(true);
	});

	it("on one word last no longer than it, whatever was asked", () => {
		opened();
		takeCues(editor, [sound("rain", "rain", true)]);
		expect(cues()).toEqual([["sound", 20, undefined, { sound: "rain" }]]);
	});

	it("show long words shortened", () => {
		expect(shortened("A bell")).toBe("A bell");
		expect(shortened("word ".repeat(20))).toHaveLength(43);
	});
});
