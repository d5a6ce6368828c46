import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { type Ref, useEffect, useImperativeHandle, useMemo, useState } from "react";
import { clock } from "../../../shared/time";
import { asOneStep } from "../document/choosing";
import type { CueHandle } from "../document/cueHandle";
import { asksFirst, defaultsOf, useCueKinds } from "../document/cueKinds";
import {
	type CueKind,
	type CueValues,
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
} from "../document/cues";
import { newId } from "../document/document";
import { pictureFor } from "../document/pictures";
import { playhead } from "../document/playhead";
import type { SceneTimes } from "../document/useSceneTimes";
import { thingShownAt } from "../document/zooms";
import { CueEditor, CueList } from "./CueCard";
import { CueMargin, type PaleCue } from "./CueMargin";
import { SelectionSlip } from "./SelectionSlip";
import { StretchField } from "./StretchField";

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

type Moment = { sceneId: string; at: number };

/** Seconds in which what is shown has come. */
const COME = 0.7;

/** The word a cue is asked for, and all words that are selected with it. */
type Asked = {
	from: number;
	to: number;
	text: string;
	lineId: string;
	words: readonly { from: number; to: number }[];
};
type Open = { cue: string } | { word: Asked } | null;

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
			const word = asked(editor.state);
			if (word) setOpen({ word });
		};
		root.addEventListener("click", margin);
		return () => root.removeEventListener("click", margin);
	}, [editor, root]);
	const find = (id: string) => cuesOf(editor.state.doc).find((cue) => cue.id === id);
	const ask = () => {
		const word = asked(editor.state);
		if (word) setOpen({ word });
	};
	const caret = () => {
		const word = wordAtCaret(editor.state);
		const line = word && lineById(editor.state.doc, word.lineId);
		return word && line ? { lineId: word.lineId, offset: word.from - line.start } : null;
	};
	/** A new cue on the first of these words, or, where its kind can last, over all of them; its id. */
	const place = (kind: CueKind, words: readonly { from: number; to: number }[], meant: CueValues = {}) => {
		const [first, last] = [words[0], words.at(-1)];
		if (!first || !last) return "";
		const id = newId();
		const stretch = kind.stretch && words.length > 1;
		const cue = { id, kind: kind.name, parameters: { ...defaultsOf(kind), ...meant }, stretch };
		editor.view.dispatch(placeCue(closeHistory(editor.state.tr), cue, first.from, (stretch ? last : first).to));
		return id;
	};
	/** A cue of this kind on the selected words. */
	const put = (name: string) => {
		const kind = kinds.find((k) => k.name === name);
		const id = kind && place(kind, selectedWords(editor.state));
		if (id && asksFirst(kind)) setOpen({ cue: id });
	};
	/** A picture over the selected words, of what they name; without any such thing the words, large. */
	const putPicture = async () => {
		const words = selectedWords(editor.state);
		const [first, last] = [words[0], words.at(-1)];
		if (!first || !last) return;
		const said = () => editor.state.doc.textBetween(first.from, Math.min(last.to, editor.state.doc.content.size));
		const before = said();
		const kind = await pictureFor(before);
		if (said() !== before) return; // the words are others now
		const known = kinds.find((k) => k.name === kind.name);
		const id = known && place(known, words, kind.parameters);
		if (id) setOpen({ cue: id });
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
	const set = (kind: CueKind, meant: CueValues, word: Asked) => {
		const id = place(kind, word.words, meant);
		if (asksFirst(kind)) setOpen({ cue: id });
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
	const moment = opened ? momentOf(times, opened.id) : null;
	const isSeen = kinds.find((kind) => kind.name === opened?.kind)?.family === "picture";
	const sceneId = opened ? String(editor.state.doc.resolve(opened.from).node(1).attrs.id) : "";
	const at = moment ? moment.at + COME : 0; // its scene is read once it is on the stage
	// what is changed of it is seen on the stage
	useEffect(() => {
		if (isSeen && sceneId && !playhead.get().playing) playhead.set({ sceneId, at });
	}, [isSeen, sceneId, at]);
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
				momentOf={(id) => saidMoment(momentOf(times, id))}
				pale={pale}
				onKeep={keep}
				onOpen={(id) => setOpen({ cue: id })}
			/>
			<SelectionSlip
				editor={editor}
				root={root}
				onCue={ask}
				onPut={put}
				onPicture={putPicture}
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
					several={open.word.words.length > 1}
					hostId={hostOf(open.word.lineId)}
					top={topOf(open.word.to)}
					onSet={(kind, meant) => set(kind, meant, open.word)}
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
					at={saidMoment(moment)}
					top={topOf(opened.to)}
					onChange={(parameters) => {
						const changed = Object.keys(parameters).filter((name) => parameters[name] !== opened.parameters[name]);
						asOneStep(editor, changeCue(editor.state.tr, opened, { parameters }), `cue ${opened.id} ${changed}`);
					}}
					thing={thingShownAt(editor, opened.lineId, opened.offset)}
					stretch={<StretchField editor={editor} cue={opened} kind={kinds.find((k) => k.name === opened.kind)} />}
					onMove={(steps) => {
						const words = wordsAway(editor.state.doc, opened, steps);
						if (words) editor.view.dispatch(changeCue(closeHistory(editor.state.tr), opened, {}, words));
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

function asked(state: Editor["state"]): Asked | null {
	const word = wordAtCaret(state);
	return word && { ...word, words: selectedWords(state) };
}

function usesOf(cues: PlacedCue[]): Map<string, number> {
	const uses = new Map<string, number>();
	for (const cue of cues) uses.set(cue.kind, (uses.get(cue.kind) ?? 0) + 1);
	return uses;
}

function saidMoment(moment: Moment | null): string {
	return moment ? `${clock(moment.at, true)} of the scene` : "";
}

function momentOf(times: Map<string, SceneTimes>, id: string): Moment | null {
	for (const scene of times.values()) {
		for (const line of scene.lines) {
			const cue = line.cues.find((c) => c.id === id);
			if (cue) return { sceneId: scene.id, at: cue.at };
		}
	}
	return null;
}
