import type { Editor } from "@tiptap/core";
import { TextSelection } from "@tiptap/pm/state";
import { useEditorState } from "@tiptap/react";
import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { findAll, findKey, replaceFound, type Wanted } from "../document/finding";

type Props = { editor: Editor; onClose: () => void };

/** Find in the whole script, and put something else in its place. */
export function FindSlip({ editor, onClose }: Props) {
	const [wanted, setWanted] = useState<Wanted>(() => ({ text: selected(editor), matchCase: false, wholeWords: false }));
	const [instead, setInstead] = useState("");
	const field = useRef<HTMLInputElement>(null);
	const { found, current } = useEditorState({
		editor,
		selector: ({ editor: now }) => {
			const state = findKey.getState(now.state);
			return { found: state?.found ?? [], current: state?.current ?? 0 };
		},
	});
	const ask = (next: Wanted, at = 0) => {
		const { tr } = editor.state;
		const place = findAll(tr.doc, next)[at];
		// the caret goes along: a folded scene opens, the stage follows
		if (place) tr.setSelection(TextSelection.create(tr.doc, place.from, place.to));
		editor.view.dispatch(tr.setMeta(findKey, { wanted: next, current: at }));
		// after the next picture: a scene out of sight has its true height only once it was laid out
		const show = () => editor.view.dom.querySelector(".found.at")?.scrollIntoView({ block: "center" });
		requestAnimationFrame(() => {
			show();
			requestAnimationFrame(show);
		});
	};
	const look = (next: Wanted) => {
		setWanted(next);
		ask(next);
	};
	const step = (steps: number) => {
		if (found.length) ask(wanted, (current + steps + found.length) % found.length);
	};
	// biome-ignore lint/correctness/useExhaustiveDependencies: once, when the slip opens and when it closes
	useEffect(() => {
		field.current?.select();
		ask(wanted);
		return () => {
			if (!editor.isDestroyed) ask({ ...wanted, text: "" });
		};
	}, []);
	const replace = (places: typeof found) => {
		editor.view.dispatch(replaceFound(editor.state.tr, places, instead));
		field.current?.focus();
		if (places.length === 1) ask(wanted, findKey.getState(editor.state)?.current ?? 0);
	};
	const close = () => {
		const at = found[current];
		onClose();
		if (at) editor.commands.setTextSelection(at);
		editor.commands.focus();
	};
	const keys = (event: KeyboardEvent) => {
		if (event.code === "Escape") close();
		else if (event.code === "Enter" && event.target === field.current) step(event.shiftKey ? -1 : 1);
		else return;
		event.preventDefault();
	};
	const at = found[current];
	return (
		// biome-ignore lint/a11y/noStaticElementInteractions: keys of its fields, heard on their way up
		<div className="find-slip own-undo" onKeyDown={keys}>
			<label>
				<span>Find</span>
				<input ref={field} value={wanted.text} onChange={(event) => look({ ...wanted, text: event.target.value })} />
			</label>
			<span className="small quiet num" role="status">
				{wanted.text && (found.length ? `${current + 1} of ${found.length}` : "nowhere")}
			</span>
			<button type="button" onClick={() => step(-1)} disabled={found.length < 2}>
				Before
			</button>
			<button type="button" onClick={() => step(1)} disabled={found.length < 2}>
				Next
			</button>
			<button type="button" className="find-close" onClick={close}>
				Close
			</button>
			<label>
				<span>Replace</span>
				<input value={instead} placeholder="with" onChange={(event) => setInstead(event.target.value)} />
			</label>
			<label className="find-tick">
				<input
					type="checkbox"
					checked={wanted.wholeWords}
					onChange={(event) => look({ ...wanted, wholeWords: event.target.checked })}
				/>
				whole words
			</label>
			<button type="button" onClick={() => at && replace([at])} disabled={!at}>
				Replace
			</button>
			<button type="button" onClick={() => replace(found)} disabled={!found.length}>
				{found.length > 1 ? `Replace all ${found.length}` : "Replace all"}
			</button>
			<label className="find-tick find-close">
				<input
					type="checkbox"
					checked={wanted.matchCase}
					onChange={(event) => look({ ...wanted, matchCase: event.target.checked })}
				/>
				same case
			</label>
		</div>
	);
}

function selected(editor: Editor): string {
	const { from, to, $from, $to } = editor.state.selection;
	return $from.sameParent($to) ? editor.state.doc.textBetween(from, to).slice(0, 80) : "";
}
