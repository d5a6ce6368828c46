import { expect, test } from "vitest";
import { firstWords, isKept, keptIn, measured, NOTHING_KEPT, type Part, scenesOf, toggled, whole } from "./pasteUp";

const part = (place: Part["place"], points: number[], text: string): Part => ({
	place,
	seconds: 10,
	open_seconds: place === "middle" ? 4 : 0,
	points,
	open: [],
	scene: {
		id: "s",
		heading: text,
		staging: { blocking: {}, looks: {} },
		blocks: [
			{ id: "d", kind: "direction", text: "Picture: the bell.", speaker: "", cues: [] },
			{ id: "l", kind: "line", text, speaker: "Maren", cues: [] },
		],
	},
});
const draft = {
	structure: "hook",
	name: "Hook",
	seconds: 30,
	open_seconds: 4,
	points: [0, 1],
	parts: [part("opening", [0], "Look."), part("middle", [0, 1], "It rings."), part("ending", [], "Come.")],
};

test("a whole draft is kept in the order of the script", () => {
	const all = whole(draft, "A");
	expect(keptIn(all).map(({ part }) => part.place)).toEqual(["opening", "middle", "ending"]);
	expect(measured(all)).toEqual({ seconds: 34, points: [0, 1], twice: [0] });
});

test("another opening takes the place of the first, parts between are added, and each is taken off again", () => {
	const first = { letter: "A", row: 0, part: part("opening", [], "One.") };
	const other = { letter: "B", row: 0, part: part("opening", [], "Two.") };
	let now = toggled(toggled(NOTHING_KEPT, first), other);
	expect(now.opening).toBe(other);
	expect(isKept(now, first)).toBe(false);
	const [a, b] = [
		{ letter: "A", row: 1, part: part("middle", [], "Three.") },
		{ letter: "C", row: 1, part: part("middle", [], "Four.") },
	];
	now = toggled(toggled(now, a), b);
	expect(keptIn(now)).toEqual([other, a, b]);
	expect(keptIn(toggled(toggled(now, a), other))).toEqual([b]);
});

test("scenes of what is kept have ids of their own, so that a part can be kept again", () => {
	const [one, two] = [scenesOf(whole(draft, "A")), scenesOf(whole(draft, "A"))];
	const ids = [...one, ...two].flatMap((scene) => [scene.id, ...scene.blocks.map((block) => block.id)]);
	expect(new Set(ids).size).toBe(ids.length);
	expect(one.map((scene) => scene.heading)).toEqual(["Look.", "It rings.", "Come."]);
});

test("directions are not its first words", () => {
	expect(firstWords(part("opening", [], "Look."))).toBe("Look.");
});
