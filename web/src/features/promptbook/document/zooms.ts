import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import type { Schemas } from "../../../shared/api/client";
import { itemsIn } from "../../../shared/shelf/items";
import { cuesInLine, lineById, placeCue, removeCue } from "./cues";
import { newId } from "./document";
import { wordsOf } from "./words";

export type ProposedZoom = Schemas["ProposedZoomOut"];

/** Kinds of cues: what goes to a place, and what shows things of the shelf. */
export const ZOOM = "zoom";
const OWN = "own";
const CLIP = "clip";

/** Put zooms on their words, in place of those that are there: one step to undo. */
export function takeZooms(editor: Editor, these: readonly ProposedZoom[]): void {
	const { tr } = editor.state;
	for (const { line, offset, near, x, y } of these) {
		const found = lineById(tr.doc, line);
		const word = wordsOf(found?.node.textContent ?? "").find((one) => one.from === offset);
		if (!found || !word) continue;
		for (const cue of cuesInLine(found.node)) if (cue.kind === ZOOM && cue.offset === offset) removeCue(tr, cue.id);
		const cue = { id: newId(), kind: ZOOM, parameters: { near, x, y } };
		placeCue(tr, cue, found.start + word.from, found.start + word.to);
	}
	if (tr.docChanged) editor.view.dispatch(closeHistory(tr));
}

/** Whether a zoom is on its word already, or the word is gone. */
export function isZoomed(editor: Editor, { line, offset, word }: ProposedZoom): boolean {
	const found = lineById(editor.state.doc, line);
	if (!found?.node.textContent.startsWith(word, offset)) return true;
	return cuesInLine(found.node).some((cue) => cue.kind === ZOOM && cue.offset === offset);
}

/** The thing of the shelf that is shown on a word of a line: the last that began by then; "" for none. */
export function thingShownAt(editor: Editor, lineId: string, offset: number): string {
	const found = lineById(editor.state.doc, lineId);
	const shown = found ? cuesInLine(found.node).filter((cue) => cue.kind === OWN || cue.kind === CLIP) : [];
	const last = shown.findLast((cue) => cue.kind === CLIP || cue.offset <= offset);
	return itemsIn(last?.parameters.items).at(0) ?? "";
}
