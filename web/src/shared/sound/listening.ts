import { useSyncExternalStore } from "react";

/** One sound at a time, wherever it was asked for. */
type Heard = { key: string; at: number; problem: string; loading: boolean };

let heard: Heard = { key: "", at: 0, problem: "", loading: false };
const listeners = new Set<() => void>();
let element: HTMLAudioElement | null = null;
let turn = 0;

function set(next: Partial<Heard>): void {
	heard = { ...heard, ...next };
	for (const listener of listeners) listener();
}

/** Stop whatever is heard. */
export function silence(): void {
	turn += 1;
	element?.pause();
	if (heard.key || heard.problem) set({ key: "", at: 0, loading: false, problem: "" });
}

/** Play the sound at an address under a name; whatever was heard before stops. The same name again stops it. */
export async function listen(key: string, address: string): Promise<void> {
	if (heard.key === key) return silence();
	silence();
	turn += 1;
	const mine = turn;
	set({ key, at: 0, problem: "", loading: true });
	const answer = await fetch(address).catch(() => null);
	if (mine !== turn) return;
	if (!answer?.ok) {
		const said = answer ? ((await answer.json().catch(() => ({}))) as { detail?: string }).detail : "";
		return set({ key: "", loading: false, problem: said || "Dear Host does not answer. Try again." });
	}
	const sound = await answer.blob();
	if (mine !== turn) return;
	if (!element) {
		element = new Audio();
		element.addEventListener("ended", silence);
	}
	const player = element;
	if (player.src) URL.revokeObjectURL(player.src);
	player.src = URL.createObjectURL(sound);
	set({ loading: false });
	await player.play().catch(() => {});
	const follow = () => {
		if (mine !== turn) return;
		set({ at: player.currentTime });
		if (!player.paused) requestAnimationFrame(follow);
	};
	requestAnimationFrame(follow);
}

const subscribe = (listener: () => void) => {
	listeners.add(listener);
	return () => listeners.delete(listener);
};

/** What is heard now: its name, the second, and what went wrong. */
export function useListening<T>(select: (heard: Heard) => T): T {
	return useSyncExternalStore(subscribe, () => select(heard));
}
