import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import type { Node as DocNode } from "@tiptap/pm/model";
import { TextSelection, type Transaction } from "@tiptap/pm/state";
import type { Schemas } from "../../../shared/api/client";
import { type CueValues, cuesInLine, type LineCue, lineById, placeCue, removeCue } from "./cues";
import { newId } from "./document";
import { wordsOf } from "./words";

/** The kind of cue that has a line said in a clip. */
export const CLIP = "clip";

export type Tidy = Schemas["TidyOut"];
type ClipLine = Schemas["ClipLineOut"];

/** What has a line said in a clip; null where a host says it. */
export function clipOf(line: DocNode): LineCue | null {
	return cuesInLine(line).find((cue) => cue.kind === CLIP) ?? null;
}

/** All that is said in a clip as a scene after another: one step to undo. */
export function addClipScene(editor: Editor, afterId: string, heading: string, item: string, lines: ClipLine[]): void {
	const { state, schema } = editor;
	const { scene, sceneHeading, line } = schema.nodes;
	const mark = schema.marks.cue;
	if (!scene || !sceneHeading || !line || !mark) return;
	const blocks = lines.flatMap(({ text, begins }) => {
		const first = wordsOf(text)[0];
		if (!first) return [];
		const cue = mark.create({
			id: newId(),
			kind: CLIP,
			parameters: { items: item, begins },
			look: false,
			stretch: false,
		});
		const pieces = [
			[text.slice(0, first.from), []],
			[text.slice(first.from, first.to), [cue]],
			[text.slice(first.to), []],
		] as const;
		const content = pieces.flatMap(([piece, marks]) => (piece ? [schema.text(piece, [...marks])] : []));
		return [line.create({ id: newId(), speaker: heading }, content)];
	});
	const made = scene.create({ id: newId() }, [sceneHeading.create(null, schema.text(heading)), ...blocks]);
	const tr = state.tr;
	let end = state.doc.content.size;
	state.doc.forEach((node, position) => {
		if (node.attrs.id === afterId) end = position + node.nodeSize;
	});
	tr.insert(end, made);
	closeHistory(tr);
	tr.setSelection(TextSelection.near(tr.doc.resolve(end + 2))).scrollIntoView();
	editor.view.dispatch(tr);
}

/** Cut what was found in lines of clips, or shorten their long pauses: one step to undo. What has changed meanwhile stays. */
export function tidyUp(editor: Editor, these: readonly Tidy[]): void {
	const { tr } = editor.state;
	for (const lineId of new Set(these.map((one) => one.line))) {
		const clip = clipOf(lineById(tr.doc, lineId)?.node ?? tr.doc);
		if (!clip) continue;
		// from the last to the first, so that places stay true
		const own = these.filter((one) => one.line === lineId).sort((a, b) => b.start - a.start);
		for (const one of own) {
			const found = lineById(tr.doc, lineId);
			if (one.kind === "pause" || found?.node.textContent.slice(one.start, one.end) !== one.text) continue;
			tr.delete(found.start + one.start, found.start + one.end);
		}
		const shortened: CueValues = own.some((one) => one.kind === "pause") ? { pauses: "shortened" } : {};
		putClip(tr, lineId, clip.id, { ...clip.parameters, ...shortened });
	}
	if (tr.docChanged) editor.view.dispatch(closeHistory(tr));
}

/** Other settings of how a line is said in its clip. */
export function changeClip(tr: Transaction, lineId: string, part: CueValues): void {
	const clip = clipOf(lineById(tr.doc, lineId)?.node ?? tr.doc);
	if (clip) putClip(tr, lineId, clip.id, { ...clip.parameters, ...part });
}

/** Have a line said in a clip, by a cue on its first word. */
function putClip(tr: Transaction, lineId: string, id: string, parameters: CueValues): void {
	const found = lineById(tr.doc, lineId);
	const first = wordsOf(found?.node.textContent ?? "")[0];
	if (!found || !first) return;
	found.node.forEach((child, offset) => {
		const mark = child.marks.find((one) => one.type.name === "cue" && one.attrs.id === id);
		if (mark) tr.removeMark(found.start + offset, found.start + offset + child.nodeSize, mark);
	});
	placeCue(tr, { id, kind: CLIP, parameters }, found.start + first.from, found.start + first.to);
}

/**
 * A line of a clip that is split goes on in its clip, and one that is joined to another is said in the first one's clip.
 * Which word carries the cue makes no difference: it is put on the first one that is left.
 */
export function keepClips(tr: Transaction, before: DocNode): void {
	const known = new Map<string, DocNode>();
	before.descendants((node) => {
		if (node.type.name === "line" && clipOf(node)) known.set(String(node.attrs.id), node);
		return node.type.name === "scene";
	});
	if (!known.size) return;
	const places: { node: DocNode; start: number; scene: DocNode | null }[] = [];
	tr.doc.descendants((node, position, parent) => {
		if (node.type.name === "line") places.push({ node, start: position + 1, scene: parent });
		return node.type.name === "scene";
	});
	places.forEach(({ node, start, scene }, index) => {
		const clips = cuesInLine(node).filter((cue) => cue.kind === CLIP);
		for (const extra of clips.slice(1)) removeCue(tr, extra.id);
		const only = clips[0];
		if (only?.look) putClip(tr, String(node.attrs.id), only.id, only.parameters);
		const earlier = places[index - 1];
		const first = wordsOf(node.textContent)[0];
		if (only || !earlier || earlier.scene !== scene || !first) return;
		const whole = known.get(String(earlier.node.attrs.id));
		const clip = whole && clipOf(whole);
		const isRest = whole?.textContent === earlier.node.textContent + node.textContent;
		if (!clip || !isRest) return;
		const cue = { id: newId(), kind: CLIP, parameters: clip.parameters };
		placeCue(tr, cue, start + first.from, start + first.to);
	});
}
