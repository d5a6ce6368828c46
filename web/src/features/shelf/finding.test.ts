import { describe, expect, it } from "vitest";
import { isThing, type ShelfThing } from "../../shared/shelf/useShelf";
import { describedThing, EVERYTHING, foundThings, MISSING } from "./finding";

const thing = (part: Partial<ShelfThing>): ShelfThing => ({
	item: "i000000000000000",
	kind: "picture",
	number: 1,
	title: "Harbour wall",
	file: "wall.jpg",
	licence: "own",
	author: "Ruri Sand",
	problem: "",
	shared: false,
	mine: true,
	width: 640,
	height: 360,
	seconds: 0,
	rate: 0,
	sounds: false,
	transparent: false,
	bytes: 1000,
	loops: false,
	light: "even",
	notes: [],
	used_in: [],
	created_at: "2026-01-01T00:00:00Z",
	...part,
});
const wall = thing({});
const water = thing({
	item: "c000000000000000",
	kind: "clip",
	title: "Water",
	file: "slipway.mp4",
	licence: "",
	problem: "no licence said",
	seconds: 68.4,
});
const both = [wall, water];

describe("finding things on the shelf", () => {
	it.each([
		["", both],
		["harbour", [wall]],
		["SLIPWAY", [water]],
		["ruri wall", [wall]],
		["ruri water", [water]],
		["moon", []],
	] as const)("by the words “%s”", (typed, found) => {
		expect(foundThings(both, { ...EVERYTHING, typed })).toEqual(found);
	});

	it("by kind and licence", () => {
		expect(foundThings(both, { ...EVERYTHING, kind: "clip" })).toEqual([water]);
		expect(foundThings(both, { ...EVERYTHING, licence: "own" })).toEqual([wall]);
		expect(foundThings(both, { ...EVERYTHING, licence: MISSING })).toEqual([water]);
	});

	it("says what a thing is", () => {
		expect(describedThing(wall)).toBe("picture, 640 × 360");
		expect(describedThing(water)).toBe("clip, 1:08, 640 × 360");
		expect(describedThing(thing({ kind: "sound", width: 0, seconds: 9 }))).toBe("sound, 0:09");
	});

	it.each([
		["i0123456789abcde", true],
		["c0123456789abcde", true],
		["museum", false],
		["x0123456789abcde", false],
		["i0123456789abcdef", false],
	] as const)("%s names a thing: %s", (value, names) => expect(isThing(value)).toBe(names));
});
