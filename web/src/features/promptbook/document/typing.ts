import { Extension, InputRule } from "@tiptap/core";
import { type Node as DocNode, Fragment, type Schema, Slice } from "@tiptap/pm/model";
import { Plugin, PluginKey, TextSelection } from "@tiptap/pm/state";
import type { EditorView } from "@tiptap/pm/view";
import { newId } from "./document";
import { isManuscript } from "./pasting";

const NAME = /^(\p{Lu}[\p{L}\d .'’-]{0,30}?):\s/u;

/** Pasted text, row by row: names make speakers, rows in brackets are directions. */
export function rowsToBlocks(text: string, schema: Schema, speaker: string): DocNode[] {
	let current = speaker;
	return text
		.split(/\r?\n+/)
		.map((row) => row.trim())
		.filter(Boolean)
		.flatMap((row) => {
			const { line, direction } = schema.nodes;
			if (!line || !direction) return [];
			const aside = row.match(/^(?:\((.*)\)|\[(.*)\])$/);
			if (aside) return [direction.create({ id: newId() }, schema.text(aside[1] || aside[2] || row))];
			const named = row.match(NAME);
			if (named?.[1]) current = named[1];
			const said = named ? row.slice(named[0].length).trim() : row;
			return said ? [line.create({ id: newId(), speaker: current }, schema.text(said))] : [];
		});
}

/** Put pasted rows in as lines and directions of the scene at the caret. */
export function pasteRows(view: EditorView, text: string): boolean {
	const { $from } = view.state.selection;
	const speaker = $from.parent.type.name === "line" ? String($from.parent.attrs.speaker ?? "") : "";
	const blocks = rowsToBlocks(text, view.state.schema, speaker);
	if (!blocks.length) return false;
	view.dispatch(view.state.tr.replaceSelection(new Slice(Fragment.fromArray(blocks), 0, 0)).scrollIntoView());
	return true;
}

/**
 * Let the editor know where the caret is now. A busy browser tells late: a key would then act where the
 * caret was before the click, and a redrawn page would put the caret back there.
 */
export function readCaret(): void {
	document.dispatchEvent(new Event("selectionchange"));
}

/** Ids that stay, names typed before a colon, pasted scripts. */
export const Typing = Extension.create<{ onManuscript: ((text: string, html: string) => void) | null }>({
	name: "typing",
	addOptions: () => ({ onManuscript: null }),
	priority: 200,
	addKeyboardShortcuts() {
		return {
			// with nothing left to redo the keys would fall through to those of undo
			"Shift-Mod-z": ({ editor }) => editor.commands.redo() || true,
			"Mod-z": ({ editor }) => editor.commands.undo() || true,
		};
	},
	addInputRules() {
		return [
			new InputRule({
				find: NAME,
				handler: ({ state, range, match }) => {
					const { $from } = state.selection;
					if ($from.parent.type.name !== "line" || range.from !== $from.start()) return null;
					state.tr.delete(range.from, range.to).setNodeAttribute($from.before(), "speaker", match[1] ?? "");
					return undefined;
				},
			}),
		];
	},
	addProseMirrorPlugins() {
		const { onManuscript } = this.options;
		return [
			new Plugin({
				key: new PluginKey("caret"),
				props: {
					handleDOMEvents: {
						keydown: () => {
							readCaret();
							return false;
						},
						dblclick: (view) => {
							// beyond the end of a line a browser selects its end and the start of the next: a key would join them
							readCaret();
							const { $from, $to } = view.state.selection;
							if (!$from.sameParent($to) && $to.parentOffset === 0) {
								view.dispatch(view.state.tr.setSelection(TextSelection.create(view.state.doc, $from.pos)));
							}
							return false;
						},
					},
				},
			}),
			new Plugin({
				key: new PluginKey("ids"),
				appendTransaction: (transactions, _before, state) => {
					if (!transactions.some((t) => t.docChanged)) return null;
					const seen = new Set<string>();
					const tr = state.tr;
					state.doc.descendants((node, position) => {
						if (!("id" in node.attrs)) return true;
						const id = node.attrs.id as string | null;
						if (!id || seen.has(id)) {
							const made = newId();
							tr.setNodeAttribute(position, "id", made);
							seen.add(made);
						} else seen.add(id);
						return node.type.name === "scene";
					});
					return tr.docChanged ? tr.setMeta("addToHistory", false) : null;
				},
			}),
			new Plugin({
				key: new PluginKey("paste"),
				props: {
					handlePaste: (view, event) => {
						const text = event.clipboardData?.getData("text/plain") ?? "";
						const html = event.clipboardData?.getData("text/html") ?? "";
						if (/data-pm-slice/.test(html)) return false; // from this editor: cues and all
						if (isManuscript(text, html) && onManuscript) {
							onManuscript(text, html);
							return true;
						}
						if (!/\n/.test(text.trim())) return false;
						return pasteRows(view, text);
					},
					clipboardTextParser: (text, _context, _plain, view) => {
						const clean = text.replace(/\s*\r?\n\s*/g, " ");
						return new Slice(Fragment.from(clean ? view.state.schema.text(clean) : Fragment.empty), 0, 0);
					},
					transformPastedHTML: (html) => html.replace(/<(?!\/?(p|br|div|li|h[1-6])\b)[^>]+>/gi, ""),
				},
			}),
		];
	},
});
