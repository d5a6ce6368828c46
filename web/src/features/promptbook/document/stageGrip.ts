import { useEffect, useId, useSyncExternalStore } from "react";

export type Distance = { x: number; y: number };
export type Size = { width: number; height: number };

/** Something that is moved on the stage by hand. Distances are in pixels of a stage of `stage`, since it was gripped. */
export type Grip = {
	/** What is moved, for who does not see it. */
	label: string;
	/** Where it is, in parts of the stage: marked there while it is dragged. */
	at?: Distance;
	/** How far it is moved now. */
	onMove?: (by: Distance, stage: Size) => void;
	/** It is let go there. */
	onEnd: (by: Distance, stage: Size) => void;
	/** It stays where it was. */
	onCancel?: () => void;
	/** Nearer or farther, by a factor. */
	onNear?: (factor: number) => void;
};

const offered = new Map<string, Grip>();
let latest: Grip | null = null;
const listeners = new Set<() => void>();

function offer(by: string, grip: Grip | null): void {
	if (grip) offered.set(by, grip);
	else offered.delete(by);
	const next = [...offered.values()].at(-1) ?? null;
	if (next === latest) return;
	latest = next;
	for (const listener of listeners) listener();
}

function subscribe(listener: () => void) {
	listeners.add(listener);
	return () => {
		listeners.delete(listener);
	};
}

/** Have something moved on the stage as long as this is shown; null for nothing. What was offered last is moved. */
export function useOnStage(grip: Grip | null): void {
	const by = useId();
	useEffect(() => offer(by, grip));
	useEffect(() => () => offer(by, null), [by]);
}

/** What can be moved on the stage now. */
export function useGrip(): Grip | null {
	return useSyncExternalStore(subscribe, () => latest);
}
