import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { type Ref, useEffect, useImperativeHandle, useMemo, useState } from "react";
import { clock } from "../../../shared/time";
import { newId } from "../document";
import type { SceneTimes } from "../useSceneTimes";
import { CueEditor, CueList } from "./CueCard";
import { CueMargin, type PaleCue } from "./CueMargin";
import { asOneStep } from "./choosing";
import { defaultsOf, useCueKinds } from "./cueKinds";
import {
	type CueKind,
	changeCue,
	cuesOf,
	lineById,
	type PlacedCue,
	placeCue,
	placeCueAt,
	removeCue,
	selectedWords,
	wordAtCaret,
	wordsAway,
} from "./cues";
import { SelectionSlip } from "./SelectionSlip";

/** What others may do with the script's cues. */
export type CueHandle = {
	/** Ask what should happen on the word at the caret. */
	ask: () => void;
	/** The word at the caret: its line, and where it begins in it. */
	caret: () => { lineId: string; offset: number } | null;
	/** Set a cue of this kind on the selected words, or on the word at the caret. */
	put: (kind: string) => void;
	/** Open a cue's settings. */
	open: (id: string) => void;
	/** Put a cue on the word at an offset of a line. */
	move: (id: string, lineId: string, from: number, to: number) => void;
};

type Props = {
	editor: Editor;
	root: HTMLElement;
	times: Map<string, SceneTimes>;
	heard: { lineId: string; from: number } | null;
	hostOf: (lineId: string) => string;
	handle: Ref<CueHandle>;
	/** Show a cue on the stage that is not set. */
	onSayAs: () => void;
	onTry: (lineId: string, offset: number, kind: string) => void;
	onSpeakFrom: (lineId: string, offset: number) => void;
};

type Open = { cue: string } | { word: { from: number; to: number; text: string; lineId: string } } | null;

