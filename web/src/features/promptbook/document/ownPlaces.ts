import type { ProductionDocument, Scene, Staging } from "./document";
import { holds } from "./scope";

/** Where an own picture lies: which part of it is in the middle, 0 to 1, and how near it is, from 1. */
export type OwnPlace = { x: number; y: number; zoom: number };

export const NEAREST = 2.5;
const AS_HERE = "as-here";

/** The places by picture shape that "9:16 0.3 0.5 1.4; 1:1 0.5 0.5 1" names. */
export function placesOf(text: string): ReadonlyMap<string, OwnPlace> {
	const entries = text === AS_HERE ? [] : text.split(";").map((entry) => entry.trim().split(" "));
	return new Map(
		entries.map(([shape = "", x, y, zoom]) => [shape, { x: Number(x), y: Number(y), zoom: Number(zoom) }]),
	);
}

function textOf(places: ReadonlyMap<string, OwnPlace>): string {
	const entries = [...places].map(([shape, { x, y, zoom }]) => `${shape} ${[x, y, zoom].map(short).join(" ")}`);
	return entries.join("; ") || AS_HERE;
}

function short(value: number): string {
	return String(Math.round(value * 1000) / 1000);
}

/** Whether an own picture lies otherwise in the production's shape than in others. */
export function liesOtherwise(document: ProductionDocument, scene: Scene): boolean {
	return placesOf(String(holds(document, scene, "own_elsewhere"))).has(document.shape);
}

/** Where a scene's own picture lies in the production's shape. */
export function placeIn(document: ProductionDocument, scene: Scene): OwnPlace {
	const number = (name: "own_x" | "own_y" | "own_zoom") => Number(holds(document, scene, name));
	const here = { x: number("own_x"), y: number("own_y"), zoom: number("own_zoom") };
	return placesOf(String(holds(document, scene, "own_elsewhere"))).get(document.shape) ?? here;
}

/** The choices that put a scene's own picture elsewhere: in this shape, where it lies otherwise in it, else in all. */
export function withPlace(document: ProductionDocument, scene: Scene, moved: Partial<OwnPlace>): Partial<Staging> {
	const { x, y, zoom } = within({ ...placeIn(document, scene), ...moved });
	if (!liesOtherwise(document, scene)) return { own_x: x, own_y: y, own_zoom: zoom };
	return otherwise(document, scene, { x, y, zoom });
}

/** The choice that has it lie otherwise in this shape, beginning as it is, or as in the others again. */
export function otherwise(document: ProductionDocument, scene: Scene, place: OwnPlace | null): Partial<Staging> {
	const places = new Map(placesOf(String(holds(document, scene, "own_elsewhere"))));
	if (place) places.set(document.shape, place);
	else places.delete(document.shape);
	return { own_elsewhere: textOf(places) };
}

/** Where a picture lies once it is dragged by parts of the stage; `size` is its own, in any unit. */
export function dragged(
	place: OwnPlace,
	by: { x: number; y: number },
	size: { width: number; height: number },
	stage: { width: number; height: number },
): OwnPlace {
	const scale = Math.max(stage.width / size.width, stage.height / size.height) * place.zoom;
	// what does not fit in is what it can be moved by; it goes along with the pointer
	const over = { x: size.width * scale - stage.width, y: size.height * scale - stage.height };
	const moved = (at: number, distance: number, spare: number) => (spare < 1 ? at : at - distance / spare);
	return within({ ...place, x: moved(place.x, by.x, over.x), y: moved(place.y, by.y, over.y) });
}

/** A place within what there is. */
function within({ x, y, zoom }: OwnPlace): OwnPlace {
	const held = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));
	return { x: held(x, 0, 1), y: held(y, 0, 1), zoom: held(zoom, 1, NEAREST) };
}
