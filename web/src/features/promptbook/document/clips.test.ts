import { Editor } from "@tiptap/core";
import { splitBlock } from "@tiptap/pm/commands";
import { TextSelection } from "@tiptap/pm/state";
import { afterEach, describe, expect, it } from "vitest";
import { addClipScene, clipOf, tidyUp } from "./clips";
import { type Block, documentToEditor, editorToDocument } from "./document";
import { scriptExtensions } from "./extensions";
import { productionOf } from "./testing";

const BEFORE = productionOf();
const ITEM = "c0123456789abcde";
const TEXT = "Um, we we saw the old slipway.";

function said(id: string, text: string, begins: number): Block {
	const cue = { id: `cue-${id}`, kind: "clip", start: 0, parameters: { items: ITEM, begins }, look: false };
	return { id, kind: "line", speaker: "Ada", text, cues: [cue] };
}

function opened(...blocks: Block[]): Editor {
	editor = new Editor({
		extensions: scriptExtensions(),
		content: documentToEditor(productionOf(["s", "The visitors", blocks])),
	});
	return editor;
}

let editor: Editor;
afterEach(() => editor.destroy());

const linesOf = (editor: Editor) =>
	editorToDocument(editor.state.doc, BEFORE).script.scenes.flatMap((scene) =>
		scene.blocks.map((block) => ({
			text: block.text,
			clips: block.cues.map((cue) => ({ ...cue.parameters, look: cue.look })),
		})),
	);

const inText = (editor: Editor, text: string) => {
	let found = -1;
	editor.state.doc.descendants((node, position) => {
		if (found < 0 && node.isText && node.text?.includes(text)) found = position + node.text.indexOf(text);
	});
	return found;
};

describe("lines that are said in clips", () => {
	it("stay in their clip when their first word is cut, without asking for a look", () => {
		opened(said("a", TEXT, 2));
		const from = inText(editor, "Um");
		editor.view.dispatch(editor.state.tr.delete(from, from + 4));
		expect(linesOf(editor)).toEqual([
			{ text: "we we saw the old slipway.", clips: [{ items: ITEM, begins: 2, look: false }] },
		]);
		editor.commands.undo();
		expect(linesOf(editor)[0]).toEqual({ text: TEXT, clips: [{ items: ITEM, begins: 2, look: false }] });
	});

	it("go on in their clip where they are split, and are one again where they are joined", () => {
		opened(said("a", TEXT, 2));
		const at = inText(editor, "saw");
		editor.view.dispatch(editor.state.tr.setSelection(TextSelection.create(editor.state.doc, at)));
		splitBlock(editor.state, editor.view.dispatch);
		expect(linesOf(editor).map((line) => line.clips)).toEqual([
			[{ items: ITEM, begins: 2, look: false }],
			[{ items: ITEM, begins: 2, look: false }],
		]);
		const second = inText(editor, "saw");
		editor.view.dispatch(editor.state.tr.join(second - 1));
		expect(linesOf(editor)).toEqual([{ text: TEXT, clips: [{ items: ITEM, begins: 2, look: false }] }]);
	});

	it("are tidied in one step that can be undone; what has changed meanwhile stays", () => {
		opened(said("a", TEXT, 2));
		const cut = { line: "a", seconds: 0.3 } as const;
		tidyUp(editor, [
			{ ...cut, kind: "hesitation", start: 0, end: 4, text: "Um, " },
			{ ...cut, kind: "restart", start: 4, end: 7, text: "we " },
			{ ...cut, kind: "restart", start: 7, end: 10, text: "you" },
			{ ...cut, kind: "pause", start: 11, end: 11, text: "" },
		]);
		expect(linesOf(editor)).toEqual([
			{ text: "we saw the old slipway.", clips: [{ items: ITEM, begins: 2, pauses: "shortened", look: false }] },
		]);
		editor.commands.undo();
		expect(linesOf(editor)[0]?.text).toBe(TEXT);
	});

	it("come as a scene after the one at hand", () => {
		opened({ id: "a", kind: "line", speaker: "Maren", text: "What did you see?", cues: [] });
		addClipScene(editor, "s", "Ada", ITEM, [
			{ text: "The slipway.", begins: 0.4 },
			{ text: "And the clock.", begins: 3 },
		]);
		const { scenes } = editorToDocument(editor.state.doc, BEFORE).script;
		expect(scenes.map((scene) => scene.heading)).toEqual(["The visitors", "Ada"]);
		expect(scenes[1]?.blocks.map(({ speaker, text, cues }) => [speaker, text, cues[0]?.parameters])).toEqual([
			["Ada", "The slipway.", { items: ITEM, begins: 0.4 }],
			["Ada", "And the clock.", { items: ITEM, begins: 3 }],
		]);
		const last = editor.state.doc.lastChild?.lastChild;
		expect(last && clipOf(last)?.kind).toBe("clip");
		editor.commands.undo();
		expect(editorToDocument(editor.state.doc, BEFORE).script.scenes).toHaveLength(1);
	});
});
