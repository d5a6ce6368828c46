import { describe, expect, it } from "vitest";
import type { Delivery } from "../../shared/deliveries/useDeliveries";
import { EVERY, foundDeliveries } from "./finding";

const film = (title: string, status: Delivery["status"]) => ({ title, status }) as Delivery;

describe("films", () => {
	const all = [film("The pier", "done"), film("High water", "running"), film("Low water", "failed")];
	const titles = (wanted: Partial<typeof EVERY>) => foundDeliveries(all, { ...EVERY, ...wanted }).map((d) => d.title);

	it("are found by words of their titles, in any order", () => {
		expect(titles({ typed: "" })).toHaveLength(3);
		expect(titles({ typed: "WATER" })).toEqual(["High water", "Low water"]);
		expect(titles({ typed: "water low" })).toEqual(["Low water"]);
		expect(titles({ typed: "quay" })).toEqual([]);
	});

	it("and by where they stand", () => {
		expect(titles({ state: "done" })).toEqual(["The pier"]);
		expect(titles({ state: "under way" })).toEqual(["High water"]);
		expect(titles({ state: "not made", typed: "high" })).toEqual([]);
	});
});
