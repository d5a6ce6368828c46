import type { Schemas } from "../../../shared/api/client";

export type Saying = Schemas["SayAsSchema"];

/** Two lists in one; for a word in both, the later says how, at the place of the earlier. */
export function merged(list: readonly Saying[], more: readonly Saying[]): Saying[] {
	const later = new Map(more.map((entry) => [entry.word.toLowerCase(), entry]));
	const kept = list.map((entry) => later.get(entry.word.toLowerCase()) ?? entry);
	const known = new Set(list.map((entry) => entry.word.toLowerCase()));
	return [...kept, ...[...later].filter(([word]) => !known.has(word)).map(([, entry]) => entry)];
}
