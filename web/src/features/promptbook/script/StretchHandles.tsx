import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { type KeyboardEvent, useRef } from "react";
import type { Corners } from "../document/cueLayout";
import { changeCue, cuesOf, lineAt, type PlacedCue, withEnd } from "../document/cues";
import { nearestWord } from "../document/words";

type Props = { editor: Editor; cue: PlacedCue; corners: Corners };
type Which = "from" | "to";

/** The two ends of a stretch, to drag from word to word or to move by arrows; Escape puts them back. */
export function StretchHandles({ editor, cue, corners }: Props) {
	const before = useRef({ from: cue.from, to: cue.to });
	const put = (words: { from: number; to: number } | null) => {
		const now = cuesOf(editor.state.doc).find((c) => c.id === cue.id);
		if (now && words) editor.view.dispatch(changeCue(closeHistory(editor.state.tr), now, {}, words));
	};
	const keys = (event: KeyboardEvent, which: Which) => {
		if (event.code === "ArrowLeft") put(withEnd(editor.state.doc, cue, which, event.shiftKey ? -PHRASE : -1));
		else if (event.code === "ArrowRight") put(withEnd(editor.state.doc, cue, which, event.shiftKey ? PHRASE : 1));
		else if (event.code === "Escape") put(before.current);
		else return;
		event.preventDefault();
		event.stopPropagation();
	};
	const drag = (which: Which) => {
		const over = (event: PointerEvent) => {
			const word = wordUnder(editor, cue, event);
			if (!word) return;
			const now = cuesOf(editor.state.doc).find((c) => c.id === cue.id);
			if (!now) return;
			const words = which === "from" ? { from: word.from, to: now.to } : { from: now.from, to: word.to };
			if (words.from < words.to && (words.from !== now.from || words.to !== now.to)) put(words);
		};
		const dragging = new AbortController();
		const { signal } = dragging;
		window.addEventListener("pointermove", over, { signal });
		for (const end of ["pointerup", "pointercancel"]) window.addEventListener(end, () => dragging.abort(), { signal });
	};
	return (["from", "to"] as const).map((which) => (
		<button
			type="button"
			key={which}
			className="stretch-handle"
			style={
				which === "from"
					? { left: corners.left - 2, top: corners.top }
					: { left: corners.right + 2, top: corners.bottom }
			}
			aria-label={`${which === "from" ? "First" : "Last"} word of “${cue.word}”: arrows move it`}
			onFocus={() => {
				before.current = { from: cue.from, to: cue.to };
			}}
			onPointerDown={(event) => {
				event.preventDefault();
				event.currentTarget.focus();
				drag(which);
			}}
			onKeyDown={(event) => keys(event, which)}
		/>
	));
}

/** Words that Shift and an arrow go. */
const PHRASE = 4;

/** The word of the cue's own line under the pointer. */
function wordUnder(editor: Editor, cue: PlacedCue, event: PointerEvent): { from: number; to: number } | null {
	const place = editor.view.posAtCoords({ left: event.clientX, top: event.clientY });
	const line = place && lineAt(editor.state.doc, place.pos);
	if (!line || String(line.node.attrs.id) !== cue.lineId) return null;
	const word = nearestWord(line.node.textContent, place.pos - line.start);
	return word && { from: line.start + word.from, to: line.start + word.to };
}
