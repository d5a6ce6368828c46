import { expect, test } from "vitest";
import { found } from "./finding";
import type { Summary } from "./useProductions";

const SHELF = [
	{ title: "Die Größe der See", hosts: ["Maren"] },
	{ title: "The pocket tide clock", hosts: ["Tobias", "Imani"] },
	{ title: "Why the sea comes back", hosts: ["Skerry"] },
] as Summary[];
const titles = (typed: string) => found(SHELF, typed).map((production) => production.title);

test("every word has to be there, in the title or among the hosts", () => {
	expect(titles("sea")).toEqual(["Why the sea comes back"]);
	expect(titles("clock imani")).toEqual(["The pocket tide clock"]);
	expect(titles("clock maren")).toEqual([]);
});

test("capitals, accents and spaces do not matter", () => {
	expect(titles("GROẞE")).toEqual(titles("größe"));
	expect(titles("  See ")).toEqual(["Die Größe der See"]);
	expect(titles("grosse")).toEqual([]);
	expect(titles("")).toHaveLength(3);
});
