import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { type CueValues, cuesInLine, lineById, placeCue } from "./cues";
import { newId } from "./document";
import { wordsOf } from "./words";

/** Words of a line: its id, and from which letter to which. */
export type OnTheseWords = { line: string; start: number; end: number };
/** A cue that could be taken for some words; with `stretch` it lasts as long as they do. */
export type SuggestedCue = OnTheseWords & { kind: string; parameters: CueValues; stretch: boolean };

/** Put suggested cues on their words: one step to undo. */
export function takeCues(editor: Editor, these: readonly SuggestedCue[]): void {
	const { tr } = editor.state;
	for (const { line, start, end, kind, parameters, stretch } of these) {
		const found = lineById(tr.doc, line);
		const words = wordsOf(found?.node.textContent ?? "").filter((word) => word.from >= start && word.to <= end);
		const [first, last] = [words[0], words.at(-1)];
		if (!found || !first || !last) continue;
		const cue = { id: newId(), kind, parameters, stretch: stretch && words.length > 1 };
		placeCue(tr, cue, found.start + first.from, found.start + last.to);
	}
	if (tr.docChanged) editor.view.dispatch(closeHistory(tr));
}

/** Whether a cue of these kinds is on some of the words already, or their line is gone. */
export function isTaken(editor: Editor, { line, start, end }: OnTheseWords, kinds: ReadonlySet<string>): boolean {
	const found = lineById(editor.state.doc, line);
	if (!found || end > found.node.textContent.length) return true;
	return cuesInLine(found.node).some((cue) => kinds.has(cue.kind) && cue.offset < end && cue.until > start);
}

/** Words as they are shown beside a suggestion. */
export function shortened(words: string): string {
	return words.length > 44 ? `${words.slice(0, 42).trimEnd()}…` : words;
}
