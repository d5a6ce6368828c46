import { type FocusEvent, type PointerEvent, useEffect, useSyncExternalStore } from "react";

import type { ProductionChoice } from "./catalogue";

/** Choices that are looked at on the stage before they are made, and the words they are told by. */
export type Tried = { choices: Readonly<Record<string, unknown>>; words: string };

/** How long the pointer stays before something is tried: on its way across nothing is drawn. */
const STAYS_MS = 120;

/** How long what was chosen stays as it was tried, at most, before its own picture is there. */
const SETTLES_MS = 4000;

let tried: Tried | null = null;
let settling = false;
let waiting: ReturnType<typeof setTimeout> | undefined;
let staying: ReturnType<typeof setTimeout> | undefined;
const listeners = new Set<() => void>();

function set(next: Tried | null): void {
	clearTimeout(waiting);
	clearTimeout(staying);
	settling = false;
	if (tried === next) return;
	tried = next;
	for (const listener of listeners) listener();
}

export const trying = {
	get: () => tried,
	/** Show choices on the stage, once the pointer or the focus has stayed on them. */
	begin(next: Tried) {
		clearTimeout(waiting);
		waiting = setTimeout(() => set(next), STAYS_MS);
	},
	/** Show them at once: what is dragged follows the hand. */
	show: (next: Tried) => set(next),
	/** Back to what is chosen. */
	end() {
		clearTimeout(waiting);
		if (!settling) set(null);
	},
	/** Something was chosen: what was tried stays on the stage until it is there as it is chosen. */
	settle() {
		if (!tried) return set(null);
		set({ ...tried, words: "" });
		settling = true;
		staying = setTimeout(() => set(null), SETTLES_MS);
	},
	/** It is there. */
	settled() {
		if (settling) set(null);
	},
	subscribe(listener: () => void) {
		listeners.add(listener);
		return () => {
			listeners.delete(listener);
		};
	},
};

/** What is tried now. */
export function useTried(): Tried | null {
	return useSyncExternalStore(trying.subscribe, trying.get);
}

const NOTHING_TRIED = { onPointerLeave: trying.end, onBlur: trying.end };

/** For what offers choices: they are tried while it is pointed at or has the focus. Without choices nothing is. */
export function triedWhilePointedAt(next: Tried | null) {
	if (!next) return NOTHING_TRIED;
	return {
		onPointerEnter: (event: PointerEvent) => event.pointerType !== "touch" && trying.begin(next),
		onPointerLeave: trying.end,
		onFocus: (event: FocusEvent) => event.target.matches(":focus-visible") && trying.begin(next),
		onBlur: trying.end,
	};
}

/** Props of an option of the table of choices: it is tried, where the picture on the stage is another with it. */
export function triesOf(choice: ProductionChoice | undefined, chosen: string | boolean | number) {
	return (value: string | boolean | number, text: string) => {
		if (choice?.touches !== "picture" || choice.kind === "number" || value === chosen) return NOTHING_TRIED;
		return triedWhilePointedAt({ choices: { [choice.name]: value }, words: `${choice.label}: ${text}` });
	};
}

/** Nothing stays tried once what offers it is gone. */
export function useNothingTriedAfter(): void {
	useEffect(() => trying.end, []);
}
