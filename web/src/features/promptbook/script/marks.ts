import { Extension } from "@tiptap/core";
import type { Node as DocNode } from "@tiptap/pm/model";
import { Plugin, PluginKey } from "@tiptap/pm/state";
import { Decoration, DecorationSet } from "@tiptap/pm/view";
import { clock } from "../../../shared/time";
import type { Check } from "../useSceneTimes";

/** What is shown on the script without being part of it. */
export type Marks = {
	word: { lineId: string; from: number; to: number } | null;
	check: Check | null;
	reading: ReadonlySet<string>;
};

export const marksKey = new PluginKey<{ marks: Marks; set: DecorationSet }>("marks");

const UNSPOKEN = /\[\[.*?\]\]|\[[^[\]\n]*\]/g;

function decorate(doc: DocNode, marks: Marks): DecorationSet {
	const found: Decoration[] = [];
	let scene = 0;
	let line = 0;
	doc.forEach((sceneNode, sceneAt) => {
		scene += 1;
		line = 0;
		const time = marks.check?.scenes.find((s) => s.id === sceneNode.attrs.id);
		const heading = sceneNode.firstChild;
		if (heading) {
			found.push(
				Decoration.node(sceneAt + 1, sceneAt + 1 + heading.nodeSize, {
					"data-time": time?.words ? `${time.estimated ? "about " : ""}${clock(time.seconds)}` : "",
					"data-number": String(scene),
					...(heading.content.size ? {} : { class: "empty" }),
				}),
			);
		}
		sceneNode.forEach((node, offset) => {
			const at = sceneAt + 1 + offset;
			if (node.type.name !== "line") return;
			line += 1;
			const text = node.textContent;
			for (const match of text.matchAll(UNSPOKEN)) {
				found.push(
					Decoration.inline(at + 1 + match.index, at + 1 + match.index + match[0].length, { class: "unspoken" }),
				);
			}
			for (const finding of marks.check?.findings ?? []) {
				const place = finding.at;
				if (finding.kind !== "placeholder" || place?.scene !== scene || place.line !== line) continue;
				if (place.end <= text.length) {
					found.push(
						Decoration.inline(at + 1 + place.start, at + 1 + place.end, {
							class: "placeholder",
							title: finding.message,
						}),
					);
				}
			}
			if (marks.reading.has(String(sceneNode.attrs.id))) {
				found.push(Decoration.node(at, at + node.nodeSize, { class: "reading-line" }));
			}
			if (marks.word && node.attrs.id === marks.word.lineId && marks.word.to <= text.length) {
				found.push(Decoration.node(at, at + node.nodeSize, { class: "now" }));
				found.push(Decoration.inline(at + 1 + marks.word.from, at + 1 + marks.word.to, { class: "at-playhead" }));
			}
			if (!text) found.push(Decoration.node(at, at + node.nodeSize, { class: "empty" }));
		});
	});
	return DecorationSet.create(doc, found);
}

const NONE: Marks = { word: null, check: null, reading: new Set() };

export const MarksExtension = Extension.create({
	name: "marks",
	addProseMirrorPlugins() {
		return [
			new Plugin<{ marks: Marks; set: DecorationSet }>({
				key: marksKey,
				state: {
					init: (_, state) => ({ marks: NONE, set: decorate(state.doc, NONE) }),
					apply: (tr, value) => {
						const marks = (tr.getMeta(marksKey) as Marks | undefined) ?? value.marks;
						if (marks === value.marks && !tr.docChanged) return value;
						return { marks, set: decorate(tr.doc, marks) };
					},
				},
				props: { decorations: (state) => marksKey.getState(state)?.set ?? DecorationSet.empty },
			}),
		];
	},
});
