import type { EditorState } from "@tiptap/pm/state";
import { wordAt } from "./words";

/** A place in a line: an offset into its text. */
export type LinePlace = { lineId: string; offset: number };

/** Where the selection begins and ends, each in a line; null when nothing spoken is selected. */
export function selectedStretch(state: EditorState): { from: LinePlace; to: LinePlace } | null {
	const { selection, doc } = state;
	if (selection.empty) return null;
	const places: LinePlace[] = [];
	doc.nodesBetween(selection.from, selection.to, (node, position) => {
		if (node.type.name !== "line") return true;
		const start = position + 1;
		const lineId = String(node.attrs.id);
		const from = Math.max(0, selection.from - start);
		const to = Math.min(node.content.size, selection.to - start);
		if (to > from)
			places.push({ lineId, offset: wordAt(node.textContent, from)?.from ?? from }, { lineId, offset: to });
		return false;
	});
	const first = places[0];
	const last = places.at(-1);
	return first && last ? { from: first, to: last } : null;
}
