import { getSchema } from "@tiptap/core";
import { EditorState, TextSelection } from "@tiptap/pm/state";
import { describe, expect, it } from "vitest";
import { cornersPath } from "./cueLayout";
import { changeCue, cuesOf, type PlacedCue, placeCue, selectedWords, stretchIn, withEnd, wordsAway } from "./cues";
import { type Block, documentToEditor, editorToDocument, type ProductionDocument } from "./document";
import { scriptExtensions } from "./extensions";
import { productionOf } from "./testing";

const TEXT = "The sea goes out and the boats sit down.";
const at = (word: string) => TEXT.indexOf(word);
type Lasting = [kind: string, first: string, last: string | null];

function line(...cues: Lasting[]): Block {
	return {
		id: "a",
		kind: "line",
		speaker: "Maren",
		text: TEXT,
		cues: cues.map(([kind, first, last], i) => ({
			id: `c${i}`,
			kind,
			start: at(first),
			parameters: {},
			look: false,
			...(last === null ? {} : { end: at(last) }),
		})),
	};
}

function opened(written: ProductionDocument): EditorState {
	const extensions = scriptExtensions();
	const plugins = extensions.flatMap((e) =>
		e.name === "cue" ? ((e.config.addProseMirrorPlugins as (() => never[]) | undefined)?.call({} as never) ?? []) : [],
	);
	return EditorState.create({ doc: getSchema(extensions).nodeFromJSON(documentToEditor(written)), plugins });
}

const of = (...cues: Lasting[]) => opened(productionOf(["s", "The pier", [line(...cues)]]));
const words = (state: EditorState) => cuesOf(state.doc).map((cue) => state.doc.textBetween(cue.from, cue.to));
const only = (state: EditorState): PlacedCue => {
	const [cue] = cuesOf(state.doc);
	if (!cue) throw new Error("no cue");
	return cue;
};
const place = (state: EditorState, word: string) => {
	let found = -1;
	state.doc.descendants((node, position) => {
		if (found < 0 && node.isText && node.text?.includes(word)) found = position + node.text.indexOf(word);
	});
	if (found < 0) throw new Error(`no ${word}`);
	return found;
};

describe("stretches in the document", () => {
	it.each<[string, Lasting[]]>([
		["one", [["picture", "sea", "out"]]],
		["over one word", [["picture", "sea", "sea"]]],
		[
			"beside cues on single words",
			[
				["wave", "The", null],
				["picture", "sea", "out"],
				["nod", "boats", null],
			],
		],
		[
			"inside another",
			[
				["picture", "The", "boats"],
				["emphasis", "goes", "out"],
			],
		],
		[
			"crossing",
			[
				["picture", "The", "out"],
				["close-up", "goes", "boats"],
			],
		],
		["to the last word", [["picture", "sit", "down"]]],
	])("go to the editor and back: %s", (_, cues) => {
		const written = productionOf(["s", "The pier", [line(...cues)]]);
		expect(editorToDocument(opened(written).doc, written)).toEqual(written);
	});

	it("lie on all their words, and say the first and the last", () => {
		const cue = only(of(["picture", "sea", "out"]));
		expect(cue.word).toBe("sea … out");
		expect(cue.end).toBe(at("out"));
		expect(only(of(["wave", "sea", null])).end).toBeNull();
	});
});

describe("stretches while the text is written", () => {
	it("lose the words that are cut, and only those", () => {
		let state = of(["picture", "goes", "boats"]);
		state = state.apply(state.tr.delete(place(state, "goes"), place(state, "and")));
		expect(words(state)).toEqual(["and the boats"]);
		state = state.apply(state.tr.delete(place(state, "the boats"), place(state, "sit")));
		expect(words(state)).toEqual(["and"]);
		expect(only(state).look).toBe(false);
	});

	it("are marked once all of their words are gone, and put aside to the nearest", () => {
		let state = of(["picture", "goes", "out"]);
		state = state.apply(state.tr.delete(place(state, "goes"), place(state, "and")));
		expect(words(state)).toEqual(["and"]);
		expect(only(state)).toMatchObject({ look: true, end: null });
	});

	it("take in words that are typed inside", () => {
		let state = of(["picture", "goes", "out"]);
		state = state.apply(state.tr.insertText("slowly ", place(state, "out")));
		expect(words(state)).toEqual(["goes slowly out"]);
	});

	it("take in plain words that are pasted inside", () => {
		let state = of(["picture", "goes", "out"]);
		const from = place(state, "out");
		state = state.apply(state.tr.insert(from, state.schema.text("far ")));
		expect(words(state)).toEqual(["goes far out"]);
		expect(cuesOf(state.doc)).toHaveLength(1);
	});

	it("do not take in words before and after", () => {
		let state = of(["picture", "goes", "out"]);
		state = state.apply(state.tr.insertText("now ", place(state, "and")));
		state = state.apply(state.tr.insertText("always ", place(state, "goes")));
		expect(words(state)[0]).toMatch(/^(always )?goes out$/);
		expect(words(state)[0]).not.toContain("now");
	});

	it("end with their line when it is split", () => {
		let state = of(["picture", "goes", "boats"]);
		state = state.apply(state.tr.split(place(state, "and")));
		expect(words(state)).toEqual(["goes out"]);
	});

	it("become two when their words are copied", () => {
		let state = of(["picture", "goes", "out"]);
		const cue = only(state);
		const copied = state.doc.slice(cue.from, cue.to);
		const end = place(state, "down") + 4;
		state = state.apply(state.tr.setSelection(TextSelection.create(state.doc, end)).replaceSelection(copied));
		const ids = cuesOf(state.doc).map((c) => c.id);
		expect(new Set(ids).size).toBe(ids.length);
	});
});

