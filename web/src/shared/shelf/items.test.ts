import { expect, test } from "vitest";
import { itemsIn, kindOfItem } from "./items";

test("a thing's id tells its kind", () => {
	expect(["if91dc2a3de7f859", "c8803b6188d56e68", "s0123456789abcde", ""].map(kindOfItem)).toEqual([
		"picture",
		"clip",
		"sound",
		"",
	]);
});

test("a setting names any number of things", () => {
	expect(itemsIn("c1  i2 ")).toEqual(["c1", "i2"]);
	expect([itemsIn(""), itemsIn(undefined)]).toEqual([[], []]);
});
