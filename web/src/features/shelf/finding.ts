import type { ShelfThing } from "../../shared/shelf/useShelf";

export type ShelfFilter = { typed: string; kind: string; licence: string };
export const EVERYTHING: ShelfFilter = { typed: "", kind: "", licence: "" };
export const MISSING = "missing";

/** The things that are like that: every word typed is in the title, the file's name or the author's. */
export function foundThings(things: readonly ShelfThing[], { typed, kind, licence }: ShelfFilter): ShelfThing[] {
	const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
	return things.filter((thing) => {
		const said = `${thing.title} ${thing.file} ${thing.author}`.toLowerCase();
		return (
			words.every((word) => said.includes(word)) &&
			(!kind || thing.kind === kind) &&
			(!licence || (licence === MISSING ? thing.problem !== "" : thing.licence === licence))
		);
	});
}

/** What a thing is, in a few words. */
export function describedThing(thing: ShelfThing): string {
	const length = thing.seconds
		? `${Math.floor(thing.seconds / 60)}:${String(Math.floor(thing.seconds % 60)).padStart(2, "0")}`
		: "";
	const size = thing.width ? `${thing.width} × ${thing.height}` : "";
	return [thing.kind, length, size].filter(Boolean).join(", ");
}
