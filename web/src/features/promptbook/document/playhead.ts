import { useSyncExternalStore } from "react";

/**
 * Where the playhead stands. Kept outside React: it moves sixty times a second. `waiting`: what it plays next is still
 * being made.
 */
export type Playhead = { sceneId: string; at: number; playing: boolean; waiting: boolean };

let state: Playhead = { sceneId: "", at: 0, playing: false, waiting: false };
const listeners = new Set<() => void>();

export const playhead = {
	get: () => state,
	set(change: Partial<Playhead>) {
		state = { ...state, ...change };
		for (const listener of listeners) listener();
	},
	subscribe(listener: () => void) {
		listeners.add(listener);
		return () => {
			listeners.delete(listener);
		};
	},
};

/** A part of the playhead; renders again only when that part changes. */
export function usePlayhead<T>(select: (playhead: Playhead) => T): T {
	return useSyncExternalStore(playhead.subscribe, () => select(state));
}
