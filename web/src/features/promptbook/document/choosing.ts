import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import type { Transaction } from "@tiptap/pm/state";
import { type Choices, documentToEditor, type ProductionDocument, type Staging } from "./document";
import { trying } from "./trying";

/** A change of one scene's own choices. */
export type SceneChange = { sceneId: string; staging: Partial<Staging> };

const ONE_STEP_MS = 1500;
let last: { field: string; at: number; change: Transaction | null } = { field: "", at: 0, change: null };

/**
 * Choose something for the whole production, for some scenes, or both: one step to undo.
 * Give `field` when somebody types or drags: what follows soon in the same field is one step with it.
 */
export function choose(editor: Editor, part: Partial<Choices>, scenes: SceneChange[] = [], field = ""): void {
	const { tr } = editor.state;
	if (Object.keys(part).length) tr.setDocAttribute("choices", { ...(tr.doc.attrs.choices as Choices), ...part });
	for (const { sceneId, staging } of scenes) stage(tr, sceneId, staging);
	trying.settle();
	if (tr.docChanged) asOneStep(editor, tr, field);
}

function stage(tr: Transaction, sceneId: string, staging: Partial<Staging>): void {
	tr.doc.forEach((scene, position) => {
		if (scene.attrs.id === sceneId) tr.setNodeAttribute(position, "staging", { ...scene.attrs.staging, ...staging });
	});
}

/** Dispatch a change; what follows soon in the same field is one step to undo with it. */
export function asOneStep(editor: Editor, tr: Transaction, field: string): void {
	const now = Date.now();
	const more = field !== "" && field === last.field && now - last.at < ONE_STEP_MS;
	// to the history, what is appended to a change belongs to it
	if (more && last.change) tr.setMeta("appendedTransaction", last.change);
	else closeHistory(tr);
	last = { field, at: now, change: tr };
	editor.view.dispatch(tr);
}

/** Name the production; what is typed in one go is one step to undo. */
export function entitle(editor: Editor, title: string): void {
	asOneStep(editor, editor.state.tr.setDocAttribute("title", title), "title");
}

/** Put in what was left open (a new speaker's host and voice): not a step of its own. */
export function complete(editor: Editor, part: Partial<Choices>): void {
	const { tr } = editor.state;
	tr.setDocAttribute("choices", { ...(tr.doc.attrs.choices as Choices), ...part });
	editor.view.dispatch(tr.setMeta("addToHistory", false));
}

/** Another text in place of this one, from an earlier revision or another window; it can be undone. */
export function replaceAll(editor: Editor, production: ProductionDocument, title: string): void {
	const content = editor.schema.nodeFromJSON(documentToEditor(production, title));
	const { tr } = editor.state;
	tr.replaceWith(0, tr.doc.content.size, content.content).setDocAttribute("choices", content.attrs.choices);
	tr.setDocAttribute("title", title);
	editor.view.dispatch(closeHistory(tr).setMeta("preventUpdate", true));
}
