import { getSchema } from "@tiptap/core";
import { describe, expect, it } from "vitest";
import {
	documentToEditor,
	editorToDocument,
	NOT_PLAYED,
	type ProductionDocument,
	shownName,
	withFullCast,
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
	const hosts = [
		{ id: "maren", name: "Maren" },
		{ id: "skerry", name: "Skerry the seabird" },
		{ id: "imani", name: "Imani" },
	];

	it("gives a speaker the host of that name, and others a free one", () => {
		const two = structuredClone(production);
		two.script.scenes[1]?.blocks.push(
			{ id: "b4", kind: "line", text: "Dry feet.", speaker: "Gull", cues: [] },
			{ id: "b5", kind: "line", text: "Indeed.", speaker: "SKERRY", cues: [] },
		);
		const cast = withFullCast(two, hosts, [{ id: "joe" }]).cast;
		expect(cast.MAREN).toEqual({ ...NOT_PLAYED, voice: "joe" });
		expect(cast.Gull?.host).toBe("skerry");
		expect(cast.SKERRY?.host).toBe("imani");
	});

	it("keeps what was chosen", () => {
		const chosen = { MAREN: { ...NOT_PLAYED, host: "imani", voice: "pip" } };
		expect(withFullCast({ ...production, cast: chosen }, hosts, [{ id: "joe" }]).cast).toEqual(chosen);
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
