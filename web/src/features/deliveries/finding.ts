import type { Delivery } from "../../shared/deliveries/useDeliveries";
import { hasWords } from "../../shared/words";

export const STATES = [
	{ value: "", text: "in any state" },
	{ value: "done", text: "done" },
	{ value: "under way", text: "under way" },
	{ value: "not made", text: "stopped or failed" },
];
export const EVERY = { typed: "", state: "" };

const STATE: Record<Delivery["status"], string> = {
	queued: "under way",
	running: "under way",
	done: "done",
	failed: "not made",
	stopped: "not made",
};

/** Films whose title has every word that was typed, in the wanted state. */
export function foundDeliveries(all: readonly Delivery[], wanted: typeof EVERY): Delivery[] {
	return all.filter(
		({ title, status }) => (!wanted.state || STATE[status] === wanted.state) && hasWords(title, wanted.typed),
	);
}
