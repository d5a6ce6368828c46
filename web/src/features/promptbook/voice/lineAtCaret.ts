import type { Editor } from "@tiptap/core";
import type { Transaction } from "@tiptap/pm/state";
import { useEditorState } from "@tiptap/react";
import { asOneStep } from "../document/choosing";
import { CLIP } from "../document/clips";
import { type CueValues, changeCue, cuesOf, lineById, type PlacedCue, placeCue, removeCue } from "../document/cues";
import { newId } from "../document/document";
import { wordsOf } from "../document/words";

/** The line that holds the caret, and the cues that say how it is heard. */
export type CaretLine = {
	id: string;
	speaker: string;
	text: string;
	/** Its place: the scene's number and its number in the scene. */
	scene: number;
	number: number;
	/** The offset of the word at the caret, -1 for none. */
	caret: number;
	delivery: PlacedCue | null;
	recording: PlacedCue | null;
	/** What has it said in a clip. */
	clip: PlacedCue | null;
	pauses: PlacedCue[];
};

/** The line at the caret; the same object while nothing about it changes. */
export function useLineAtCaret(editor: Editor): CaretLine | null {
	return useEditorState({
		editor,
		selector: ({ editor: now }) => lineAtCaret(now),
		equalityFn: (a, b) => JSON.stringify(a) === JSON.stringify(b),
	});
}

function lineAtCaret(editor: Editor): CaretLine | null {
	const { $from } = editor.state.selection;
	const node = $from.parent;
	if (node.type.name !== "line" || !wordsOf(node.textContent).length) return null;
	const id = String(node.attrs.id);
	const mine = cuesOf(editor.state.doc).filter((cue) => cue.lineId === id);
	const scene = $from.node(1);
	let place = 0;
	let at = 0;
	scene?.forEach((block) => {
		if (block.type.name !== "line" || !wordsOf(block.textContent).length) return;
		place += 1;
		if (block.attrs.id === id) at = place;
	});
	const word = wordsOf(node.textContent).find((w) => $from.parentOffset <= w.to);
	return {
		id,
		speaker: String(node.attrs.speaker ?? ""),
		text: node.textContent,
		scene: $from.index(0) + 1,
		number: at,
		caret: word ? word.from : -1,
		delivery: mine.findLast((c) => c.kind === "delivery") ?? null,
		recording: mine.findLast((c) => c.kind === "recording") ?? null,
		clip: mine.find((c) => c.kind === CLIP) ?? null,
		pauses: mine.filter((c) => c.kind === "pause"),
	};
}

type LineCues = { delivery?: CueValues | null; recording?: CueValues | null };

/** Set, change or (null) take off the cues that hold for a whole line; one step to undo. */
export function setLineCues(editor: Editor, lineId: string, wanted: LineCues, field = ""): void {
	const { tr } = editor.state;
	putLineCues(tr, lineId, wanted);
	if (tr.docChanged) asOneStep(editor, tr, field);
}

/** Lines heard from their recordings, by line; one step to undo for all of them. */
export function setRecordings(editor: Editor, recordings: ReadonlyMap<string, string>): void {
	const { tr } = editor.state;
	for (const [lineId, recording] of recordings) {
		putLineCues(tr, lineId, { delivery: null, recording: { recording, borders: "" } });
	}
	if (tr.docChanged) asOneStep(editor, tr, "");
}

function putLineCues(tr: Transaction, lineId: string, wanted: LineCues): void {
	for (const kind of ["delivery", "recording"] as const) {
		const parameters = wanted[kind];
		if (parameters === undefined) continue;
		const now = cuesOf(tr.doc).findLast((cue) => cue.lineId === lineId && cue.kind === kind);
		const placed = lineById(tr.doc, lineId);
		const word = placed && wordsOf(placed.node.textContent)[0];
		if (parameters === null) {
			if (now) removeCue(tr, now.id);
		} else if (now) changeCue(tr, now, { parameters });
		else if (placed && word) {
			placeCue(tr, { id: newId(), kind, parameters }, placed.start + word.from, placed.start + word.to);
		}
	}
}

/** A pause of so many seconds before a word of a line; 0 takes it away. */
export function setPause(editor: Editor, lineId: string, offset: number, seconds: number): void {
	const { tr } = editor.state;
	const now = cuesOf(tr.doc).find((c) => c.lineId === lineId && c.kind === "pause" && c.offset === offset);
	const placed = lineById(tr.doc, lineId);
	const word = placed && wordsOf(placed.node.textContent).find((w) => w.from === offset);
	const parameters = { seconds: Math.round(Math.min(5, seconds) * 100) / 100 };
	if (seconds < 0.1) {
		if (now) removeCue(tr, now.id);
	} else if (now) changeCue(tr, now, { parameters });
	else if (placed && word) {
		placeCue(tr, { id: newId(), kind: "pause", parameters }, placed.start + word.from, placed.start + word.to);
	}
	if (tr.docChanged) asOneStep(editor, tr, `pause ${lineId} ${offset}`);
}
