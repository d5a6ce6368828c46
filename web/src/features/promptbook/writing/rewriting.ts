import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { type Node as DocNode, Fragment } from "@tiptap/pm/model";
import type { Transaction } from "@tiptap/pm/state";
import type { Schemas } from "../../../shared/api/client";
import { type CueValues, cuesInLine, lineById, placeCue } from "../document/cues";
import { type Choices, newId, type Scene, sceneToNode } from "../document/document";
import { wordsOf } from "../document/words";

export type Reworked = Schemas["ReworkedOut"];

/** How lines are said from now on. */
export type SaidSo = { lines: readonly string[]; manner: string; pace: number };

/** Other scenes in place of all that are there, and what is chosen with them: one step to undo. */
export function rewrite(editor: Editor, scenes: readonly Scene[], part: Partial<Choices> = {}): void {
	const nodes = scenes.map((scene) => editor.schema.nodeFromJSON(sceneToNode(scene)));
	const { tr } = editor.state;
	tr.replaceWith(0, tr.doc.content.size, nodes);
	tr.setDocAttribute("choices", { ...(tr.doc.attrs.choices as Choices), ...part });
	editor.view.dispatch(closeHistory(tr));
}

/**
 * Make the edits of some sentences of a rework: one step to undo. Words that stay keep their cues; a line without words
 * goes, and a scene whose lines are all gone goes with it. The lines `said` get the delivery, where they have none.
 */
export function take(editor: Editor, sentences: readonly Reworked[], delivery?: SaidSo): void {
	const { tr } = editor.state;
	const edits = sentences.flatMap(({ line, edits }) => edits.map((edit) => ({ line, ...edit })));
	for (const { line, start, end, text } of edits.sort((a, b) => b.start - a.start)) {
		const found = lineById(tr.doc, line);
		if (!found) continue;
		const [from, to] = [found.start + start, Math.min(found.start + end, found.start + found.node.content.size)];
		if (text) tr.replaceWith(from, to, editor.schema.text(text));
		else tr.delete(from, to);
	}
	for (const line of new Set(edits.map((edit) => edit.line))) tidy(tr.doc, line, (from, to) => tr.delete(from, to));
	if (delivery) {
		const { manner, pace, lines } = delivery;
		for (const line of lines) deliver(tr, line, { manner, pace });
	}
	if (tr.docChanged) editor.view.dispatch(closeHistory(tr));
}

/** Have a line said in a manner, unless something says already how. */
function deliver(tr: Transaction, id: string, parameters: CueValues): void {
	const found = lineById(tr.doc, id);
	const [word] = found ? wordsOf(found.node.textContent) : [];
	if (!found || !word || cuesInLine(found.node).some((cue) => cue.kind === "delivery")) return;
	placeCue(tr, { id: newId(), kind: "delivery", parameters }, found.start + word.from, found.start + word.to);
}

/** Take a line away that has no words left, and its scene where it was the last; one block is always left. A line that
 * keeps words loses the spaces at its end. */
function tidy(doc: DocNode, id: string, remove: (from: number, to: number) => void): void {
	const found = lineById(doc, id);
	if (!found) return;
	const text = found.node.textContent;
	if (text.trim()) {
		const end = found.start + text.length;
		if (text !== text.trimEnd()) remove(end - (text.length - text.trimEnd().length), end);
		return;
	}
	const $line = doc.resolve(found.start);
	const scene = $line.node(1);
	const blocks = Array.from({ length: scene.childCount - 1 }, (_, i) => scene.child(i + 1));
	const speaks = blocks.some((block) => block.type.name === "line" && block !== found.node);
	if (!speaks && doc.childCount > 1) remove($line.before(1), $line.after(1));
	else if (blocks.length > 1) remove($line.before(2), $line.after(2));
}

/** Put a direction at the end of a scene: unspoken, to be answered by whoever writes. */
export function askInScene(editor: Editor, sceneId: string, text: string): void {
	const { tr, schema } = editor.state;
	tr.doc.forEach((scene, at) => {
		if (scene.attrs.id !== sceneId) return;
		const direction = schema.node("direction", { id: newId() }, Fragment.from(schema.text(text)));
		tr.insert(at + scene.nodeSize - 1, direction);
	});
	if (tr.docChanged) editor.view.dispatch(closeHistory(tr));
}
