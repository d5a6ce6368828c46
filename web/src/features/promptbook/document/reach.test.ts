import { describe, expect, it } from "vitest";
import { scenesWithin, together, widened } from "./reach";
import { productionOf } from "./testing";

const production = productionOf(["a", "One", []], ["b", "Two", []], ["c", "Three", []]);
const to = (name: "set" | "camera", value: string, reach: "scene" | "on" | "all") =>
	widened(production, "b", name, value, reach, `${name}: ${value}`, String);

describe("how far a change reaches", () => {
	it("one scene, from it on, or all", () => {
		expect(to("set", "pier", "scene").own).toEqual([{ sceneId: "b", staging: { set: "pier" } }]);
		expect(to("set", "pier", "on").own.map((one) => one.sceneId)).toEqual(["b", "c"]);
		expect(to("set", "pier", "all")).toMatchObject({ part: { set: "pier" }, own: [] });
	});

	it("a scene alone, those from it on, or all, and none of a scene that is gone", () => {
		const { scenes } = production.script;
		const within = (id: string, reach: "scene" | "on" | "all") =>
			scenesWithin(scenes, id, reach).map((scene) => scene.id);
		expect(within("b", "scene")).toEqual(["b"]);
		expect(within("b", "on")).toEqual(["b", "c"]);
		expect(within("b", "all")).toEqual(["a", "b", "c"]);
		expect(within("gone", "scene")).toEqual([]);
		expect(within("gone", "on")).toEqual([]);
	});

	it("several choices are one change, each scene listed once", () => {
		const both = together([to("set", "pier", "on"), to("camera", "push", "on")], "Otherwise");
		expect(both.says).toBe("Otherwise");
		expect(both.rows.map((row) => row.number)).toEqual([2, 3]);
		expect(both.own).toEqual([
			{ sceneId: "b", staging: { set: "pier" } },
			{ sceneId: "c", staging: { set: "pier" } },
			{ sceneId: "b", staging: { camera: "push" } },
			{ sceneId: "c", staging: { camera: "push" } },
		]);
		expect(together([to("set", "pier", "all"), to("camera", "push", "all")], "All").part).toEqual({
			set: "pier",
			camera: "push",
		});
	});

	it("what is as it is already changes nothing", () => {
		const same = together([to("set", "museum", "scene"), to("camera", "still", "scene")], "The same");
		expect(same.own).toEqual([]);
	});
});
