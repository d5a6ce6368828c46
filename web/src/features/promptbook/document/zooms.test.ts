import { Editor } from "@tiptap/core";
import { afterEach, describe, expect, it } from "vitest";
import { partAt } from "../../../shared/shelf/PlacePrint";
import { documentToEditor, editorToDocument } from "./document";
import { scriptExtensions } from "./extensions";
import { productionOf } from "./testing";
import { isZoomed, type ProposedZoom, takeZooms, thingShownAt } from "./zooms";

const TEXT = "Write your name, then press Book.";

describe("zooms on words", () => {
	let editor: Editor;
	afterEach(() => editor.destroy());
	const opened = (cues: Parameters<typeof productionOf>[0][2][number]["cues"] = []) => {
		const line = { id: "a", kind: "line" as const, speaker: "Maren", text: TEXT, cues };
		const content = documentToEditor(productionOf(["s", "Booking", [line]]));
		editor = new Editor({ extensions: scriptExtensions(), content });
	};
	const zoom = (offset: number, word: string, near = 2.5): ProposedZoom => ({
		item: "c0",
		line: "a",
		offset,
		word,
		at: 1,
		near,
		x: 0.8,
		y: 0.4,
	});
	const cues = () =>
		editorToDocument(editor.state.doc, productionOf()).script.scenes[0]?.blocks[0]?.cues.map(
			({ kind, start, parameters }) => [kind, start, parameters],
		);

	it("are taken in one step, once a word, and undone in one", () => {
		opened();
		const both = [zoom(11, "name"), zoom(28, "Book", 1)];
		takeZooms(editor, both);
		takeZooms(editor, [zoom(11, "name", 3)]);
		expect(cues()).toEqual([
			["zoom", 11, { near: 3, x: 0.8, y: 0.4 }],
			["zoom", 28, { near: 1, x: 0.8, y: 0.4 }],
		]);
		expect(both.map((one) => isZoomed(editor, one))).toEqual([true, true]);
		editor.commands.undo();
		editor.commands.undo();
		expect(cues()).toEqual([]);
	});

	it("are not offered on words that are others by now", () => {
		opened();
		expect(isZoomed(editor, zoom(11, "name"))).toBe(false);
		expect(isZoomed(editor, zoom(11, "gull"))).toBe(true);
		takeZooms(editor, [zoom(12, "ame")]);
		expect(cues()).toEqual([]);
	});

	it("know what is shown on their word", () => {
		opened([{ id: "o", kind: "own", start: 6, end: null, parameters: { items: "c1 i2" }, look: false }]);
		expect(thingShownAt(editor, "a", 0)).toBe("");
		expect(thingShownAt(editor, "a", 11)).toBe("c1");
		editor.destroy();
		opened([{ id: "c", kind: "clip", start: 6, end: null, parameters: { items: "c3" }, look: false }]);
		expect(thingShownAt(editor, "a", 0)).toBe("c3");
	});
});

describe("the part of a picture that is seen", () => {
	it.each([
		[
			{ x: 0.5, y: 0.5, near: 1 },
			{ left: 0, top: 0, side: 1 },
		],
		[
			{ x: 0.5, y: 0.5, near: 2 },
			{ left: 0.25, top: 0.25, side: 0.5 },
		],
		[
			{ x: 1, y: 0, near: 4 },
			{ left: 0.75, top: 0, side: 0.25 },
		],
	])("keeps inside it: %o", (place, part) => expect(partAt(place)).toEqual(part));
});
