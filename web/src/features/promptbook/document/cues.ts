import type { Node as DocNode } from "@tiptap/pm/model";
import type { EditorState, Transaction } from "@tiptap/pm/state";
import type { Schemas } from "../../../shared/api/client";
import { wordAt, wordsOf } from "./words";

export type CueKind = Schemas["CueKindOut"];
export type CueValues = Record<string, number | string>;

/**
 * A cue where it stands in the editor: `from` and `to` are the document positions of its word, or of all words of its
 * stretch; `end` is where the last word of a stretch begins in its line, null for a cue on a single word.
 */
export type PlacedCue = {
	id: string;
	kind: string;
	parameters: CueValues;
	look: boolean;
	from: number;
	to: number;
	lineId: string;
	offset: number;
	end: number | null;
	/** All that is said there. */
	said: string;
	/** The same in short: a word, or the first and last of a stretch. */
	word: string;
};

/** A cue where it stands in its line. */
export type LineCue = Omit<PlacedCue, "from" | "to" | "lineId"> & { until: number };

/** A piece of a line's text that carries a cue's mark without a gap, from its line's begin. */
type CueRun = { id: string; attrs: Record<string, unknown>; from: number; to: number };

// Nodes never change: what was once found in a line holds for as long as it lives, and a keystroke costs its own line.
const cuesKnown = new WeakMap<DocNode, readonly LineCue[]>();
const runsKnown = new WeakMap<DocNode, readonly CueRun[]>();

/** The runs of all cues of a line, in the order of its text. */
export function cueRunsIn(line: DocNode): readonly CueRun[] {
	let runs = runsKnown.get(line);
	if (!runs) {
		const found: CueRun[] = [];
		line.forEach((child, offset) => {
			for (const mark of child.marks) {
				if (mark.type.name !== "cue") continue;
				const id = String(mark.attrs.id);
				const last = found.findLast((run) => run.id === id);
				if (last?.to === offset) last.to += child.nodeSize;
				else found.push({ id, attrs: mark.attrs, from: offset, to: offset + child.nodeSize });
			}
		});
		runs = found;
		runsKnown.set(line, runs);
	}
	return runs;
}

/** The cues of a line, each from its first word to its last. */
export function cuesInLine(line: DocNode): readonly LineCue[] {
	let cues = cuesKnown.get(line);
	if (!cues) {
		const reach = new Map<string, CueRun>();
		for (const run of cueRunsIn(line)) {
			const known = reach.get(run.id);
			reach.set(run.id, known ? { ...known, to: run.to } : run);
		}
		cues = [...reach.values()].map(({ id, attrs, from, to }) => lineCue(line.textContent, id, attrs, from, to));
		cuesKnown.set(line, cues);
	}
	return cues;
}

function lineCue(text: string, id: string, attrs: Record<string, unknown>, from: number, to: number): LineCue {
	const first = wordAt(text, from) ?? { from, to };
	const last = attrs.stretch ? (lastWordIn(text, first.from, to) ?? first) : first;
	const said = text.slice(first.from, first.to);
	return {
		id,
		kind: String(attrs.kind),
		parameters: attrs.parameters as CueValues,
		look: Boolean(attrs.look),
		offset: first.from,
		until: last.to,
		end: attrs.stretch ? last.from : null,
		said: text.slice(first.from, last.to),
		word: last.from > first.from ? `${said} … ${text.slice(last.from, last.to)}` : said,
	};
}

/** The last word that begins from `from` on and before `to`. */
function lastWordIn(text: string, from: number, to: number): { from: number; to: number } | null {
	return wordsOf(text).findLast((word) => word.from >= from && word.from < to) ?? null;
}

/** All cues, in the order of the script. */
export function cuesOf(doc: DocNode): PlacedCue[] {
	const found = new Map<string, PlacedCue>();
	doc.descendants((node, position) => {
		if (node.type.name !== "line") return node.type.name === "scene";
		const start = position + 1;
		for (const { until, ...cue } of cuesInLine(node)) {
			if (found.has(cue.id)) continue;
			found.set(cue.id, { ...cue, from: start + cue.offset, to: start + until, lineId: String(node.attrs.id) });
		}
		return false;
	});
	return [...found.values()].sort((a, b) => a.from - b.from);
}

/** The line at a document position: its node and where its text begins. */
export function lineAt(doc: DocNode, position: number): { node: DocNode; start: number } | null {
	const $at = doc.resolve(Math.max(0, Math.min(position, doc.content.size)));
	for (let depth = $at.depth; depth > 0; depth -= 1) {
		if ($at.node(depth).type.name === "line") return { node: $at.node(depth), start: $at.start(depth) };
	}
	return null;
}

/** Where a line's text begins, by the line's id. */
export function lineById(doc: DocNode, id: string): { node: DocNode; start: number } | null {
	let found: { node: DocNode; start: number } | null = null;
	doc.descendants((node, position) => {
		if (node.type.name === "line" && node.attrs.id === id) found = { node, start: position + 1 };
		return !found && node.type.name === "scene";
	});
	return found;
}

