import { describe, expect, it } from "vitest";
import { EVERYBODY, foundHosts } from "../../shared/hosts/finding";
import type { Host } from "../../shared/hosts/useHosts";
import { at, stepped, withValue } from "./sheet";

const SHEET = { hair: "bob", outfit: { cut: "knit", top: "tide" } };

describe("a model sheet", () => {
	it("changes one value and nothing else", () => {
		const next = withValue(SHEET, "outfit.top", "plum");
		expect(next).toEqual({ hair: "bob", outfit: { cut: "knit", top: "plum" } });
		expect(at(next, "outfit.top")).toBe("plum");
		expect(SHEET.outfit.top).toBe("tide");
		expect(withValue({}, "tie.colour", "ink")).toEqual({ tie: { colour: "ink" } });
	});

	it("undoes step by step, a moved scale as one step", () => {
		let history = stepped({ past: [], now: SHEET, field: "" }, { to: { hair: "bun" } });
		for (const value of [1, 2, 3]) history = stepped(history, { to: { hair: "bun", lash: value }, field: "lash" });
		history = stepped(history, { to: { hair: "crop" } });
		const seen = [];
		for (let i = 0; i < 4; i++) {
			history = stepped(history, "undo");
			seen.push(history.now);
		}
		expect(seen).toEqual([{ hair: "bun", lash: 3 }, { hair: "bun" }, SHEET, SHEET]);
	});
});

describe("finding hosts", () => {
	const host = (part: Partial<Host>): Host => ({
		id: "a",
		name: "A",
		kind: "person",
		looks: [],
		description: "",
		role: "",
		age: "adult",
		dress: "casual",
		mood: "",
		suits: [],
		voice: "",
		own: false,
		favourite: false,
		...part,
	});
	const hosts = [
		host({ id: "maren", description: "curator; warm", dress: "formal", suits: ["lessons"] }),
		host({ id: "gull", description: "gull; cheeky", age: "" }),
		host({ id: "mine", own: true, favourite: true }),
	];
	const ids = (part: object) => foundHosts(hosts, { ...EVERYBODY, ...part }).map((h) => h.id);

	it("goes by the words of the card and by every choice", () => {
		expect(ids({})).toHaveLength(3);
		expect(ids({ typed: "war cur" })).toEqual(["maren"]);
		expect(ids({ typed: "arm" })).toEqual([]);
		expect(ids({ age: "animal" })).toEqual(["gull"]);
		expect(ids({ dress: "formal", suits: "lessons" })).toEqual(["maren"]);
		expect(ids({ whose: "own" })).toEqual(["mine"]);
		expect(ids({ whose: "marked" })).toEqual(["mine"]);
	});
});
