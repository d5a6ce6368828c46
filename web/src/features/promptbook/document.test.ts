import { describe, expect, it } from "vitest";
import {
	editorToScript,
	type ProductionDocument,
	type Script,
	scriptToEditor,
	shownName,
	withFullCast,
} from "./document";

const script: Script = {
	title: "The bell",
	notes: { author: "The museum" },
	scenes: [
		{
			id: "a1",
			heading: "The pier",
			blocks: [
				{ id: "b1", kind: "direction", text: "Morning.", speaker: "", cues: [] },
				{ id: "b2", kind: "line", text: "Mind the *step* & 潮.", speaker: "MAREN", cues: [] },
			],
		},
		{ id: "a2", heading: "", blocks: [{ id: "b3", kind: "line", text: "", speaker: "", cues: [] }] },
	],
};

describe("a script in the editor", () => {
	it("comes back as it went in, ids and all", () => {
		expect(editorToScript(scriptToEditor(script), script)).toEqual(script);
	});

	it("gets a line to write in where a scene is empty", () => {
		const empty: Script = { ...script, scenes: [{ id: "a3", heading: "Later", blocks: [] }] };
		const blocks = editorToScript(scriptToEditor(empty), empty).scenes[0]?.blocks;
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
	const document = { script, cast: {} } as unknown as ProductionDocument;

	it("gives a speaker the host of that name, and others a free one", () => {
		const two = structuredClone(script);
		two.scenes[1]?.blocks.push(
			{ id: "b4", kind: "line", text: "Dry feet.", speaker: "Gull", cues: [] },
			{ id: "b5", kind: "line", text: "Indeed.", speaker: "SKERRY", cues: [] },
		);
		const cast = withFullCast({ ...document, script: two }, hosts, [{ id: "joe" }]).cast;
		expect(cast.MAREN).toEqual({ host: "maren", voice: "joe" });
		expect(cast.Gull?.host).toBe("skerry");
		expect(cast.SKERRY?.host).toBe("imani");
	});

	it("keeps what was chosen", () => {
		const chosen = { MAREN: { host: "imani", voice: "pip" } };
		expect(withFullCast({ ...document, cast: chosen }, hosts, [{ id: "joe" }]).cast).toEqual(chosen);
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
