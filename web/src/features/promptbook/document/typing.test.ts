import { Editor } from "@tiptap/core";
import { afterEach, describe, expect, it } from "vitest";
import { documentToEditor, editorToDocument } from "./document";
import { scriptExtensions } from "./extensions";
import { productionOf } from "./testing";
import { rowsToBlocks } from "./typing";

const before = productionOf([
	"s1",
	"One",
	[{ id: "l1", kind: "line", text: "Hello there.", speaker: "MAREN", cues: [] }],
]);

let editor: Editor;
function open(): Editor {
	editor = new Editor({ extensions: scriptExtensions(), content: documentToEditor(before) });
	return editor;
}
afterEach(() => editor.destroy());

const now = () => editorToDocument(editor.state.doc, before).script;
const texts = () => now().scenes.map((s) => s.blocks.map((b) => b.text));

describe("writing", () => {
	it("splits a line in two of the same speaker, each with its own id", () => {
		open().commands.setTextSelection(editor.state.doc.content.size - 2 - " there.".length);
		editor.commands.keyboardShortcut("Enter");
		expect(texts()).toEqual([["Hello", " there."]]);
		const [first, second] = now().scenes[0]?.blocks ?? [];
		expect([first?.speaker, second?.speaker]).toEqual(["MAREN", "MAREN"]);
		expect(first?.id).not.toBe(second?.id);
		expect([first?.id, second?.id]).toContain("l1");
	});

	it("leaves the selected words unsaid, and says them again", () => {
		open();
		const end = editor.state.doc.content.size - 2;
		editor.commands.setTextSelection({ from: end - "there.".length - 1, to: end });
		editor.commands.toggleSpoken();
		expect(texts()).toEqual([["Hello [[there.]]"]]);
		editor.commands.toggleSpoken();
		expect(texts()).toEqual([["Hello there."]]);
		expect(now().scenes[0]?.blocks[0]?.kind).toBe("line");
	});

	it("makes a direction of a line that is selected whole, or not at all", () => {
		for (const whole of [true, false]) {
			open();
			const end = editor.state.doc.content.size - 2;
			editor.commands.setTextSelection(whole ? { from: end - "Hello there.".length, to: end } : end);
			editor.commands.toggleSpoken();
			expect(now().scenes[0]?.blocks[0]?.kind).toBe("direction");
			editor.destroy();
		}
		open();
	});

	it("makes lines, speakers and directions of pasted rows", () => {
		open();
		const blocks = rowsToBlocks("SKERRY: Dry feet.\n(waves)\n[bell]\n\nAs ever.", editor.schema, "MAREN");
		expect(blocks.map((b) => [b.type.name, b.attrs.speaker ?? "", b.textContent])).toEqual([
			["line", "SKERRY", "Dry feet."],
			["direction", "", "waves"],
			["direction", "", "bell"],
			["line", "SKERRY", "As ever."],
		]);
	});
});
