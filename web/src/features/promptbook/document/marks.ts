import { Extension } from "@tiptap/core";
import type { Node as DocNode } from "@tiptap/pm/model";
import { Plugin, PluginKey, TextSelection } from "@tiptap/pm/state";
import { Decoration, DecorationSet } from "@tiptap/pm/view";
import { clock } from "../../../shared/time";
import type { Staging } from "./document";
import { eachLine, type Place, rangeOf } from "./places";
import type { Check } from "./useSceneTimes";

/** A numbered finding in the text. */
export type Note = { number: number; at: Place };

/** What is shown on the script without being part of it. */
export type Marks = {
	word: { lineId: string; from: number; to: number } | null;
	check: Check | null;
	reading: ReadonlySet<string>;
	notes: readonly Note[];
	/** Sentences that answer what the audience asks. */
	answers: readonly { line: string; start: number; end: number }[];
	/** Where captions end, by line: the ends of their last words. */
	captionEnds: ReadonlyMap<string, readonly number[]>;
	/** Seconds the whole may run; 0 for no limit. */
	target: number;
};

export const marksKey = new PluginKey<{ marks: Marks; set: DecorationSet }>("marks");

const SLOT = {};
const MARKS_AFTER = /^[.,;:!?…”’"')]+/;
const UNSPOKEN = /\[\[.*?\]\]|\[[^[\]\n]*\]/g;

/** What follows from the text alone and must be right at once: numbers, what is empty, what stays unsaid. */
function structure(doc: DocNode, marks: Marks): DecorationSet {
	const found: Decoration[] = [];
	const times = new Map(marks.check?.scenes.map((s) => [s.id, s]));
	let number = 0;
	doc.forEach((scene, at) => {
		number += 1;
		const time = times.get(String(scene.attrs.id));
		const target = (scene.attrs.staging as Staging).target ?? 0;
		const heading = scene.firstChild;
		if (!heading) return;
		found.push(
			Decoration.node(at + 1, at + 1 + heading.nodeSize, {
				"data-time": time?.words ? timeOf(time, target) : "",
				...(target && time && time.seconds > target + 0.5 ? { "data-over": "" } : {}),
				"data-number": String(number),
				...(heading.content.size ? {} : { class: "empty" }),
			}),
		);
		if (marks.reading.has(String(scene.attrs.id))) {
			found.push(Decoration.node(at, at + scene.nodeSize, { class: "reading-scene" }));
		}
	});
	eachLine(doc, (node, start) => {
		if (!node.content.size) found.push(Decoration.node(start - 1, start - 1 + node.nodeSize, { class: "empty" }));
		for (const match of node.textContent.matchAll(UNSPOKEN)) {
			const from = start + match.index;
			found.push(Decoration.inline(from, from + match[0].length, { class: "unspoken" }));
		}
	});
	return DecorationSet.create(doc, found);
}

function timeOf({ seconds, estimated }: Check["scenes"][number], target: number): string {
	return `${estimated ? "about " : ""}${clock(seconds)}${target ? ` of ${clock(target)}` : ""}`;
}

/** What somebody else found in the text; it moves along with the words until it is found anew. */
function findings(doc: DocNode, marks: Marks): DecorationSet {
	const found: Decoration[] = [];
	for (const { kind, at, message } of marks.check?.findings ?? []) {
		const range = kind === "placeholder" && at ? rangeOf(doc, at) : null;
		if (range) found.push(Decoration.inline(range.from, range.to, { class: "placeholder", title: message }, SLOT));
	}
	for (const { number, at } of marks.notes) {
		const range = rangeOf(doc, at);
		if (!range) continue;
		found.push(Decoration.inline(range.from, range.to, { class: "advised" }));
		const after = MARKS_AFTER.exec(doc.textBetween(range.to, Math.min(range.to + 3, doc.resolve(range.to).end())));
		const end = range.to + (after?.[0].length ?? 0);
		found.push(Decoration.widget(end, () => sup(number), { side: -1, key: `note-${number}`, marks: [] }));
	}
	eachLine(doc, (node, start) => {
		for (const last of marks.captionEnds.get(String(node.attrs.id)) ?? []) {
			if (last > node.content.size) continue;
			const after = MARKS_AFTER.exec(node.textContent.slice(last, last + 4))?.[0].length ?? 0;
			found.push(Decoration.widget(start + last + after, stroke, { side: -1, key: `caption ${last}`, marks: [] }));
		}
		for (const answer of marks.answers.filter(({ line }) => line === node.attrs.id)) {
			const end = Math.min(answer.end, node.content.size);
			if (answer.start < end) found.push(Decoration.inline(start + answer.start, start + end, { class: "answers" }));
		}
	});
	const { word } = marks;
	if (word) {
		eachLine(doc, (node, start) => {
			if (node.attrs.id !== word.lineId || word.to > node.content.size) return;
			found.push(Decoration.node(start - 1, start - 1 + node.nodeSize, { class: "now" }));
			found.push(Decoration.inline(start + word.from, start + word.to, { class: "at-playhead" }));
		});
	}
	return DecorationSet.create(doc, found);
}

/** The stroke that ends a caption. */
function stroke(): HTMLElement {
	const element = document.createElement("i");
	element.className = "caption-end";
	return element;
}

function sup(number: number): HTMLElement {
	const element = document.createElement("sup");
	element.className = "advised-number";
	element.textContent = String(number);
	return element;
}

const NONE: Marks = {
	word: null,
	check: null,
	reading: new Set(),
	notes: [],
	answers: [],
	captionEnds: new Map(),
	target: 0,
};

export const MarksExtension = Extension.create({
	name: "marks",
	addKeyboardShortcuts() {
		// from one open place to the next: only while one is taken whole, so that Tab leaves the page else
		const toSlot = (by: 1 | -1) => () => {
			const { state, view } = this.editor;
			const slots = marksKey.getState(state)?.set.find(undefined, undefined, (spec) => spec === SLOT) ?? [];
			const { from, to } = state.selection;
			const at = slots.findIndex((slot) => slot.from === from && slot.to === to);
			const next = at < 0 ? undefined : slots[at + by];
			if (!next) return false;
			const selection = TextSelection.create(state.doc, next.from, next.to);
			view.dispatch(state.tr.setSelection(selection).scrollIntoView());
			return true;
		};
		return { Tab: toSlot(1), "Shift-Tab": toSlot(-1) };
	},
	addProseMirrorPlugins() {
		return [
			new Plugin<{ marks: Marks; set: DecorationSet }>({
				key: marksKey,
				state: {
					init: (_, state) => ({ marks: NONE, set: findings(state.doc, NONE) }),
					apply: (tr, value) => {
						const marks = tr.getMeta(marksKey) as Marks | undefined;
						if (marks) return { marks, set: findings(tr.doc, marks) };
						return tr.docChanged ? { ...value, set: value.set.map(tr.mapping, tr.doc) } : value;
					},
				},
				props: {
					decorations: (state) => marksKey.getState(state)?.set ?? DecorationSet.empty,
					// a click takes the whole slot, so that what is typed stands in its place; another sets the caret in it
					handleClick(view, at) {
						const slot = marksKey.getState(view.state)?.set.find(at, at, (spec) => spec === SLOT)[0];
						const { from, to } = view.state.selection;
						if (!slot || (from === slot.from && to === slot.to)) return false;
						view.dispatch(view.state.tr.setSelection(TextSelection.create(view.state.doc, slot.from, slot.to)));
						return true;
					},
				},
			}),
			new Plugin<DecorationSet>({
				key: new PluginKey("structure"),
				state: {
					init: (_, state) => structure(state.doc, NONE),
					apply: (tr, value, _before, state) => {
						const marks = tr.getMeta(marksKey) as Marks | undefined;
						if (!marks && !tr.docChanged) return value;
						return structure(tr.doc, marks ?? marksKey.getState(state)?.marks ?? NONE);
					},
				},
				props: {
					decorations(state) {
						return this.getState(state);
					},
				},
			}),
		];
	},
});