describe("the ends of a stretch", () => {
	it("go from word to word, and never past each other", () => {
		const state = of(["picture", "goes", "out"]);
		const cue = only(state);
		const said = (to: { from: number; to: number } | null) => to && state.doc.textBetween(to.from, to.to);
		expect(said(withEnd(state.doc, cue, "to", 1))).toBe("goes out and");
		expect(said(withEnd(state.doc, cue, "from", -1))).toBe("sea goes out");
		expect(said(withEnd(state.doc, cue, "to", -1))).toBe("goes");
		expect(withEnd(state.doc, cue, "to", -2)).toBeNull();
		expect(withEnd(state.doc, cue, "from", 2)).toBeNull();
		expect(withEnd(state.doc, cue, "to", 99)).toBeNull();
		expect(stretchIn(state.doc, cue)).toMatchObject({ first: 2, last: 3 });
	});

	it("move together when the whole is moved, as far as the line goes", () => {
		const state = of(["picture", "goes", "out"]);
		const cue = only(state);
		const moved = wordsAway(state.doc, cue, 2);
		expect(moved && state.doc.textBetween(moved.from, moved.to)).toBe("and the");
		expect(wordsAway(state.doc, cue, -3)).toBeNull();
		expect(wordsAway(state.doc, cue, 6)).toBeNull();
	});

	it("change the cue, which stays itself", () => {
		let state = of(["picture", "goes", "out"]);
		const cue = only(state);
		const wider = withEnd(state.doc, cue, "to", 3);
		if (!wider) throw new Error("no place");
		state = state.apply(changeCue(state.tr, cue, {}, wider));
		expect(words(state)).toEqual(["goes out and the boats"]);
		expect(only(state)).toMatchObject({ id: cue.id, end: at("boats"), look: false });
		state = state.apply(changeCue(state.tr, only(state), { stretch: false }, { from: cue.from, to: cue.from + 4 }));
		expect(only(state)).toMatchObject({ end: null, word: "goes" });
	});
});

describe("what is selected", () => {
	it("is the words touched, all in one line", () => {
		let state = of();
		const select = (from: number, to: number) =>
			state.apply(state.tr.setSelection(TextSelection.create(state.doc, from, to)));
		state = select(place(state, "sea") + 1, place(state, "out") + 1);
		const said = selectedWords(state).map((w) => state.doc.textBetween(w.from, w.to));
		expect(said).toEqual(["sea", "goes", "out"]);
		state = select(place(state, "sea"), place(state, "sea"));
		expect(selectedWords(state)).toHaveLength(1);
	});

	it("can carry a new stretch", () => {
		let state = of();
		const [from, to] = [place(state, "boats"), place(state, "down") + 4];
		const cue = { id: "new", kind: "picture", parameters: { shows: "boat" }, stretch: true };
		state = state.apply(placeCue(state.tr, cue, from, to));
		expect(only(state)).toMatchObject({ word: "boats … down", end: at("down"), parameters: { shows: "boat" } });
	});
});

describe("corners", () => {
	it("stand at the upper left and the lower right", () => {
		const path = cornersPath({ id: "c", left: 10, top: 20, right: 110, bottom: 50 });
		const numbers = [...path.matchAll(/-?\d+/g)].map(Number);
		expect(Math.min(...numbers)).toBe(8);
		expect(Math.max(...numbers)).toBe(112);
		expect(path.match(/M/g)).toHaveLength(2);
	});
});
