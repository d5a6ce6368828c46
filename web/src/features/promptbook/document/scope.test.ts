import { describe, expect, it } from "vitest";
import { parseLength } from "../../../shared/time";
import { fitting, layScenes, MARGIN, sceneAt, tickStep, xOf } from "./scale";
import { forAllScenes, holds, listed, ownChoice } from "./scope";
import { productionOf } from "./testing";

const production = productionOf(["a", "One", []], ["b", "Two", []], ["c", "Three", []]);
const [one, two, three] = production.script.scenes.map((s) => ({ ...s, staging: { ...s.staging } }));
if (one && two && three) {
	two.staging.set = "pier";
	three.staging.captions = false;
	production.script.scenes = [one, two, three];
}

describe("the scope of a change", () => {
	it("a scene's own choice goes before that of all", () => {
		expect(production.script.scenes.map((s) => holds(production, s, "set"))).toEqual(["museum", "pier", "museum"]);
		expect(production.script.scenes.map((s) => holds(production, s, "captions"))).toEqual([true, true, false]);
		expect(ownChoice(production, "set", "museum")).toEqual({ set: null });
		expect(ownChoice(production, "captions", false)).toEqual({ captions: false });
		expect(ownChoice(production, "captions", true)).toEqual({ captions: null });
	});

	it("lists only the scenes that will change, and clears what they had of their own", () => {
		const change = forAllScenes(production, "set", "pier", "The set is the pier", (now) => `now ${now}`);
		expect(change.rows.map((row) => [row.number, row.now])).toEqual([
			[1, "now museum"],
			[3, "now museum"],
		]);
		expect(change.part).toEqual({ set: "pier" });
		expect(change.own).toEqual([{ sceneId: "b", staging: { set: null } }]);
		const on = forAllScenes(production, "captions", true, "Captions on", String);
		expect(on.rows.map((row) => row.number)).toEqual([3]);
		expect(on.own).toEqual([{ sceneId: "c", staging: { captions: null } }]);
	});

	it.each([
		[[1], "1"],
		[[1, 2], "1 and 2"],
		[[1, 2, 3, 5], "1 to 3 and 5"],
		[[1, 3, 4, 5, 9], "1, 3 to 5 and 9"],
	])("%j are %s", (numbers, words) => expect(listed(numbers)).toBe(words));
});

describe("lengths", () => {
	it.each([
		["3:00", 180],
		["0:59 min", 59],
		["60 s", 60],
		["90", 90],
		["1,5 min", 90],
		["", 0],
		["3:60", null],
		["soon", null],
		["99999", null],
	])("%s is %s seconds", (text, seconds) => expect(parseLength(text)).toBe(seconds));
});

describe("the ribbon", () => {
	const check = {
		scenes: [
			{ id: "a", words: 9, seconds: 10, estimated: true },
			{ id: "b", words: 0, seconds: 0, estimated: true },
			{ id: "c", words: 5, seconds: 4, estimated: false },
		],
	} as never;
	const laid = layScenes(production.script.scenes, check, new Map());

	it("lays scenes end to end and leaves out those without words", () => {
		expect(laid.map((s) => [s.id, s.number, s.start, s.seconds])).toEqual([
			["a", 1, 0, 10],
			["c", 3, 10, 4],
		]);
		expect([0, 9.9, 10, 99].map((moment) => sceneAt(laid, moment)?.id)).toEqual(["a", "a", "c", "c"]);
	});

	it("is zoomed so that what is wished fits, with marks of time far enough apart", () => {
		const scale = fitting(14, 1000);
		expect(xOf(14, scale)).toBeCloseTo(1000 - MARGIN);
		for (const zoom of [0.3, 1, 7, 42, 176, 520, 900]) expect(tickStep(zoom) * zoom).toBeGreaterThanOrEqual(66);
		expect(tickStep(176)).toBe(1);
	});
});
