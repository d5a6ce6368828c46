import { Mark } from "@tiptap/core";
import type { Node as DocNode } from "@tiptap/pm/model";
import { type EditorState, Plugin, PluginKey, type Transaction } from "@tiptap/pm/state";
import type { Schemas } from "../../../shared/api/client";
import { newId } from "../document";
import { nearestWord, wordAt, wordsOf } from "./words";

export type CueKind = Schemas["CueKindOut"];
export type CueValues = Record<string, number | string>;

/** A cue where it stands in the editor: `from` and `to` are the document positions of its word. */
export type PlacedCue = {
	id: string;
	kind: string;
	parameters: CueValues;
	look: boolean;
	from: number;
	to: number;
	lineId: string;
	offset: number;
	word: string;
};

/** A cue lies on its word as a mark: it goes wherever the word goes. */
export const CueMark = Mark.create({
	name: "cue",
	excludes: "",
	inclusive: false,
	addAttributes: () => ({
		id: { default: "", renderHTML: (a) => ({ "data-cue": a.id }), parseHTML: (e) => e.getAttribute("data-cue") },
		kind: { default: "", renderHTML: (a) => ({ "data-kind": a.kind }), parseHTML: (e) => e.getAttribute("data-kind") },
		parameters: {
			default: {} as CueValues,
			renderHTML: (a) => ({ "data-parameters": JSON.stringify(a.parameters) }),
			parseHTML: (e) => JSON.parse(e.getAttribute("data-parameters") || "{}") as CueValues,
		},
		look: {
			default: false,
			renderHTML: (a) => (a.look ? { "data-look": "" } : {}),
			parseHTML: (e) => e.hasAttribute("data-look"),
		},
	}),
	parseHTML: () => [{ tag: "span[data-cue]" }],
	renderHTML: ({ HTMLAttributes }) => ["span", { ...HTMLAttributes, class: "cue" }, 0],
	addProseMirrorPlugins: () => [keepCues()],
});

/** A cue where it stands in its line. */
type LineCue = Omit<PlacedCue, "from" | "to" | "lineId"> & { until: number };
const cuesKnown = new WeakMap<DocNode, readonly LineCue[]>();

function cuesInLine(line: DocNode): readonly LineCue[] {
	let cues = cuesKnown.get(line);
	if (!cues) {
		const text = line.textContent;
		const found = new Map<string, LineCue>();
		line.forEach((child, offset) => {
			for (const mark of child.marks) {
				if (mark.type.name !== "cue" || found.has(mark.attrs.id)) continue;
				const { id, kind, parameters, look } = mark.attrs;
				const word = wordAt(text, offset) ?? { from: offset, to: offset + child.nodeSize };
				const said = text.slice(word.from, word.to);
				found.set(id, { id, kind, parameters, look, offset: word.from, until: word.to, word: said });
			}
		});
		cues = [...found.values()];
		cuesKnown.set(line, cues);
	}
	return cues;
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
function lineAt(doc: DocNode, position: number): { node: DocNode; start: number } | null {
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

/** The words of the selection within its first line, or the one at the caret; no more than `most`. */
export function selectedWords(state: EditorState, most: number): { from: number; to: number }[] {
	const line = lineAt(state.doc, state.selection.from);
	const first = wordAtCaret(state);
	if (!line || !first) return [];
	const words = wordsOf(line.node.textContent)
		.map((word) => ({ from: line.start + word.from, to: line.start + word.to }))
		.filter((word) => word.from >= first.from && word.from < state.selection.to);
	return (words.length ? words : [first]).slice(0, most);
}

type CueValuesOf = { id: string; kind: string; parameters: CueValues; look?: boolean };

/** Put a cue on the word from `from` to `to`. */
export function placeCue(tr: Transaction, cue: CueValuesOf, from: number, to: number): Transaction {
	const mark = tr.doc.type.schema.marks.cue;
	return mark ? tr.addMark(from, to, mark.create({ look: false, ...cue })) : tr;
}

/** Take a cue off, for good. */
export function removeCue(tr: Transaction, id: string): Transaction {
	tr.setMeta(taken, [...((tr.getMeta(taken) as string[] | undefined) ?? []), id]);
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
	const { id, kind, parameters } = { ...cue, ...change };
	return placeCue(removeCue(tr, cue.id), { id, kind, parameters, look: false }, at.from, at.to);
}

/** The word `steps` further on in the cue's scene, across its lines. */
export function wordsAway(doc: DocNode, cue: PlacedCue, steps: number): { from: number; to: number } | null {
	const words: { from: number; to: number }[] = [];
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

const taken = new PluginKey("cues taken off");

/** A cue whose word is gone moves to the nearest word that is left, marked for a look; ids stay single. */
function keepCues(): Plugin {
	return new Plugin({
		key: new PluginKey("keep cues"),
		appendTransaction: (transactions, before, after) => {
			if (!transactions.some((t) => t.docChanged)) return null;
			if (transactions.some((t) => t.getMeta("history$") || t.getMeta("preventUpdate"))) return null;
			const tr = after.tr;
			const off = new Set(transactions.flatMap((t) => (t.getMeta(taken) as string[] | undefined) ?? []));
			const old = cuesOf(before.doc);
			const now = new Set(cuesOf(after.doc).map((cue) => cue.id));
			for (const cue of old) {
				if (now.has(cue.id) || off.has(cue.id)) continue;
				let position = cue.from;
				for (const transaction of transactions) position = transaction.mapping.map(position);
				const line = lineById(after.doc, cue.lineId) ?? lineAt(after.doc, position);
				const word = line && nearestWord(line.node.textContent, Math.max(0, position - line.start));
				if (line && word) placeCue(tr, { ...cue, look: true }, line.start + word.from, line.start + word.to);
			}
			renameCopies(tr);
			return tr.steps.length ? tr : null;
		},
	});
}

/** Text copied with its cues gets cues of its own; a cue that moved away gives way to itself come back. */
function renameCopies(tr: Transaction): void {
	const places = new Map<string, { from: number; to: number; look: boolean }[]>();
	tr.doc.descendants((node, position) => {
		for (const mark of node.marks) {
			if (mark.type.name !== "cue") continue;
			const known = places.get(mark.attrs.id) ?? [];
			const last = known.at(-1);
			if (last && last.to === position) last.to = position + node.nodeSize;
			else known.push({ from: position, to: position + node.nodeSize, look: mark.attrs.look });
			places.set(mark.attrs.id, known);
		}
		return true;
	});
	for (const [id, known] of places) {
		if (known.length < 2) continue;
		const kept = known.find((place) => !place.look) ?? known[0];
		for (const place of known) {
			if (place === kept) continue;
			tr.doc.nodesBetween(place.from, place.to, (node) => {
				for (const mark of node.marks) {
					if (mark.type.name !== "cue" || mark.attrs.id !== id) continue;
					tr.removeMark(place.from, place.to, mark);
					if (!place.look) tr.addMark(place.from, place.to, mark.type.create({ ...mark.attrs, id: newId() }));
				}
			});
		}
	}
}
