import { getSchema } from "@tiptap/core";
import { EditorState, TextSelection } from "@tiptap/pm/state";
import { describe, expect, it } from "vitest";
import { asksFirst, foundKinds, meantChoices } from "./cueKinds";
import { layFlags } from "./cueLayout";
import { type CueKind, changeCue, cuesOf, removeCue, wordsAway } from "./cues";
import { documentToEditor, editorToDocument, type ProductionDocument } from "./document";
import { scriptExtensions } from "./extensions";
import { productionOf } from "./testing";
import { nearestWord, wordAt, wordsOf } from "./words";

const line = (id: string, text: string, cues: [string, number][] = []) => ({
	id,
	kind: "line" as const,
	speaker: "Maren",
	text,
	cues: cues.map(([kind, start], i) => ({ id: `${id}-${i}`, kind, start, parameters: {}, look: false })),
});

const script = (...blocks: ReturnType<typeof line>[]) => productionOf(["s", "The pier", blocks]);

function opened(written: ProductionDocument): EditorState {
	const extensions = scriptExtensions();
	const schema = getSchema(extensions);
	const plugins = extensions.flatMap((e) =>
		e.name === "cue" || e.name === "typing"
			? ((e.config.addProseMirrorPlugins as (() => never[]) | undefined)?.call({
					editor: null,
					options: {},
				} as never) ?? [])
			: [],
	);
	return EditorState.create({ doc: schema.nodeFromJSON(documentToEditor(written)), plugins });
}

const where = (state: EditorState) => cuesOf(state.doc).map((c) => [c.kind, c.word, c.look]);

describe("words", () => {
	it("are counted as the server counts them", () => {
		const text = "“Mind the step,” she said — twice. [waves] (5.99)";
		expect(wordsOf(text).map((w) => text.slice(w.from, w.to))).toEqual([
			"Mind",
			"the",
			"step",
			"she",
			"said",
			"twice",
			"5.99",
		]);
		expect(wordAt("a b", 9)).toEqual({ from: 2, to: 3 });
		expect(wordAt("…", 0)).toBeNull();
		expect(nearestWord("one two", 4)).toEqual({ from: 4, to: 7 });
	});
});

describe("cues on the page", () => {
	it("go to the editor and back unchanged, several on one word", () => {
		const written = script(
			line("a", "the far side of it.", [
				["nod", 4],
				["sad", 4],
				["wave", 16],
			]),
			line("b", "And on."),
		);
		const state = opened(written);
		expect(where(state)).toEqual([
			["nod", "far", false],
			["sad", "far", false],
			["wave", "it", false],
		]);
		expect(editorToDocument(state.doc, written)).toEqual(written);
	});

	it("stay with their word when words are written before it, and the line is split", () => {
		let state = opened(script(line("a", "the far side of it", [["nod", 4]])));
		const start = cuesOf(state.doc)[0]?.from ?? 0;
		state = state.apply(state.tr.insertText("very ", start));
		expect(where(state)).toEqual([["nod", "far", false]]);
		state = state.apply(state.tr.split(start));
		expect(where(state)).toEqual([["nod", "far", false]]);
		state = state.apply(state.tr.insertText("ther", (cuesOf(state.doc)[0]?.to ?? 0) - 1));
		expect(where(state)[0]?.[1]).toBe("fatherr");
	});

	it("move to the nearest word when theirs is deleted, and are taken off only on purpose", () => {
		const first = opened(script(line("a", "the far side", [["nod", 4]])));
		const cue = cuesOf(first.doc)[0];
		if (!cue) throw new Error("no cue");
		const cut = first.apply(first.tr.delete(cue.from, cue.to + 1));
		expect(where(cut)).toEqual([["nod", "side", true]]);
		expect(where(first.apply(removeCue(first.tr, cue.id)))).toEqual([]);
		const word = wordsAway(first.doc, cue, -1);
		if (!word) throw new Error("no word before");
		expect(where(first.apply(changeCue(first.tr, cue, {}, word)))).toEqual([["nod", "the", false]]);
		expect(wordsAway(first.doc, cue, 2)).toBeNull();
	});

	it("are their own when text is copied", () => {
		let state = opened(script(line("a", "the far side", [["nod", 4]]), line("b", "and")));
		const cue = cuesOf(state.doc)[0];
		if (!cue) throw new Error("no cue");
		const copied = state.doc.slice(cue.from, cue.to);
		const end = state.doc.content.size - 2;
		state = state.apply(state.tr.setSelection(TextSelection.create(state.doc, end)).replaceSelection(copied));
		const ids = cuesOf(state.doc).map((c) => c.id);
		expect(ids).toHaveLength(2);
		expect(new Set(ids).size).toBe(2);
	});
});

describe("flags", () => {
	it("read in the order of the words, their rules never cross", () => {
		const flags = layFlags(
			[
				{ id: "b", x: 200, y: 10 },
				{ id: "a", x: 20, y: 10 },
				{ id: "c", x: 5, y: 40 },
			],
			400,
		);
		expect(flags.map((f) => f.id)).toEqual(["a", "b", "c"]);
		const tops = flags.map((f) => f.top);
		expect(tops.every((top, i) => i === 0 || top - (tops[i - 1] ?? 0) >= 24)).toBe(true);
		const height = (rule: string) => Number(rule.match(/V([\d.]+)H/)?.[1]);
		expect(height(flags[0]?.rule ?? "")).toBeLessThan(height(flags[1]?.rule ?? ""));
	});

	it("asks at once for what is said, shown or looked at, and not for a hand or a size", () => {
		const kind = (...parameters: [type: string, choices: string[]][]) =>
			({ name: "", parameters: parameters.map(([type, choices]) => ({ kind: type, choices })) }) as unknown as CueKind;
		expect(asksFirst(kind(["number", []], ["choice", ["left", "right"]]))).toBe(false);
		expect(asksFirst(kind())).toBe(false);
		expect(asksFirst(kind(["number", []], ["text", []]))).toBe(true);
		expect(asksFirst(kind(["choice", ["fish", "boat", "gull"]]))).toBe(true);
	});

	it("takes a choice that was typed for the one that is meant", () => {
		const parameters = [
			{ name: "prop", choices: ["map", "book", "tide-table"] },
			{ name: "side", choices: ["left", "right"] },
		];
		const take = { name: "take", parameters } as unknown as CueKind;
		expect(meantChoices(take, "book")).toEqual({ prop: "book" });
		expect(meantChoices(take, "Take the tide table, left")).toEqual({ prop: "tide-table", side: "left" });
		expect(meantChoices(take, "bookmark")).toEqual({});
		expect(meantChoices(take, "")).toEqual({});
	});

	it("offers what is used most first, and finds by every word typed", () => {
		const kind = (name: string, group: string) =>
			({ name, label: name, group, also: "", family: "host", stretch: false, flag: "", parameters: [] }) as CueKind;
		const kinds = [
			kind("Nod", "Gesture"),
			kind("Point left", "Gesture"),
			kind("Point up", "Gesture"),
			kind("Sad", "Expression"),
		];
		expect(foundKinds(kinds, "", new Map([["Sad", 2]]))[0]?.name).toBe("Sad");
		expect(foundKinds(kinds, "s", new Map([["Nod", 5]]))[0]?.name).toBe("Sad");
		expect(foundKinds(kinds, "up gest", new Map()).map((k) => k.name)).toEqual(["Point up"]);
	});
});
