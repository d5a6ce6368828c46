import { useMemo } from "react";
import type { Schemas } from "../../../shared/api/client";
import type { Note } from "./marks";
import type { Check } from "./useSceneTimes";

export type Advice = Schemas["AdviceOut"];
/** A piece of advice in the list; open ones that have a place are numbered, there and in the text. */
export type Numbered = { advice: Advice; number: number };

/** Open advice first, in the order of the list. */
export function numbered(check: Check | null): Numbered[] {
	const all = check?.advice ?? [];
	const open = all.filter((a) => !a.settled);
	return [...open, ...all.filter((a) => a.settled)].map((advice, i) => ({ advice, number: i + 1 }));
}

const NO_NOTES: readonly Note[] = [];

/** The places to number in the text while the brief is open. */
export function useNotes(check: Check | null, shown: boolean): readonly Note[] {
	return useMemo(() => {
		if (!shown) return NO_NOTES;
		return numbered(check).flatMap(({ advice, number }) =>
			advice.at && !advice.settled ? [{ number, at: advice.at }] : [],
		);
	}, [check, shown]);
}
