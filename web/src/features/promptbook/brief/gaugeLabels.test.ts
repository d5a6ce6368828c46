import { describe, expect, it } from "vitest";
import { HEIGHT, labelTop, ROW } from "./gaugeLabels";

describe("labels of the length gauge", () => {
	it("never lie over each other", () => {
		for (let now = 0; now <= HEIGHT; now += 3) {
			for (let mark = 0; mark <= HEIGHT; mark += 3) {
				const top = labelTop(now, mark);
				expect(top + 2 * ROW <= mark || mark + ROW <= top, `${now} ${mark} ${top}`).toBe(true);
			}
		}
	});

	it("stand beside the water where there is room", () => {
		expect(labelTop(20, 120)).toBe(20);
		expect(labelTop(100, 30)).toBe(100);
		expect(labelTop(60, -99)).toBe(60);
	});
});
