import { Extension } from "@tiptap/core";
import type { Node as DocNode } from "@tiptap/pm/model";
import { type EditorState, Plugin, PluginKey, TextSelection } from "@tiptap/pm/state";
import { Decoration, DecorationSet } from "@tiptap/pm/view";
import { NUMBER_WIDTH, sceneAtCaret } from "./scenes";

declare module "@tiptap/core" {
	interface Commands<ReturnType> {
		folding: {
			/** Show only the heading of the scene at the caret, or all of it again. */
			foldScene: (folded: boolean) => ReturnType;
			/** Show only headings, or everything again. */
			foldAll: (folded: boolean) => ReturnType;
		};
	}
}

type Folded = ReadonlySet<string>;
const foldKey = new PluginKey<Folded>("folding");

/** Whether the scene of this id shows its heading only. */
export const isFolded = (state: EditorState, id: string) => foldKey.getState(state)?.has(id) ?? false;

function decorate(doc: DocNode, folded: Folded): DecorationSet {
	const found: Decoration[] = [];
	doc.forEach((scene, position) => {
		if (!folded.has(String(scene.attrs.id))) return;
		const lines = scene.childCount - 1;
		found.push(
			Decoration.node(position, position + scene.nodeSize, {
				class: "folded",
				"data-lines": lines === 1 ? "1 line folded away" : `${lines} lines folded away`,
			}),
		);
	});
	return DecorationSet.create(doc, found);
}

/** Scenes folded to their headings; what the caret goes into, or is found in, opens. */
export const Folding = Extension.create({
	name: "folding",
	addCommands: () => ({
		foldScene:
			(folded) =>
			({ state, tr, dispatch }) => {
				const scene = sceneAtCaret(state);
				if (!scene) return false;
				const next = new Set(foldKey.getState(state));
				if (folded) next.add(String(scene.node.attrs.id));
				else next.delete(String(scene.node.attrs.id));
				if (dispatch) {
					tr.setMeta(foldKey, next);
					if (folded) tr.setSelection(headingSelection(state, scene.start));
				}
				return true;
			},
		foldAll:
			(folded) =>
			({ state, tr, dispatch }) => {
				const ids: string[] = [];
				state.doc.forEach((scene) => {
					ids.push(String(scene.attrs.id));
				});
				const scene = sceneAtCaret(state);
				if (dispatch) {
					tr.setMeta(foldKey, new Set(folded ? ids : []));
					if (folded && scene) tr.setSelection(headingSelection(state, scene.start));
				}
				return true;
			},
	}),
	addKeyboardShortcuts() {
		return {
			"Alt-Shift-ArrowLeft": ({ editor }) => editor.commands.foldScene(true),
			"Alt-Shift-ArrowRight": ({ editor }) => editor.commands.foldScene(false),
		};
	},
	addProseMirrorPlugins: () => [
		new Plugin<Folded>({
			key: foldKey,
			state: {
				init: () => new Set<string>(),
				apply: (tr, folded, _before, state) => {
					const asked = tr.getMeta(foldKey) as Folded | undefined;
					if (asked) return asked;
					const { $from } = state.selection;
					const id = $from.depth > 1 && $from.parent.type.name !== "sceneHeading" ? String($from.node(1).attrs.id) : "";
					if (!folded.has(id)) return folded;
					const next = new Set(folded);
					next.delete(id);
					return next;
				},
			},
			props: {
				decorations: (state) => decorate(state.doc, foldKey.getState(state) ?? new Set()),
				handleClickOn: (view, _position, node, nodePosition, event) => {
					if (node.type.name !== "sceneHeading" || !(event.target instanceof HTMLElement)) return false;
					// the scene's number stands in the margin of its heading
					if (event.clientX - event.target.getBoundingClientRect().left > NUMBER_WIDTH) return false;
					const id = String(view.state.doc.resolve(nodePosition).node(1).attrs.id);
					const next = new Set(foldKey.getState(view.state));
					if (!next.delete(id)) next.add(id);
					view.dispatch(
						view.state.tr.setMeta(foldKey, next).setSelection(headingSelection(view.state, nodePosition - 1)),
					);
					return true;
				},
			},
		}),
	],
});

function headingSelection(state: EditorState, sceneStart: number): TextSelection {
	return TextSelection.create(state.doc, sceneStart + 2);
}
