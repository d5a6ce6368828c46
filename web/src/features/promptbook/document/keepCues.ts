import type { Node as DocNode } from "@tiptap/pm/model";
import { Plugin, PluginKey, type Transaction } from "@tiptap/pm/state";
import { keepClips } from "./clips";
import { cueRunsIn, cuesOf, lineAt, lineById, placeCue, TAKEN_OFF } from "./cues";
import { newId } from "./document";
import { nearestWord } from "./words";

/**
 * A cue whose words are all gone moves to the nearest word that is left, marked for a look; a stretch loses only the
 * words that are gone; ids stay single.
 */
export function keepCues(): Plugin {
	return new Plugin({
		key: new PluginKey("keep cues"),
		appendTransaction: (transactions, before, after) => {
			if (!transactions.some((t) => t.docChanged)) return null;
			if (transactions.some((t) => t.getMeta("history$") || t.getMeta("preventUpdate"))) return null;
			const tr = after.tr;
			const off = new Set(transactions.flatMap((t) => (t.getMeta(TAKEN_OFF) as string[] | undefined) ?? []));
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
			keepClips(tr, before.doc);
			return tr.steps.length ? tr : null;
		},
	});
}

type Place = { from: number; to: number; look: boolean; stretch: boolean; line: number };

/** Where each cue lies: one place a run of text that carries it without a gap. */
function placesOf(doc: DocNode): Map<string, Place[]> {
	const places = new Map<string, Place[]>();
	doc.descendants((node, position) => {
		if (node.type.name !== "line") return node.type.name === "scene";
		const line = position + 1;
		for (const { id, attrs, from, to } of cueRunsIn(node)) {
			const place = { from: line + from, to: line + to, look: !!attrs.look, stretch: !!attrs.stretch, line };
			places.set(id, [...(places.get(id) ?? []), place]);
		}
		return false;
	});
	return places;
}

/**
 * Text copied with its cues gets cues of its own; a cue that moved away gives way to itself come back. Words put into a
 * stretch belong to it, and a stretch ends with its line where the line is split.
 */
function renameCopies(tr: Transaction): void {
	for (const [id, known] of placesOf(tr.doc)) {
		if (known.length < 2) continue;
		const kept = known.find((place) => !place.look) ?? (known[0] as Place);
		for (const place of known) {
			if (place === kept) continue;
			if (kept.stretch && place.line === kept.line) fill(tr, id, kept, place);
			else if (kept.stretch && isRestOf(tr.doc, kept, place)) eachMark(tr, place, id, () => null);
			else eachMark(tr, place, id, (attrs) => (place.look ? null : { ...attrs, id: newId() }));
		}
	}
}

/** Whether `place` begins the line after the one that `kept` ends: what a split leaves of a stretch. */
function isRestOf(doc: DocNode, kept: Place, place: Place): boolean {
	const before = doc.resolve(kept.to);
	return before.pos === before.end() && place.from === place.line && place.from === before.after() + 1;
}

function fill(tr: Transaction, id: string, kept: Place, place: Place): void {
	tr.doc.nodesBetween(kept.from, kept.to, (node) => {
		const mark = node.marks.find((m) => m.type.name === "cue" && m.attrs.id === id);
		if (mark) tr.addMark(Math.min(kept.from, place.from), Math.max(kept.to, place.to), mark);
		return !mark;
	});
}

function eachMark(
	tr: Transaction,
	place: Place,
	id: string,
	instead: (attrs: Record<string, unknown>) => Record<string, unknown> | null,
): void {
	tr.doc.nodesBetween(place.from, place.to, (node) => {
		for (const mark of node.marks) {
			if (mark.type.name !== "cue" || mark.attrs.id !== id) continue;
			const attrs = instead(mark.attrs);
			tr.removeMark(place.from, place.to, mark);
			if (attrs) tr.addMark(place.from, place.to, mark.type.create(attrs));
		}
	});
}
