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
	if (!element) {
		element = new Audio();
		element.addEventListener("ended", silence);
	}
	const player = element;
	player.src = address; // it is heard as soon as its beginning is there
	const problem = await player.play().then(
		() => "",
		() => (mine === turn ? whyNot(address) : ""),
	);
	if (mine !== turn) return;
	if (problem) return set({ key: "", loading: false, problem });
	set({ loading: false });
	const follow = () => {
		if (mine !== turn) return;
		set({ at: player.currentTime });
		if (!player.paused) requestAnimationFrame(follow);
	};
	requestAnimationFrame(follow);
}

/** Why the sound at an address cannot be played: what the server says of it. */
async function whyNot(address: string): Promise<string> {
	const answer = await fetch(address).catch(() => null);
	if (answer?.ok) return "This sound cannot be played here.";
	const said = answer ? ((await answer.json().catch(() => ({}))) as { detail?: string }).detail : "";
	return said || "Dear Host does not answer. Try again.";
}

const subscribe = (listener: () => void) => {
	listeners.add(listener);
	return () => listeners.delete(listener);
};

/** What is heard now: its name, the second, and what went wrong. */
export function useListening<T>(select: (heard: Heard) => T): T {
	return useSyncExternalStore(subscribe, () => select(heard));
}
