import { describe, expect, test } from "vitest";

import type { ProductionChoice } from "./catalogue";
import type { ProductionDocument } from "./document";
import { heardOtherwise } from "./soundChoices";
import { productionOf } from "./testing";

const CHOICES = [
	{ name: "bed", touches: "sound" },
	{ name: "bed_under", touches: "sound" },
	{ name: "loudness", touches: "sound" },
	{ name: "set", touches: "picture" },
	{ name: "tail", touches: "time" },
] as ProductionChoice[];

const BEFORE: ProductionDocument = {
	...productionOf(["a", "One", []], ["b", "Two", []]),
	bed: "calm",
	bed_under: 20,
	loudness: "-16",
};

function inScene(document: ProductionDocument, index: number, staging: object): ProductionDocument {
	const scenes = document.script.scenes.map((scene, i) =>
		i === index ? { ...scene, staging: { ...scene.staging, ...staging } } : scene,
	);
	return { ...document, script: { ...document.script, scenes } };
}

function told(before: ProductionDocument, after: ProductionDocument, index = 0) {
	const chosen = heardOtherwise(before, after, CHOICES);
	return chosen && JSON.parse(chosen(after.script.scenes[index]?.id ?? ""));
}

describe("what is heard otherwise", () => {
	test("is what holds everywhere, and what a scene has of its own", () => {
		const louder = { ...BEFORE, bed_under: 12 };
		expect(told(BEFORE, louder)).toEqual({
			everywhere: { bed: "calm", bed_under: 12, loudness: "-16" },
			own: {},
		});
		const own = inScene(BEFORE, 1, { bed: "none" });
		expect(told(BEFORE, own, 1).own).toEqual({ bed: "none" });
		expect(told(BEFORE, own, 0).own).toEqual({});
	});

	test("what a scene no longer has of its own is not told", () => {
		const own = inScene(BEFORE, 0, { bed_under: 30 });
		expect(told(own, inScene(own, 0, { bed_under: null }))).toMatchObject({ own: {} });
	});

	test.each([
		["a picture", { ...BEFORE, set: "quay" }],
		["a picture beside a sound", { ...BEFORE, set: "quay", bed: "warm" }],
		["how long a scene lasts", inScene(BEFORE, 0, { tail: 2 })],
		["nothing", BEFORE],
	])("%s is nothing that is only heard", (_, after) => {
		expect(heardOtherwise(BEFORE, after as ProductionDocument, CHOICES)).toBeNull();
	});

	test("other words are not only heard", () => {
		const scenes = BEFORE.script.scenes.map((scene) => ({ ...scene, heading: `${scene.heading}!` }));
		expect(told(BEFORE, { ...BEFORE, bed: "warm", script: { ...BEFORE.script, scenes } })).toBeNull();
	});

	test("neither the order of keys nor an empty value is a change", () => {
		const { script, ...rest } = inScene(BEFORE, 0, { set: null });
		const turned = Object.fromEntries(Object.entries(rest).reverse()) as Omit<ProductionDocument, "script">;
		expect(told(BEFORE, { script, ...turned, bed: "warm" } as ProductionDocument)).not.toBeNull();
	});
});
