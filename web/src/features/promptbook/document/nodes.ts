import { mergeAttributes, Node } from "@tiptap/core";
import type { Node as DocNode } from "@tiptap/pm/model";
import { type EditorState, TextSelection, type Transaction } from "@tiptap/pm/state";
import { AS_EVERYWHERE, type Choices, newId, type Staging } from "./document";
import { lineView } from "./lineView";
import { sceneCommands } from "./scenes";

declare module "@tiptap/core" {
	interface Commands<ReturnType> {
		script: {
			/** Leave the selected part of a line unsaid, or say it again; else turn the line at the caret into a direction, or back. */
			toggleSpoken: () => ReturnType;
			/** Begin a new scene at the caret. */
			splitScene: () => ReturnType;
			/** Move the scene at the caret up (-1) or down (1). */
			moveScene: (steps: -1 | 1) => ReturnType;
			/** Put a copy of the scene at the caret after it; its cues and lines get ids of their own. */
			duplicateScene: () => ReturnType;
			/** Put the lines of the scene at the caret at the end of the one before. */
			joinScene: () => ReturnType;
			/** Delete the scene at the caret; the only one becomes empty. */
			deleteScene: () => ReturnType;
		};
	}
}

const idAttribute = {
	id: {
		default: null as string | null,
		parseHTML: (element: HTMLElement) => element.getAttribute("data-id"),
		renderHTML: (attributes: Record<string, unknown>) => ({ "data-id": attributes.id }),
		keepOnSplit: false,
	},
};

const hidden = { rendered: false, parseHTML: () => null };

export const ScriptDocument = Node.create({
	name: "doc",
	topNode: true,
	content: "scene+",
	addAttributes: () => ({
		title: { ...hidden, default: "" },
		choices: { ...hidden, default: null as Choices | null },
	}),
});

export const ScriptText = Node.create({ name: "text", group: "inline" });

export const SceneNode = Node.create({
	name: "scene",
	content: "sceneHeading block+",
	defining: true,
	isolating: false,
	addAttributes: () => ({
		...idAttribute,
		staging: {
			default: AS_EVERYWHERE,
			parseHTML: (element: HTMLElement) => JSON.parse(element.getAttribute("data-staging") ?? "null") ?? AS_EVERYWHERE,
			renderHTML: (attributes: Record<string, unknown>) => ({ "data-staging": JSON.stringify(attributes.staging) }),
		},
	}),
	parseHTML: () => [{ tag: "section[data-scene]" }],
	renderHTML: ({ HTMLAttributes }) => [
		"section",
		mergeAttributes(HTMLAttributes, { "data-scene": "", class: "scene" }),
		0,
	],
	addCommands: () => sceneCommands,
	addKeyboardShortcuts() {
		return {
			"Alt-Shift-ArrowUp": ({ editor }) => editor.commands.moveScene(-1),
			"Alt-Shift-ArrowDown": ({ editor }) => editor.commands.moveScene(1),
			"Alt-Shift-d": ({ editor }) => editor.commands.duplicateScene(),
		};
	},
});

export const SceneHeadingNode = Node.create({
	name: "sceneHeading",
	content: "text*",
	marks: "",
	defining: true,
	parseHTML: () => [{ tag: "h2" }, { tag: "h1" }, { tag: "h3" }],
	renderHTML: ({ HTMLAttributes }) => ["h2", mergeAttributes(HTMLAttributes, { class: "scene-heading" }), 0],
	addKeyboardShortcuts() {
		return {
			Enter: ({ editor }) => {
				const { $from } = editor.state.selection;
				if ($from.parent.type !== this.type) return false;
				const after = $from.after();
				const { tr } = editor.state;
				editor.view.dispatch(tr.setSelection(TextSelection.near(tr.doc.resolve(after))).scrollIntoView());
				return true;
			},
		};
	},
});

