import { describe, expect, it } from "vitest";
import { WATERLINE } from "./drawing";
import { body, buoyPlaces, heightOf, LOUDEST, levelAt, SOFTEST, surface } from "./water";

const WATER = [
	{ at: 0, level: 10 },
	{ at: 1, level: 10 },
	{ at: 1.4, level: 20 },
	{ at: 4, level: 20 },
	{ at: 5, level: 10 },
];

describe("the water of the music", () => {
	it("stands higher the louder it is, and is read back from where it stands", () => {
		expect(heightOf(10)).toBeLessThan(heightOf(20));
		expect(heightOf(SOFTEST)).toBe(WATERLINE);
		expect(heightOf(60)).toBe(WATERLINE);
		for (let level = LOUDEST; level <= SOFTEST; level += 1) expect(levelAt(heightOf(level))).toBe(level);
		expect(levelAt(-500)).toBe(LOUDEST);
		expect(levelAt(500)).toBe(SOFTEST);
	});

	it("has a surface at its levels, and nothing where there is no music", () => {
		expect(surface(WATER, 100).split("L")).toHaveLength(WATER.length);
		expect(surface(WATER, 100).startsWith(`M0.0 ${heightOf(10).toFixed(1)}L100.0`)).toBe(true);
		expect(body(WATER, 100).endsWith(`L500 ${WATERLINE}L0 ${WATERLINE}Z`)).toBe(true);
		expect(body([], 100)).toBe("");
	});

	it("has a buoy where it is down and one where it is up", () => {
		const { under = 0, pause = -1 } = buoyPlaces(WATER, 20, 10);
		expect(under).toBeGreaterThan(1.4);
		expect(under).toBeLessThan(4);
		expect(pause).toBeGreaterThanOrEqual(0);
		expect(pause).toBeLessThan(1);
		expect(buoyPlaces(WATER, 30, 10).under).toBeUndefined();
		expect(buoyPlaces(WATER, 20, 20).pause).toBeUndefined();
	});
});
