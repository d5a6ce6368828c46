import type { Sheet } from "../../shared/hosts/useHosts";

/** What stands at a path such as "outfit.cut". */
export function at(sheet: Sheet, path: string): unknown {
	return path.split(".").reduce<unknown>((value, key) => (value as Sheet | undefined)?.[key], sheet);
}

/** A sheet with another value at a path; nothing else is touched. */
export function withValue(sheet: Sheet, path: string, value: unknown): Sheet {
	const [first = "", ...rest] = path.split(".");
	if (!rest.length) return { ...sheet, [first]: value };
	return { ...sheet, [first]: withValue((sheet[first] as Sheet | undefined) ?? {}, rest.join("."), value) };
}

/** A sheet in other clothes: as they usually are, in the colour of the ones before. */
export function withOutfit(sheet: Sheet, outfit: Sheet): Sheet {
	const top = at(sheet, "outfit.top") ?? outfit.top;
	const bottom = outfit.below === "dress" ? top : outfit.bottom === top ? "char" : outfit.bottom;
	return { ...sheet, outfit: { ...outfit, top, bottom } };
}

export type History = { past: Sheet[]; now: Sheet; field: string };
export type Step = { to: Sheet; field?: string } | "undo";

const KEPT = 200;

/** Steps of a sheet with undo; several moves of one field are one step. */
export function stepped(history: History, step: Step): History {
	if (step === "undo") {
		const before = history.past.at(-1);
		return before ? { past: history.past.slice(0, -1), now: before, field: "" } : history;
	}
	const field = step.field ?? "";
	if (field && field === history.field) return { ...history, now: step.to };
	return { past: [...history.past, history.now].slice(-KEPT), now: step.to, field };
}