/** A cue of this kind on the word at an offset of a line; null when the line or its word is gone. */
export function placeCueAt(
	state: EditorState,
	{ lineId, offset }: { lineId: string; offset: number },
	cue: { id: string; kind: string; parameters: CueValues },
): Transaction | null {
	const line = lineById(state.doc, lineId);
	const word = line && wordsOf(line.node.textContent).find((w) => w.from === offset);
	return line && word ? placeCue(state.tr, cue, line.start + word.from, line.start + word.to) : null;
}

/** All lines with where their text begins, by id. */
export function linesById(doc: DocNode): Map<string, { node: DocNode; start: number }> {
	const lines = new Map<string, { node: DocNode; start: number }>();
	doc.descendants((node, position) => {
		if (node.type.name === "line") lines.set(String(node.attrs.id), { node, start: position + 1 });
		return node.type.name === "scene";
	});
	return lines;
}

/** The word at the caret or the first of the selection: what a new cue lands on. */
export function wordAtCaret(state: EditorState): { from: number; to: number; text: string; lineId: string } | null {
	const line = lineAt(state.doc, state.selection.from);
	if (!line) return null;
	const word = wordAt(line.node.textContent, state.selection.from - line.start);
	if (!word) return null;
	const text = line.node.textContent.slice(word.from, word.to);
	return { from: line.start + word.from, to: line.start + word.to, text, lineId: String(line.node.attrs.id) };
}

/** The words of the selection within its first line, or the one at the caret. */
export function selectedWords(state: EditorState): { from: number; to: number }[] {
	const line = lineAt(state.doc, state.selection.from);
	const first = wordAtCaret(state);
	if (!line || !first) return [];
	const words = wordsOf(line.node.textContent)
		.map((word) => ({ from: line.start + word.from, to: line.start + word.to }))
		.filter((word) => word.from >= first.from && word.from < state.selection.to);
	return words.length ? words : [first];
}

export type CueValuesOf = {
	id: string;
	kind: string;
	parameters: CueValues;
	look?: boolean;
	/** Whether it lasts over all words it is put on. */
	stretch?: boolean;
};

/** Put a cue on the words from `from` to `to`. */
export function placeCue(tr: Transaction, cue: CueValuesOf, from: number, to: number): Transaction {
	const mark = tr.doc.type.schema.marks.cue;
	if (!mark) return tr;
	const { id, kind, parameters, look = false, stretch = false } = cue;
	return tr.addMark(from, to, mark.create({ id, kind, parameters, look, stretch }));
}

/** The ids of cues that a transaction takes off for good. */
export const TAKEN_OFF = "cues taken off";

/** Take a cue off, for good. */
export function removeCue(tr: Transaction, id: string): Transaction {
	tr.setMeta(TAKEN_OFF, [...((tr.getMeta(TAKEN_OFF) as string[] | undefined) ?? []), id]);
	tr.doc.descendants((node, position) => {
		for (const mark of node.marks) {
			if (mark.type.name === "cue" && mark.attrs.id === id) tr.removeMark(position, position + node.nodeSize, mark);
		}
		return true;
	});
	return tr;
}

/** The same cue with other settings, or on another word. */
export function changeCue(
	tr: Transaction,
	cue: PlacedCue,
	change: Partial<CueValuesOf>,
	at = { from: cue.from, to: cue.to },
): Transaction {
	const { id, kind, parameters, stretch } = { stretch: cue.end !== null, ...cue, ...change };
	return placeCue(removeCue(tr, cue.id), { id, kind, parameters, stretch }, at.from, at.to);
}

type Words = { from: number; to: number };

/**
 * Where a cue lies `steps` words further on: on a word of its scene, across its lines; a stretch keeps its number of
 * words and stays in its line. Null where there is no such place.
 */
export function wordsAway(doc: DocNode, cue: PlacedCue, steps: number): Words | null {
	if (cue.end !== null) {
		const { words, first, last } = stretchIn(doc, cue);
		const [start, end] = [words[first + steps], words[last + steps]];
		return start && end ? { from: start.from, to: end.to } : null;
	}
	const words: Words[] = [];
	const scene = doc.resolve(cue.from).node(1);
	const sceneStart = doc.resolve(cue.from).start(1);
	scene.forEach((node, offset) => {
		if (node.type.name !== "line") return;
		for (const word of wordsOf(node.textContent)) {
			const start = sceneStart + offset + 1;
			words.push({ from: start + word.from, to: start + word.to });
		}
	});
	const now = words.findIndex((word) => word.from === cue.from);
	return words[now + steps] ?? null;
}

/** The words of a cue's line, as document positions, and which of them it begins and ends with. */
export function stretchIn(doc: DocNode, cue: PlacedCue): { words: Words[]; first: number; last: number } {
	const line = lineAt(doc, cue.from);
	const words = line
		? wordsOf(line.node.textContent).map(({ from, to }) => ({ from: line.start + from, to: line.start + to }))
		: [];
	const first = words.findIndex((word) => word.from === cue.from);
	return { words, first, last: words.findIndex((word) => word.to === cue.to) };
}

/** The cue with its first or its last word `steps` words further on; null where there is no such word. */
export function withEnd(doc: DocNode, cue: PlacedCue, which: "from" | "to", steps: number): Words | null {
	const { words, first, last } = stretchIn(doc, cue);
	const [start, end] = which === "from" ? [first + steps, last] : [first, last + steps];
	const [from, to] = [words[start], words[end]];
	return from && to && start <= end ? { from: from.from, to: to.to } : null;
}