/** Flags, their list and their settings: everything about cues on the page. */
export function Cues({ editor, root, times, heard, hostOf, handle, onTry, onSayAs, onSpeakFrom }: Props) {
	const kinds = useCueKinds();
	const [open, setOpen] = useState<Open>(null);
	const [, redraw] = useState(0);
	useEffect(() => {
		const changed = ({ transaction }: { transaction: { docChanged: boolean } }) => {
			if (!transaction.docChanged) return;
			redraw((n) => n + 1);
			setOpen((now) => (now && "word" in now ? null : now));
		};
		editor.on("transaction", changed);
		return () => {
			editor.off("transaction", changed);
		};
	}, [editor]);
	useEffect(() => {
		const margin = ({ target, clientX, clientY }: MouseEvent) => {
			const line = target instanceof HTMLElement && target.matches("div.line") ? target : null;
			const text = line?.querySelector(".line-text")?.getBoundingClientRect();
			const place = text && clientX > text.right && editor.view.posAtCoords({ left: text.right - 4, top: clientY });
			if (!place) return;
			editor.commands.setTextSelection(place.pos);
			const word = wordAtCaret(editor.state);
			if (word) setOpen({ word });
		};
		root.addEventListener("click", margin);
		return () => root.removeEventListener("click", margin);
	}, [editor, root]);
	const find = (id: string) => cuesOf(editor.state.doc).find((cue) => cue.id === id);
	const ask = () => {
		const word = wordAtCaret(editor.state);
		if (word) setOpen({ word });
	};
	const caret = () => {
		const word = wordAtCaret(editor.state);
		const line = word && lineById(editor.state.doc, word.lineId);
		return word && line ? { lineId: word.lineId, offset: word.from - line.start } : null;
	};
	/** A cue of this kind on the first selected word; emphasis on all of them. */
	const put = (name: string) => {
		const kind = kinds.find((k) => k.name === name);
		const words = selectedWords(editor.state, name === "emphasis" ? MOST_EMPHASISED : 1);
		if (!kind || !words.length) return;
		const tr = closeHistory(editor.state.tr);
		const ids = words.map((word) => {
			const id = newId();
			placeCue(tr, { id, kind: name, parameters: defaultsOf(kind) }, word.from, word.to);
			return id;
		});
		editor.view.dispatch(tr);
		if (kind.parameters.some((p) => p.kind === "text")) setOpen({ cue: ids[0] ?? "" });
	};
	useImperativeHandle(handle, () => ({
		ask,
		caret,
		put,
		open: (id) => setOpen({ cue: id }),
		move: (id, lineId, from, to) => {
			const cue = find(id);
			const line = lineById(editor.state.doc, lineId);
			if (!cue || !line) return;
			editor.view.dispatch(
				changeCue(
					closeHistory(editor.state.tr),
					cue,
					{},
					{ from: line.start + from, to: line.start + to },
				).scrollIntoView(),
			);
		},
	}));
	const close = () => {
		setOpen(null);
		editor.commands.focus();
	};
	const topOf = (position: number) => editor.view.coordsAtPos(position).bottom - root.getBoundingClientRect().top + 8;
	const set = (kind: CueKind, word: { from: number; to: number }) => {
		const id = newId();
		editor.view.dispatch(
			placeCue(
				closeHistory(editor.state.tr),
				{ id, kind: kind.name, parameters: defaultsOf(kind) },
				word.from,
				word.to,
			),
		);
		// what is to be said or shown has to be chosen first
		const asks =
			kind.parameters.some((p) => p.kind === "text") ||
			["picture", "sound", "delivery", "eyes", "walk-to"].includes(kind.name);
		if (asks) setOpen({ cue: id });
		else close();
	};
	const pale = useMemo(() => paleCues(times), [times]);
	/** What a host does by itself, as a cue of this kind: on its word, or on the one it was dragged to. */
	const keep = (cue: PaleCue, kind: string, at?: { from: number; to: number }) => {
		const kept = { id: newId(), kind, parameters: kind === cue.kind ? cue.parameters : {} };
		const placed = at ? placeCue(editor.state.tr, kept, at.from, at.to) : placeCueAt(editor.state, cue, kept);
		if (placed) editor.view.dispatch(closeHistory(placed));
	};
	const wordBox = (from: number, to: number) => {
		const start = editor.view.coordsAtPos(from);
		const end = editor.view.coordsAtPos(to);
		const origin = root.getBoundingClientRect();
		return { left: start.left - origin.left, top: start.top - origin.top, width: Math.max(4, end.left - start.left) };
	};
	const opened = open && "cue" in open ? find(open.cue) : undefined;
	const current = useMemo(() => {
		const ids = cuesOf(editor.state.doc)
			.filter((cue) => heard && cue.lineId === heard.lineId && cue.offset === heard.from)
			.map((cue) => cue.id);
		return new Set(opened ? [...ids, opened.id] : ids);
	}, [editor, heard, opened]);
	return (
		<>
			<CueMargin
				editor={editor}
				root={root}
				kinds={kinds}
				current={current}
				momentOf={(id) => momentOf(times, id)}
				pale={pale}
				onKeep={keep}
				onOpen={(id) => setOpen({ cue: id })}
			/>
			<SelectionSlip
				editor={editor}
				root={root}
				onCue={ask}
				onPut={put}
				onSayAs={onSayAs}
				onSpeak={() => {
					const place = caret();
					if (place) onSpeakFrom(place.lineId, place.offset);
				}}
			/>
			{open && "word" in open && (
				<span className="cue-word" style={wordBox(open.word.from, open.word.to)} aria-hidden="true" />
			)}
			{open && "word" in open && (
				<CueList
					kinds={kinds}
					used={usesOf(cuesOf(editor.state.doc))}
					word={open.word.text}
					hostId={hostOf(open.word.lineId)}
					top={topOf(open.word.to)}
					onSet={(kind) => set(kind, open.word)}
					onTry={(kind) => {
						const line = lineById(editor.state.doc, open.word.lineId);
						if (line) onTry(open.word.lineId, open.word.from - line.start, kind.name);
					}}
					onClose={close}
				/>
			)}
			{opened && (
				<CueEditor
					key={opened.id}
					kinds={kinds}
					cue={opened}
					at={momentOf(times, opened.id)}
					top={topOf(opened.to)}
					onChange={(parameters) =>
						asOneStep(editor, changeCue(editor.state.tr, opened, { parameters }), `cue ${opened.id}`)
					}
					onMove={(steps) => {
						const word = wordsAway(editor.state.doc, opened, steps);
						if (word) editor.view.dispatch(changeCue(closeHistory(editor.state.tr), opened, {}, word));
					}}
					onKeep={() => editor.view.dispatch(changeCue(closeHistory(editor.state.tr), opened, {}))}
					onRemove={() => {
						editor.view.dispatch(removeCue(closeHistory(editor.state.tr), opened.id));
						close();
					}}
					onClose={close}
				/>
			)}
		</>
	);
}

function paleCues(times: Map<string, SceneTimes>): PaleCue[] {
	return [...times.values()].flatMap((scene) =>
		scene.lines.flatMap((line) =>
			line.automatic.map(({ kind, offset, parameters }) => ({ lineId: line.id, offset, kind, parameters })),
		),
	);
}

const MOST_EMPHASISED = 5;

function usesOf(cues: PlacedCue[]): Map<string, number> {
	const uses = new Map<string, number>();
	for (const cue of cues) uses.set(cue.kind, (uses.get(cue.kind) ?? 0) + 1);
	return uses;
}

function momentOf(times: Map<string, SceneTimes>, id: string): string {
	for (const scene of times.values()) {
		for (const line of scene.lines) {
			const cue = line.cues.find((c) => c.id === id);
			if (cue) return `${clock(cue.at, true)} of the scene`;
		}
	}
	return "";
}
