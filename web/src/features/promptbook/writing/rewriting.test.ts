import { type Editor, getSchema } from "@tiptap/core";
import { history, undo } from "@tiptap/pm/history";
import { EditorState } from "@tiptap/pm/state";
import { expect, test } from "vitest";
import { cuesOf } from "../document/cues";
import { documentToEditor, editorToDocument, type ProductionDocument } from "../document/document";
import { scriptExtensions } from "../document/extensions";
import { productionOf } from "../document/testing";
import { takeDirections } from "./DirectionCues";
import { fill } from "./OpenPlaces";
import { askInScene, type Reworked, rewrite, take } from "./rewriting";

const line = (id: string, text: string, cues: [string, number][] = []) => ({
	id,
	kind: "line" as const,
	speaker: "Maren",
	text,
	cues: cues.map(([kind, start], i) => ({ id: `${id}-${i}`, kind, start, parameters: {}, look: false })),
});
const direction = (id: string, text: string) => ({ id, kind: "direction" as const, speaker: "", text, cues: [] });

/** As much of an editor as changes of the script need, with its history. */
function editorOf(written: ProductionDocument) {
	const extensions = scriptExtensions();
	const plugins = extensions.flatMap((e) =>
		e.name === "cue"
			? ((e.config.addProseMirrorPlugins as (() => never[]) | undefined)?.call({
					editor: null,
					options: {},
				} as never) ?? [])
			: [],
	);
	const schema = getSchema(extensions);
	let state = EditorState.create({
		doc: schema.nodeFromJSON(documentToEditor(written)),
		plugins: [...plugins, history()],
	});
	const dispatch = (tr: Parameters<typeof state.apply>[0]) => {
		state = state.apply(tr);
	};
	const editor = {
		get state() {
			return state;
		},
		schema,
		view: { dispatch },
	} as unknown as Editor;
	const script = () => editorToDocument(state.doc, written).script;
	return {
		editor,
		undo: () => undo(state, dispatch),
		texts: () => script().scenes.map((scene) => scene.blocks.map((block) => block.text)),
		headings: () => script().scenes.map((scene) => scene.heading),
		cues: () => cuesOf(state.doc).map((cue) => [cue.kind, cue.word]),
	};
}

const reworked = (id: string, edits: Reworked["edits"]): Reworked => ({
	line: id,
	start: 0,
	end: 0,
	before: "",
	after: "",
	rules: [],
	seconds: 0,
	edits,
	cues: [],
	lost: [],
});

const BELL = "In fact, the old bell rings. It is loud.";

test("a tone brings its delivery to lines that have none, in the same step", () => {
	const lines = [line("a", "Do wait."), line("b", "Or not.", [["delivery", 3]]), line("c", "")];
	const written = productionOf(["s", "Quay", lines]);
	const { editor, cues, texts, undo } = editorOf(written);
	const said = { lines: ["a", "b", "c", "gone"], manner: "calm", pace: 0.95 };
	take(editor, [reworked("a", [{ start: 0, end: 2, text: "Please" }])], said);
	expect(texts()).toEqual([["Please wait.", "Or not.", ""]]);
	expect(cues()).toEqual([
		["delivery", "Please"],
		["delivery", "not"],
	]);
	expect(cuesOf(editor.state.doc)[0]?.parameters).toEqual({ manner: "calm", pace: 0.95 });
	undo();
	expect(cues()).toEqual([["delivery", "not"]]);
	expect(texts()[0]?.[0]).toBe("Do wait.");
});

test("taken sentences change their words; cues on words that stay stay, and all is one step to undo", () => {
	const book = editorOf(productionOf(["s", "The bell", [line("a", BELL, [["wave", 17]]), line("b", "Come and see.")]]));
	const fact = reworked("a", [{ start: 0, end: 12, text: "The" }]);
	const loud = reworked("a", [{ start: 29, end: 40, text: "" }]);
	take(book.editor, [fact, loud]);
	expect(book.texts()).toEqual([["The old bell rings.", "Come and see."]]);
	expect(book.cues()).toEqual([["wave", "bell"]]);
	book.undo();
	expect(book.texts()).toEqual([[BELL, "Come and see."]]);
});

test("a line without words goes, a scene without lines goes with it, the last block stays", () => {
	const book = editorOf(
		productionOf(
			["s", "One", [direction("d", "Wind."), line("a", "It rings.")]],
			["t", "Two", [line("b", "Go."), line("c", "Now.")]],
		),
	);
	const gone = (id: string, end: number) => reworked(id, [{ start: 0, end, text: "" }]);
	take(book.editor, [gone("b", 3)]);
	expect(book.texts()).toEqual([["Wind.", "It rings."], ["Now."]]);
	take(book.editor, [gone("a", 9)]);
	expect(book.headings()).toEqual(["Two"]);
	take(book.editor, [gone("c", 4)]);
	expect(book.texts()).toEqual([[""]]);
});

test("other scenes take the place of all, with what is chosen beside them, in one step", () => {
	const book = editorOf(productionOf(["s", "One", [line("a", "It rings.")]]));
	const other = productionOf(["n", "New", [line("x", "Look.")]]).script.scenes;
	rewrite(book.editor, other, { titles: false });
	expect(book.texts()).toEqual([["Look."]]);
	expect(book.editor.state.doc.attrs.choices).toMatchObject({ titles: false });
	book.undo();
	expect(book.texts()).toEqual([["It rings."]]);
	expect(book.editor.state.doc.attrs.choices).toMatchObject({ titles: true });
});

test("a question of the audience is a direction at the end of its scene", () => {
	const book = editorOf(productionOf(["s", "One", [line("a", "It rings.")]], ["t", "Two", [line("b", "Go.")]]));
	askInScene(book.editor, "s", "Asked: “why?”");
	expect(book.texts()).toEqual([["It rings.", "Asked: “why?”"], ["Go."]]);
});

test("an open place is filled wherever it stands, others stay open", () => {
	const book = editorOf(
		productionOf(["s", "One", [line("a", "Hello [name], on {day}. [name]!"), line("b", "[name].")]]),
	);
	fill(book.editor, new Map([["[name]", "Ines"]]));
	expect(book.texts()).toEqual([["Hello Ines, on {day}. Ines!", "Ines."]]);
	book.undo();
	expect(book.texts()[0]?.[1]).toBe("[name].");
});

test("directions become cues on the words they stood before, in blocks of their own and inside a line", () => {
	const book = editorOf(
		productionOf(["s", "One", [direction("d", "Maren waves"), line("a", "Good day. [points left] The boats.")]]),
	);
	const meant = { text: "", line: "a", parameters: {}, label: "" };
	takeDirections(book.editor, [
		{ ...meant, block: "d", kind: "wave", offset: 0, start: 0, end: 0 },
		{ ...meant, block: "a", kind: "point-left", offset: 24, start: 10, end: 23 },
	]);
	expect(book.texts()).toEqual([["Good day. The boats."]]);
	expect(book.cues()).toEqual([
		["wave", "Good"],
		["point-left", "The"],
	]);
	book.undo();
	expect(book.texts()).toEqual([["Maren waves", "Good day. [points left] The boats."]]);
});
