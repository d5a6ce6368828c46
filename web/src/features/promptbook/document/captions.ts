import type { Editor } from "@tiptap/core";
import type { Node as DocNode } from "@tiptap/pm/model";
import type { Transaction } from "@tiptap/pm/state";
import type { Schemas } from "../../../shared/api/client";
import { asOneStep } from "./choosing";
import { type CueValues, cuesInLine, cuesOf, type LineCue, lineById, placeCue, removeCue } from "./cues";
import { newId } from "./document";
import { wordsOf } from "./words";

export type Caption = Schemas["CaptionOut"];

/** Kinds of cues: what is shown for what is said, and where a caption is cut and when it comes. */
export const READS = "caption";
export const CUT = "caption-cut";
/** Captions over a stretch, otherwise than in the scene. */
export const OTHERWISE = "captions";
const WHERE_IT_FITS = "where-it-fits";

/** A word as captions show it, with the punctuation round it; where the word itself is in its line. */
export type SaidWord = Caption["words"][number];
/** Words of the line, from the first to the last of those said, that are shown as `text`. */
export type Correction = { first: number; last: number; text: string };

/** What must be corrected so that `shown` is read for `words`; each correction stands for one word at least. */
export function correctionsFor(words: readonly SaidWord[], shown: string): Correction[] {
	const said = words.map((word) => word.text);
	const wanted = shown.split(/\s+/).filter(Boolean);
	if (!said.length || !wanted.length) return [];
	const kept = commonWords(said, wanted);
	const found: Correction[] = [];
	let [s, w] = [0, 0];
	for (const [nextS, nextW] of [...kept, [said.length, wanted.length] as const]) {
		if (nextS > s || nextW > w) {
			let [first, last] = [s, nextS - 1];
			let put = wanted.slice(w, nextW);
			if (last < first || !put.length) {
				// something is put in, or taken out: it goes with the word before it, else with the one behind
				if (first > 0) {
					first -= 1;
					put = [wanted[w - 1] ?? "", ...put];
				} else {
					last += 1;
					put = [...put, wanted[nextW] ?? ""];
				}
			}
			const before = found.at(-1);
			if (before && before.last >= first) found[found.length - 1] = joined(before, first, last, put);
			else found.push({ first, last, text: put.join(" ") });
		}
		[s, w] = [nextS + 1, nextW + 1];
	}
	return found;
}

function joined(before: Correction, first: number, last: number, words: string[]): Correction {
	const rest = words.slice(before.last - first + 1);
	return { first: before.first, last: Math.max(before.last, last), text: [before.text, ...rest].join(" ") };
}

/** The longest run of words that both have in the same order, as pairs of places. */
function commonWords(said: readonly string[], wanted: readonly string[]): (readonly [number, number])[] {
	const length = Array.from({ length: said.length + 1 }, () => new Array<number>(wanted.length + 1).fill(0));
	const at = (i: number, j: number) => length[i]?.[j] ?? 0;
	for (let i = said.length - 1; i >= 0; i -= 1) {
		for (let j = wanted.length - 1; j >= 0; j -= 1) {
			const row = length[i];
			if (row) row[j] = said[i] === wanted[j] ? at(i + 1, j + 1) + 1 : Math.max(at(i + 1, j), at(i, j + 1));
		}
	}
	const pairs: (readonly [number, number])[] = [];
	let [i, j] = [0, 0];
	while (i < said.length && j < wanted.length) {
		if (said[i] === wanted[j]) {
			pairs.push([i, j]);
			i += 1;
			j += 1;
		} else if (at(i + 1, j) >= at(i, j + 1)) i += 1;
		else j += 1;
	}
	return pairs;
}

/** Show another text in a caption; what is said stays. One step to undo. */
export function correctCaption(editor: Editor, caption: Caption, shown: string): void {
	const { tr } = editor.state;
	const line = lineById(tr.doc, caption.line);
	// what is written meanwhile is not corrected by what was there before
	if (!line || line.node.textContent.slice(caption.first, caption.last) !== caption.said) return;
	for (const cue of correctionsIn(line.node, caption)) removeCue(tr, cue.id);
	for (const { first, last, text } of correctionsFor(caption.words, shown)) {
		const [from, to] = [caption.words[first]?.offset ?? 0, caption.words[last]?.to ?? 0];
		const cue = { id: newId(), kind: READS, parameters: { text }, stretch: last > first };
		placeCue(tr, cue, line.start + from, line.start + to);
	}
	if (tr.docChanged) asOneStep(editor, tr, "");
}

/** What a caption shows where nothing is corrected. */
export function asSaid(caption: Caption): string {
	return caption.words.map((word) => word.text).join(" ");
}

/** What is corrected in a caption. */
export function correctionsIn(line: DocNode, { first, last }: Pick<Caption, "first" | "last">): LineCue[] {
	return cuesInLine(line).filter((cue) => cue.kind === READS && cue.offset < last && cue.until > first);
}

