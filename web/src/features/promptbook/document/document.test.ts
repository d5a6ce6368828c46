import { getSchema } from "@tiptap/core";
import { describe, expect, it } from "vitest";
import {
	documentToEditor,
	editorToDocument,
	NOT_PLAYED,
	type ProductionDocument,
	shownName,
	withNewSpeakers,
} from "./document";
import { scriptExtensions } from "./extensions";
import { productionOf } from "./testing";

const schema = getSchema(scriptExtensions());
const production = productionOf(
	[
		"a1",
		"The pier",
		[
			{ id: "b1", kind: "direction", text: "Morning.", speaker: "", cues: [] },
			{ id: "b2", kind: "line", text: "Mind the *step* & 潮.", speaker: "MAREN", cues: [] },
		],
	],
	["a2", "", [{ id: "b3", kind: "line", text: "", speaker: "", cues: [] }]],
);
const throughEditor = (before: ProductionDocument) =>
	editorToDocument(schema.nodeFromJSON(documentToEditor(before)), before);

describe("a production in the editor", () => {
	it("comes back as it went in, ids and choices and all", () => {
		const staged = structuredClone(production);
		Object.assign(staged.script.scenes[0]?.staging ?? {}, { tail: 2, blocking: { MAREN: { x: 0.2, distance: 1 } } });
		staged.brief = { ...staged.brief, points: ["Twice a day"], target: 60 };
		expect(throughEditor(staged)).toEqual(staged);
	});

	it("gets a line to write in where a scene is empty", () => {
		const blocks = throughEditor(productionOf(["a3", "Later", []])).script.scenes[0]?.blocks;
		expect(blocks).toMatchObject([{ kind: "line", text: "" }]);
		expect(blocks?.[0]?.id).toBeTruthy();
	});
});

describe("the cast", () => {
	const played = (host: string) => ({ ...NOT_PLAYED, host });

	it("adds who is new in the script, as proposed, and nobody else", () => {
		const two = structuredClone(production);
		two.cast = { MAREN: played("imani") };
		two.script.scenes[1]?.blocks.push({ id: "b4", kind: "line", text: "Dry feet.", speaker: "Gull", cues: [] });
		const proposed = { Gull: played("skerry"), MAREN: played("maren"), Gone: played("dulse") };
		expect(withNewSpeakers(two, proposed)).toEqual({ MAREN: played("imani"), Gull: played("skerry") });
	});

	it("says so where nobody is new, or nothing is proposed", () => {
		expect(withNewSpeakers({ ...production, cast: { MAREN: played("imani") } }, { MAREN: played("maren") })).toBe(null);
		expect(withNewSpeakers({ ...production, cast: {} }, {})).toBe(null);
	});
});

describe("names as shown", () => {
	it.each([
		["MAREN", "Maren"],
		["McKay", "McKay"],
		["ANNE-MARIE O'DAY", "Anne-Marie O'Day"],
		["", ""],
	])("%s is shown as %s", (written, shown) => expect(shownName(written)).toBe(shown));
});