export const DirectionNode = Node.create({
	name: "direction",
	group: "block",
	content: "text*",
	marks: "",
	addAttributes: () => idAttribute,
	parseHTML: () => [{ tag: "p[data-direction]" }],
	renderHTML: ({ HTMLAttributes }) => [
		"p",
		mergeAttributes(HTMLAttributes, {
			"data-direction": "",
			class: "direction",
			role: "note",
			"aria-label": "Direction, not spoken",
		}),
		0,
	],
	addCommands() {
		return {
			toggleSpoken:
				() =>
				({ state, tr, dispatch }) => {
					const { $from } = state.selection;
					const node = $from.parent;
					if (node.type.name !== "line" && node.type.name !== "direction") return false;
					const part = selectedPart(state);
					if (part) {
						if (dispatch) leaveUnsaid(tr, part);
						return true;
					}
					const { line, direction } = state.schema.nodes;
					const target = node.type === line ? direction : line;
					if (!target) return false;
					if (dispatch)
						tr.setNodeMarkup($from.before(), target, {
							...node.attrs,
							speaker: speakerBefore(state.doc, $from.before()),
						});
					return true;
				},
			splitScene:
				() =>
				({ state, tr, dispatch }) => {
					const { $from } = state.selection;
					const { scene, sceneHeading } = state.schema.nodes;
					const index = $from.depth > 1 ? $from.index(1) : 0;
					const block = $from.parent;
					const cut = $from.parentOffset;
					if (!scene || !sceneHeading || index < 1 || (index === 1 && cut === 0)) return false;
					const whole = $from.node(1);
					const blocks = Array.from({ length: whole.childCount }, (_, i) => whole.child(i));
					const gap = /^\s*/.exec(block.textContent.slice(cut))?.[0].length ?? 0;
					const rest = block.type.create({ ...block.attrs, id: newId() }, block.cut(cut + gap).content);
					const before = cut ? [...blocks.slice(0, index), block.cut(0, cut)] : blocks.slice(0, index);
					const after = cut ? [rest, ...blocks.slice(index + 1)] : blocks.slice(index);
					const own = whole.attrs.staging as Staging;
					const first = scene.create({ ...whole.attrs, staging: { ...own, tail: null } }, before);
					const second = scene.create({ id: newId(), staging: { ...own, transition: null } }, [
						sceneHeading.create(),
						...after,
					]);
					if (dispatch) {
						const at = $from.before(1);
						tr.replaceWith(at, at + whole.nodeSize, [first, second]);
						tr.setSelection(TextSelection.near(tr.doc.resolve(at + first.nodeSize + 2))).scrollIntoView();
					}
					return true;
				},
		};
	},
	addKeyboardShortcuts() {
		return {
			"Alt-u": ({ editor }) => editor.commands.toggleSpoken(),
			"Mod-Enter": ({ editor }) => editor.commands.splitScene(),
		};
	},
});

/** The selected part of a line, without the spaces round it; null where the whole line, or no text of one, is meant. */
function selectedPart({ doc, selection }: EditorState): { from: number; to: number } | null {
	const { $from, $to, empty } = selection;
	if (empty || !$from.sameParent($to) || $from.parent.type.name !== "line") return null;
	const text = doc.textBetween($from.pos, $to.pos);
	const from = $from.pos + (text.length - text.trimStart().length);
	const to = from + text.trim().length;
	return to <= from || text.trim() === $from.parent.textContent.trim() ? null : { from, to };
}

/** Puts the part into double brackets, or takes it out of them. */
function leaveUnsaid(tr: Transaction, { from, to }: { from: number; to: number }): void {
	const inside = /^\[\[([^[\]]*)\]\]$/.exec(tr.doc.textBetween(from, to));
	if (inside) {
		tr.delete(to - 2, to).delete(from, from + 2);
		tr.setSelection(TextSelection.create(tr.doc, from, to - 4));
		return;
	}
	tr.insertText("]]", to).insertText("[[", from);
	tr.setSelection(TextSelection.create(tr.doc, from, to + 4));
}

function speakerBefore(doc: DocNode, position: number): string {
	let speaker = "";
	doc.nodesBetween(0, position, (node) => {
		if (node.type.name === "line") speaker = String(node.attrs.speaker ?? "");
	});
	return speaker;
}

export const LineNode = Node.create({
	name: "line",
	group: "block",
	content: "text*",
	marks: "cue",
	priority: 200,
	addAttributes: () => ({
		...idAttribute,
		speaker: {
			default: "",
			parseHTML: (element: HTMLElement) => element.getAttribute("data-speaker") ?? "",
			renderHTML: (attributes: Record<string, unknown>) => ({ "data-speaker": attributes.speaker }),
		},
	}),
	parseHTML: () => [{ tag: "p" }],
	renderHTML: ({ HTMLAttributes }) => ["p", mergeAttributes(HTMLAttributes, { class: "line" }), 0],
	addNodeView: () => lineView,
});
