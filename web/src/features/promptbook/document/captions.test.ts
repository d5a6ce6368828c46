import { Editor } from "@tiptap/core";
import { afterEach, describe, expect, it } from "vitest";
import {
	asSaid,
	type Caption,
	correctCaption,
	correctedIn,
	correctionsFor,
	cutCaption,
	nudgeCaptions,
} from "./captions";
import { documentToEditor, editorToDocument } from "./document";
import { scriptExtensions } from "./extensions";
import { productionOf } from "./testing";

const TEXT = "It piles up in two low hills: one under “the Moon”, and one behind.";

/** The words of the first caption, as they come with its times. */
const WORDS = [...TEXT.slice(0, 29).matchAll(/\S+/g)].map((found) => {
	const text = found[0];
	return { text, offset: found.index, to: found.index + text.replace(/\W+$/, "").length };
});

describe("what captions show", () => {
	it.each([
		["It piles up in 2 low hills:", [[4, 4, "2"]]],
		["It piles up in two hills:", [[4, 5, "two"]]],
		["It piles up in two very low hills:", [[4, 4, "two very"]]],
		["Well, it piles up in two low hills:", [[0, 0, "Well, it"]]],
		["Oh! It piles up in two low hills:", [[0, 0, "Oh! It"]]],
		["piles up in two low hills:", [[0, 1, "piles"]]],
		[
			"It piles up into 2 low hills, see:",
			[
				[3, 4, "into 2"],
				[6, 6, "hills, see:"],
			],
		],
		["It piles up in two low hills:", []],
	])("is corrected as little as can be: %s", (shown, expected) => {
		const found = correctionsFor(WORDS, shown);
		expect(found.map(({ first, last, text }) => [first, last, text])).toEqual(expected);
		// what is shown then is what was wanted
		const words = WORDS.map((word) => word.text);
		for (const { first, last, text } of [...found].reverse()) words.splice(first, last - first + 1, text);
		expect(words.join(" ")).toBe(shown);
	});
});

describe("captions in the script", () => {
	let editor: Editor;
	afterEach(() => editor.destroy());
	const caption: Caption = {
		line: "a",
		start: 0,
		end: 3,
		first: 0,
		last: 28,
		said: TEXT.slice(0, 28),
		words: WORDS,
		rows: [TEXT.slice(0, 29)],
		letters_a_second: 10,
		hasty: false,
		mend: 0,
		wide: false,
	};
	const opened = () => {
		const line = { id: "a", kind: "line" as const, speaker: "Maren", text: TEXT, cues: [] };
		const content = documentToEditor(productionOf(["s", "Two hills", [line]]));
		editor = new Editor({ extensions: scriptExtensions(), content });
	};
	const cues = () =>
		editorToDocument(editor.state.doc, productionOf()).script.scenes[0]?.blocks[0]?.cues.map(
			({ kind, start, parameters }) => [kind, start, parameters],
		);

	it("are corrected without a word of it changed, corrected again, and as said in the end", () => {
		opened();
		correctCaption(editor, caption, "It piles up in 2 low hills:");
		expect(cues()).toEqual([["caption", 15, { text: "2" }]]);
		expect(correctedIn(editor.state.doc)).toMatchObject([{ scene: 1, said: "two", shown: "2" }]);
		correctCaption(editor, caption, "It heaps up in two low hills:");
		expect(cues()).toEqual([["caption", 3, { text: "heaps" }]]);
		correctCaption(editor, caption, asSaid(caption));
		expect(cues()).toEqual([]);
		editor.commands.undo();
		expect(cues()).toEqual([["caption", 3, { text: "heaps" }]]);
		expect(editor.state.doc.textContent).toContain(TEXT);
	});

	it("stay as they are where the script says something else by now", () => {
		opened();
		correctCaption(editor, { ...caption, said: "It was otherwise once" }, "It piles up in 2 low hills:");
		expect(cues()).toEqual([]);
	});

	it("are cut, joined and moved in time by cues on their first words", () => {
		opened();
		cutCaption(editor, "a", 9, "begins");
		cutCaption(editor, "a", 30, "goes-on");
		nudgeCaptions(editor, [{ caption, ends: 0.3 }]);
		nudgeCaptions(editor, [{ caption, ends: 0.2, begins: -5 }]);
		expect(cues()).toEqual([
			["caption-cut", 0, { cut: "where-it-fits", ends: 0.5, begins: -1 }],
			["caption-cut", 9, { cut: "begins" }],
			["caption-cut", 30, { cut: "goes-on" }],
		]);
		nudgeCaptions(editor, [{ caption, ends: -0.5, begins: 1 }]);
		expect(cues()?.map(([, at]) => at)).toEqual([9, 30]);
	});
});
