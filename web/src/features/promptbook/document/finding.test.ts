import { getSchema } from "@tiptap/core";
import { EditorState } from "@tiptap/pm/state";
import { describe, expect, it } from "vitest";
import { documentToEditor, editorToDocument, type Scene } from "./document";
import { scriptExtensions } from "./extensions";
import { findAll, replaceFound } from "./finding";
import { cutScenes, textOfHtml } from "./pasting";
import { moveSceneTo } from "./scenes";
import { productionOf } from "./testing";

const schema = getSchema(scriptExtensions());
const cue = { id: "c", kind: "wave", parameters: {}, look: false };
const production = productionOf(
	[
		"s1",
		"The tide",
		[{ id: "l1", kind: "line", text: "High tide. The tides' tide.", speaker: "MAREN", cues: [{ ...cue, start: 22 }] }],
	],
	["s2", "Ropes", [{ id: "l2", kind: "direction", text: "The tide bell.", speaker: "", cues: [] }]],
	["s3", "End", [{ id: "l3", kind: "line", text: "It’s out.", speaker: "MAREN", cues: [] }]],
);
const open = () => EditorState.create({ doc: schema.nodeFromJSON(documentToEditor(production)) });
const wanted = (text: string, part = {}) => ({ text, matchCase: false, wholeWords: false, ...part });
const found = (text: string, part = {}) => {
	const { doc } = open();
	return findAll(doc, wanted(text, part)).map(({ from, to }) => doc.textBetween(from, to));
};

describe("finding", () => {
	it("looks in headings, lines and directions", () => {
		expect(found("TIDE")).toEqual(["tide", "tide", "tide", "tide", "tide"]);
		expect(found("TIDE", { matchCase: true })).toEqual([]);
		expect(found("tide", { wholeWords: true })).toHaveLength(4);
		expect(found("it's")).toEqual(["It’s"]); // either apostrophe
		expect(found("tide.")).toEqual(["tide.", "tide."]); // no pattern
		expect(found("")).toEqual([]);
	});

	it("puts words in place of others, and a cue stays on the word that comes", () => {
		const state = open();
		const after = state.apply(replaceFound(state.tr, findAll(state.doc, wanted("tide")), "sea"));
		const [scene, ropes] = editorToDocument(after.doc, production).script.scenes;
		expect(scene?.heading).toBe("The sea");
		expect(scene?.blocks[0]).toMatchObject({ text: "High sea. The seas' sea.", cues: [{ kind: "wave", start: 20 }] });
		expect(ropes?.blocks[0]?.text).toBe("The sea bell.");
	});
});

describe("scenes", () => {
	it.each([
		[0, 3, ["Ropes", "End", "The tide"]],
		[2, 0, ["End", "The tide", "Ropes"]],
		[1, 1, ["The tide", "Ropes", "End"]],
		[1, 2, ["The tide", "Ropes", "End"]],
		[0, 2, ["Ropes", "The tide", "End"]],
	])("scene %i dragged before %i", (from, to, headings) => {
		const state = open();
		const after = state.apply(moveSceneTo(state, from, to));
		expect(editorToDocument(after.doc, production).script.scenes.map((s) => s.heading)).toEqual(headings);
	});

	it("a paste is cut at its pieces, directions go with the line that follows", () => {
		const line = (text: string) => ({ id: text, kind: "line" as const, text, speaker: "MAREN", cues: [] });
		const aside = { id: "d", kind: "direction" as const, text: "A bell.", speaker: "", cues: [] };
		const scene = {
			id: "s",
			heading: "",
			blocks: [line("One. Two."), aside, line("Three. Four.")],
		} as unknown as Scene;
		const pieces = [
			[0, 0, 4, true],
			[0, 5, 9, false],
			[2, 0, 6, true],
			[2, 7, 12, false],
		].map(([block, start, end, opens]) => ({ block, start, end, opens, seconds: 1 })) as never;
		const texts = (cuts: number[]) => cutScenes(scene, pieces, cuts).map((s) => s.blocks.map((b) => b.text));
		expect(texts([])).toEqual([["One. Two.", "A bell.", "Three. Four."]]);
		expect(texts([1, 3])).toEqual([["One."], ["Two.", "A bell.", "Three."], ["Four."]]);
		expect(texts([2])).toEqual([["One. Two."], ["A bell.", "Three. Four."]]);
		const last = scene.blocks[2];
		if (last) last.cues = [{ ...cue, start: 7 }]; // on "Four"
		expect(cutScenes(scene, pieces, [3]).map((s) => s.blocks.flatMap((b) => b.cues.map((c) => c.start)))).toEqual([
			[],
			[0],
		]);
		expect(cutScenes(scene, pieces, [2])[1]?.blocks[1]?.cues[0]?.start).toBe(7);
	});

	it("a web page keeps headings and paragraphs and drops the rest", () => {
		const html =
			"<style>p{}</style><div><h2>Tar</h2><p>It <b>smells</b>\n of tar.</p><ul><li>rope</li></ul></div><p> </p>";
		expect(textOfHtml(html)).toBe("# Tar\n\nIt smells of tar.\n\nrope");
	});
});
