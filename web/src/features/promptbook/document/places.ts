import type { Editor } from "@tiptap/core";
import type { Node as DocNode } from "@tiptap/pm/model";
import type { Schemas } from "../../../shared/api/client";

/** Where in the script, as the server counts: scene and line from 1, offsets into the line. */
export type Place = Schemas["PlaceOut"];

/** Every line with its scene's and its own number, both from 1; `start` is where its text begins. */
export function eachLine(
	doc: DocNode,
	visit: (node: DocNode, start: number, scene: number, line: number) => void,
): void {
	let scene = 0;
	doc.forEach((sceneNode, sceneAt) => {
		scene += 1;
		let line = 0;
		sceneNode.forEach((node, offset) => {
			if (node.type.name !== "line") return;
			line += 1;
			visit(node, sceneAt + 2 + offset, scene, line);
		});
	});
}

/** A place as positions in the document; null when the text has gone on meanwhile. */
export function rangeOf(doc: DocNode, place: Place): { from: number; to: number } | null {
	let found: { from: number; to: number } | null = null;
	eachLine(doc, (node, start, scene, line) => {
		if (scene !== place.scene || line !== place.line || place.end > node.content.size) return;
		found = { from: start + place.start, to: start + place.end };
	});
	return found;
}

/** Selects what a finding speaks of, in view and ready to be written over. */
export function showPlace(editor: Editor, at: Place | null): void {
	const range = at && rangeOf(editor.state.doc, at);
	if (!range) return;
	editor.chain().setTextSelection(range).scrollIntoView().run();
	editor.view.focus();
}
