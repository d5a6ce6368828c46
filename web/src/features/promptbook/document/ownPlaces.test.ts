import { describe, expect, it } from "vitest";
import type { ProductionDocument, Staging } from "./document";
import { dragged, liesOtherwise, NEAREST, otherwise, placeIn, placesOf, withPlace } from "./ownPlaces";
import { productionOf } from "./testing";

function placed(shape: "16:9" | "9:16", own: Partial<Staging> = {}) {
	const production = productionOf(["a", "One", []]);
	const [first] = production.script.scenes;
	if (!first) throw new Error("no scene");
	const scene = { ...first, staging: { ...first.staging, ...own } };
	const document = {
		...production,
		shape,
		own_x: 0.5,
		own_y: 0.4,
		own_zoom: 1,
		own_elsewhere: "as-here",
	} as ProductionDocument;
	return [document, scene] as const;
}

describe("where an own picture lies", () => {
	it("is alike in all shapes before anybody wants it otherwise in one", () => {
		for (const shape of ["16:9", "9:16"] as const) {
			expect(placeIn(...placed(shape))).toEqual({ x: 0.5, y: 0.4, zoom: 1 });
			expect(liesOtherwise(...placed(shape))).toBe(false);
		}
		expect(withPlace(...placed("9:16"), { x: 0.2 })).toEqual({ own_x: 0.2, own_y: 0.4, own_zoom: 1 });
	});

	it("is moved in its own shape alone where it lies otherwise in it", () => {
		const text = "9:16 0.3 0.5 1.4; 1:1 0.1 0.2 1";
		const upright = placed("9:16", { own_elsewhere: text });
		expect(liesOtherwise(...upright)).toBe(true);
		expect(placeIn(...upright)).toEqual({ x: 0.3, y: 0.5, zoom: 1.4 });
		expect(withPlace(...upright, { x: 0.123456 })).toEqual({ own_elsewhere: "9:16 0.123 0.5 1.4; 1:1 0.1 0.2 1" });
		const wide = placed("16:9", { own_elsewhere: text });
		expect(placeIn(...wide)).toEqual({ x: 0.5, y: 0.4, zoom: 1 });
		expect(withPlace(...wide, { zoom: 2 })).toEqual({ own_x: 0.5, own_y: 0.4, own_zoom: 2 });
	});

	it("begins as it is, and is as everywhere again", () => {
		const [document, scene] = placed("9:16");
		const own = otherwise(document, scene, placeIn(document, scene));
		expect(own).toEqual({ own_elsewhere: "9:16 0.5 0.4 1" });
		expect(placesOf("9:16 0.5 0.4 1").get("9:16")).toEqual({ x: 0.5, y: 0.4, zoom: 1 });
		expect(otherwise(...placed("9:16", own), null)).toEqual({ own_elsewhere: "as-here" });
	});

	it("stays within what there is", () => {
		expect(withPlace(...placed("16:9"), { x: -1, y: 7, zoom: 40 })).toEqual({ own_x: 0, own_y: 1, own_zoom: NEAREST });
	});
});

describe("a picture that is dragged", () => {
	const place = { x: 0.5, y: 0.5, zoom: 1 };
	const stage = { width: 320, height: 180 };

	it("goes with the pointer: what is under it stays under it", () => {
		// twice as wide as the stage: of its 720 pixels 400 do not fit in
		const size = { width: 4000, height: 1000 };
		const moved = dragged(place, { x: 40, y: 0 }, size, stage);
		expect(moved.x).toBeCloseTo(0.5 - 40 / 400);
		expect(moved.y).toBe(0.5);
	});

	it("goes nowhere where all of it is seen, and no further than its edge", () => {
		const size = { width: 1600, height: 900 };
		expect(dragged(place, { x: 40, y: 40 }, size, stage)).toEqual(place);
		expect(dragged({ ...place, zoom: 2 }, { x: 400, y: -400 }, size, stage)).toEqual({ x: 0, y: 1, zoom: 2 });
	});
});
