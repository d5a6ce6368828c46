import { Extension } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import type { Node as DocNode, Mark } from "@tiptap/pm/model";
import { Plugin, PluginKey, type Transaction } from "@tiptap/pm/state";
import { Decoration, DecorationSet } from "@tiptap/pm/view";

/** What is looked for. Whole words only, unless it begins or ends with something else than a letter. */
export type Wanted = { text: string; matchCase: boolean; wholeWords: boolean };
export type Found = { from: number; to: number };

export const findKey = new PluginKey<{ wanted: Wanted; current: number; found: Found[]; set: DecorationSet }>("find");

const NOTHING: Wanted = { text: "", matchCase: false, wholeWords: false };

/** Where `wanted` stands: in lines, directions and headings, in order. */
export function findAll(doc: DocNode, { text, matchCase, wholeWords }: Wanted): Found[] {
	if (!text) return [];
	const escaped = text
		.replace(/[.*+?^${}()|[\]\\]/g, "\\$&")
		.replace(/['’]/g, "['’]")
		.replace(/["“”]/g, '["“”]');
	const [before, after] = wholeWords ? ["(?<![\\p{L}\\p{N}])", "(?![\\p{L}\\p{N}])"] : ["", ""];
	const pattern = new RegExp(`${before}${escaped}${after}`, matchCase ? "gu" : "giu");
	const found: Found[] = [];
	doc.descendants((node, position) => {
		if (!node.isTextblock) return true;
		for (const match of node.textContent.matchAll(pattern)) {
			const from = position + 1 + match.index;
			found.push({ from, to: from + match[0].length });
		}
		return false;
	});
	return found;
}

/** Put `text` in the place of what was found, the last one first; cues stay on words that remain. */
export function replaceFound(tr: Transaction, found: readonly Found[], text: string): Transaction {
	for (const { from, to } of [...found].sort((a, b) => b.from - a.from)) {
		if (!text) {
			tr.delete(from, to);
			continue;
		}
		// the new words carry the cues of the old ones
		const marks = new Map<string, Mark>();
		tr.doc.nodesBetween(from, to, (node) => {
			for (const mark of node.marks) marks.set(String(mark.attrs.id), mark);
		});
		tr.replaceWith(from, to, tr.doc.type.schema.text(text, [...marks.values()]));
	}
	return closeHistory(tr);
}

/** Found words are lit; the one at hand stands out. */
export const Finding = Extension.create({
	name: "finding",
	addProseMirrorPlugins: () => [
		new Plugin({
			key: findKey,
			state: {
				init: () => ({ wanted: NOTHING, current: 0, found: [] as Found[], set: DecorationSet.empty }),
				apply: (tr, value) => {
					const asked = tr.getMeta(findKey) as { wanted: Wanted; current: number } | undefined;
					if (!asked && (!tr.docChanged || !value.wanted.text)) return value;
					const { wanted } = asked ?? value;
					const found = findAll(tr.doc, wanted);
					const current = Math.min(asked?.current ?? value.current, Math.max(0, found.length - 1));
					const lit = found.map(({ from, to }, i) =>
						Decoration.inline(from, to, { class: i === current ? "found at" : "found" }),
					);
					return { wanted, current, found, set: DecorationSet.create(tr.doc, lit) };
				},
			},
			props: {
				decorations(state) {
					return this.getState(state)?.set;
				},
			},
		}),
	],
});
