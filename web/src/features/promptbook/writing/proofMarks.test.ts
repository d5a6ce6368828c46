import { expect, test } from "vitest";
import { wordsDiffering } from "./proofMarks";

test("words that go and come are told from those that stay", () => {
	expect(wordsDiffering("In fact, the old bell rings.", "The old bell rings.")).toEqual([
		{ kind: "goes", text: "In fact, the" },
		{ kind: "comes", text: "The" },
		{ kind: "stays", text: "old bell rings." },
	]);
});

test("a sentence that goes goes whole, and one that is new comes whole", () => {
	expect(wordsDiffering("It rings.", "")).toEqual([{ kind: "goes", text: "It rings." }]);
	expect(wordsDiffering("", "It rings.")).toEqual([{ kind: "comes", text: "It rings." }]);
});

test("what stays and comes is the new sentence, what stays and goes the old one", () => {
	const [before, after] = ["a b c d e f", "x b d f g"];
	const pieces = wordsDiffering(before, after);
	const joined = (without: string) => pieces.flatMap((piece) => (piece.kind === without ? [] : [piece.text])).join(" ");
	expect(joined("goes")).toBe(after);
	expect(joined("comes")).toBe(before);
});
