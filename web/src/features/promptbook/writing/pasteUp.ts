import type { Schemas } from "../../../shared/api/client";
import { newId, type Scene } from "../document/document";

export type Draft = Schemas["DraftOut"];
export type Part = Schemas["DraftPartOut"];

/** A part of a draft that was kept: which one, by the draft's letter and the part's row. */
export type Kept = { letter: string; row: number; part: Part };

/** What is kept of all drafts: one opening, any parts between, one ending. */
export type PasteUp = { opening: Kept | null; middle: Kept[]; ending: Kept | null };

export const NOTHING_KEPT: PasteUp = { opening: null, middle: [], ending: null };

/** The letter of a draft: A, B, C. */
export const letterOf = (index: number) => String.fromCharCode(65 + (index % 26));

const same = (one: Kept | null, other: Kept) => one?.letter === other.letter && one.row === other.row;

/** Whether a part is kept. */
export function isKept(pasteUp: PasteUp, kept: Kept): boolean {
	return same(pasteUp.opening, kept) || same(pasteUp.ending, kept) || pasteUp.middle.some((one) => same(one, kept));
}

/** The paste-up with a part kept in its place, or taken off again; another opening or ending takes the place of one. */
export function toggled(pasteUp: PasteUp, kept: Kept): PasteUp {
	const { place } = kept.part;
	if (place === "middle") {
		const without = pasteUp.middle.filter((one) => !same(one, kept));
		return { ...pasteUp, middle: without.length < pasteUp.middle.length ? without : [...without, kept] };
	}
	return { ...pasteUp, [place]: same(pasteUp[place], kept) ? null : kept };
}

/** A whole draft as a paste-up. */
export function whole(draft: Draft, letter: string): PasteUp {
	return draft.parts.reduce((all, part, row) => toggled(all, { letter, row, part }), NOTHING_KEPT);
}

/** What is kept, in the order of the script. */
export function keptIn({ opening, middle, ending }: PasteUp): Kept[] {
	return [opening, ...middle, ending].filter((kept): kept is Kept => kept !== null);
}

/** How long what is kept runs, which points it says, and which of them more than once. */
export function measured(pasteUp: PasteUp): { seconds: number; points: number[]; twice: number[] } {
	const kept = keptIn(pasteUp);
	const said = kept.flatMap(({ part }) => part.points);
	const points = [...new Set(said)].sort((a, b) => a - b);
	const twice = points.filter((point) => said.filter((other) => other === point).length > 1);
	return { seconds: kept.reduce((sum, { part }) => sum + part.seconds + part.open_seconds, 0), points, twice };
}

const NOBODY = "Host";

/** The scenes of what is kept, with ids of their own. Where nobody speaks yet the host stays unnamed. */
export function scenesOf(pasteUp: PasteUp, speakers: readonly string[] = []): Scene[] {
	const named = (speaker: string) => (speaker === NOBODY && !speakers.includes(NOBODY) ? (speakers[0] ?? "") : speaker);
	return keptIn(pasteUp).map(({ part }) => ({
		...part.scene,
		id: newId(),
		blocks: part.scene.blocks.map((block) => ({ ...block, id: newId(), speaker: named(block.speaker ?? "") })),
	}));
}

/** The first words of a part that are spoken. */
export function firstWords(part: Part): string {
	const spoken = part.scene.blocks.filter((block) => block.kind === "line").map((block) => block.text);
	return spoken.join(" ");
}
