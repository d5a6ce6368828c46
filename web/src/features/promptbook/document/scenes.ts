import type { RawCommands } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { type Node as DocNode, Fragment } from "@tiptap/pm/model";
import { type EditorState, TextSelection, type Transaction } from "@tiptap/pm/state";
import { newId, type Staging } from "./document";

/** Pixels at the left of a heading where its number stands: there a scene is folded, and taken to be dragged. */
export const NUMBER_WIDTH = 60;

/** The scene at the caret: which it is, and where it begins. */
export function sceneAtCaret(state: EditorState): { index: number; node: DocNode; start: number } | null {
	const { $from } = state.selection;
	if ($from.depth < 1) return null;
	return { index: $from.index(0), node: $from.node(1), start: $from.before(1) };
}

/** The caret after a change of scenes, which is a step of its own to undo. */
function caretAt(tr: Transaction, position: number): Transaction {
	closeHistory(tr);
	const within = Math.max(0, Math.min(position, tr.doc.content.size));
	return tr.setSelection(TextSelection.near(tr.doc.resolve(within))).scrollIntoView();
}

/** The scene at index `from` put before the one that is at `to` now; nothing where it would stay. */
export function moveSceneTo(state: EditorState, from: number, to: number): Transaction {
	const { doc, tr } = state;
	const scene = doc.maybeChild(from);
	if (!scene || to === from || to === from + 1) return tr;
	const startOf = (index: number) => {
		let position = 0;
		for (let i = 0; i < index; i += 1) position += doc.child(i).nodeSize;
		return position;
	};
	const start = startOf(from);
	const goal = startOf(Math.min(to, doc.childCount));
	tr.delete(start, start + scene.nodeSize);
	const at = goal > start ? goal - scene.nodeSize : goal;
	return caretAt(tr.insert(at, scene), at + 2);
}

function anew(scene: DocNode): DocNode {
	const blocks: DocNode[] = [];
	scene.forEach((block) => {
		blocks.push("id" in block.attrs ? block.type.create({ ...block.attrs, id: newId() }, block.content) : block);
	});
	return scene.type.create({ ...scene.attrs, id: newId() }, Fragment.fromArray(blocks));
}

/** What can be done with whole scenes; each is one step to undo. */
export const sceneCommands: Pick<RawCommands, "moveScene" | "duplicateScene" | "joinScene" | "deleteScene"> = {
	moveScene:
		(steps) =>
		({ state, tr, dispatch }) => {
			const scene = sceneAtCaret(state);
			const other = scene && state.doc.maybeChild(scene.index + steps);
			if (!scene || !other) return false;
			const within = state.selection.from - scene.start;
			const first = Math.min(scene.start, steps < 0 ? scene.start - other.nodeSize : scene.start);
			const pair = steps < 0 ? [scene.node, other] : [other, scene.node];
			if (dispatch) {
				tr.replaceWith(first, first + scene.node.nodeSize + other.nodeSize, pair);
				caretAt(tr, first + (steps < 0 ? 0 : other.nodeSize) + within);
			}
			return true;
		},
	duplicateScene:
		() =>
		({ state, tr, dispatch }) => {
			const scene = sceneAtCaret(state);
			if (!scene) return false;
			const end = scene.start + scene.node.nodeSize;
			if (dispatch) caretAt(tr.insert(end, anew(scene.node)), end + 2);
			return true;
		},
	joinScene:
		() =>
		({ state, tr, dispatch }) => {
			const scene = sceneAtCaret(state);
			const before = scene && scene.index > 0 ? state.doc.child(scene.index - 1) : null;
			if (!scene || !before) return false;
			const blocks: DocNode[] = [];
			scene.node.forEach((block, _, index) => {
				if (index > 0) blocks.push(block);
			});
			const start = scene.start - before.nodeSize;
			const staging = { ...before.attrs.staging, tail: (scene.node.attrs.staging as Staging).tail };
			const content = before.content.append(Fragment.fromArray(blocks));
			const whole = before.type.create({ ...before.attrs, staging }, content);
			if (dispatch) {
				tr.replaceWith(start, scene.start + scene.node.nodeSize, whole);
				caretAt(tr, scene.start);
			}
			return true;
		},
	deleteScene:
		() =>
		({ state, tr, dispatch }) => {
			const scene = sceneAtCaret(state);
			const { sceneHeading, line } = state.schema.nodes;
			if (!scene || !sceneHeading || !line) return false;
			const end = scene.start + scene.node.nodeSize;
			const empty = scene.node.type.create({ id: newId() }, [sceneHeading.create(), line.create({ id: newId() })]);
			if (dispatch) {
				if (state.doc.childCount === 1) tr.replaceWith(scene.start, end, empty);
				else tr.delete(scene.start, end);
				caretAt(tr, scene.start + 2);
			}
			return true;
		},
};