/** What is chosen for a caption alone, or for the stretch it lies in. */
export function otherwiseIn(doc: DocNode, { line, first, last }: Caption): LineCue | undefined {
	const found = lineById(doc, line);
	return found
		? cuesInLine(found.node).findLast((c) => c.kind === OTHERWISE && c.offset < last && c.until > first)
		: undefined;
}

/** Select the words of a caption. */
export function selectWords(editor: Editor, { line, first, last }: Caption): void {
	const found = lineById(editor.state.doc, line);
	if (found) editor.commands.setTextSelection({ from: found.start + first, to: found.start + last });
}

/** Begin a caption with the word at an offset of a line, or let the one before go on there. One step to undo. */
export function cutCaption(editor: Editor, lineId: string, offset: number, cut: "begins" | "goes-on"): void {
	const { tr } = editor.state;
	const now = cutAt(tr.doc, lineId, offset);
	// what was cut by hand and is joined again goes where it fits, if that is the same
	putCut(tr, lineId, offset, { ...now?.parameters, cut });
	if (tr.docChanged) asOneStep(editor, tr, "");
}

/** Captions come and go later by so many seconds; 0 for both as they come of themselves. One step to undo. */
export function nudgeCaptions(
	editor: Editor,
	these: readonly { caption: Caption; begins?: number; ends?: number }[],
): void {
	const { tr } = editor.state;
	for (const { caption, ...by } of these) {
		const now = cutAt(tr.doc, caption.line, caption.first)?.parameters ?? {};
		const moved = Object.fromEntries(
			Object.entries(by).map(([name, seconds]) => [name, bounded(Number(now[name] ?? 0) + seconds)]),
		);
		putCut(tr, caption.line, caption.first, { cut: WHERE_IT_FITS, ...now, ...moved });
	}
	if (tr.docChanged) asOneStep(editor, tr, "nudge captions");
}

function bounded(seconds: number): number {
	return Math.round(Math.max(-1, Math.min(1, seconds)) * 100) / 100;
}

/** The cut on a word of a line. */
export function cutAt(doc: DocNode, lineId: string, offset: number): LineCue | undefined {
	const line = lineById(doc, lineId);
	return line ? cuesInLine(line.node).find((cue) => cue.kind === CUT && cue.offset === offset) : undefined;
}

function putCut(tr: Transaction, lineId: string, offset: number, parameters: CueValues): void {
	const line = lineById(tr.doc, lineId);
	const word = line && wordsOf(line.node.textContent).find((one) => one.from === offset);
	if (!line || !word) return;
	const now = cutAt(tr.doc, lineId, offset);
	if (now) removeCue(tr, now.id);
	const nothing = parameters.cut === WHERE_IT_FITS && !parameters.begins && !parameters.ends;
	if (nothing) return;
	placeCue(tr, { id: newId(), kind: CUT, parameters }, line.start + word.from, line.start + word.to);
}

/** All corrections of a script, with the number of their scene. */
export type Corrected = {
	id: string;
	scene: number;
	line: string;
	from: number;
	said: string;
	shown: string;
	look: boolean;
};

export function correctedIn(doc: DocNode): Corrected[] {
	const found: Corrected[] = [];
	let scene = 0;
	doc.forEach((node) => {
		scene += 1;
		node.forEach((line) => {
			if (line.type.name !== "line") return;
			for (const cue of cuesInLine(line)) {
				if (cue.kind !== READS) continue;
				const said = line.textContent.slice(cue.offset, cue.until);
				const shown = String(cue.parameters.text ?? "");
				found.push({ id: cue.id, scene, line: String(line.attrs.id), from: cue.offset, said, shown, look: cue.look });
			}
		});
	});
	return found;
}

type ReadCue = Schemas["CaptionCueOut"];

/** Corrections and cuts out of a file, in place of those that are there: one step to undo. */
export function putCaptions(editor: Editor, cues: readonly ReadCue[]): void {
	const { tr } = editor.state;
	for (const cue of cuesOf(tr.doc)) if (cue.kind === READS || cue.kind === CUT) removeCue(tr, cue.id);
	for (const { line, kind, start, end, parameters } of cues) {
		const found = lineById(tr.doc, line);
		const words = wordsOf(found?.node.textContent ?? "");
		const first = words.find((word) => word.from === start);
		const last = end === null ? first : words.find((word) => word.from === end);
		if (!found || !first || !last) continue;
		const cue = { id: newId(), kind, parameters, stretch: end !== null };
		placeCue(tr, cue, found.start + first.from, found.start + last.to);
	}
	if (tr.docChanged) asOneStep(editor, tr, "");
}

/** Take a correction off. */
export function takeOffCorrection(editor: Editor, id: string): void {
	const { tr } = editor.state;
	removeCue(tr, id);
	if (tr.docChanged) asOneStep(editor, tr, "");
}
