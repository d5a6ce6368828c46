import { describe, expect, it } from "vitest";
import { about, clock, dayOf, megabytes, timeLeft } from "./time";

describe("times and sizes as read", () => {
	it.each([
		[75.2, false, "1:15"],
		[59.96, true, "1:00.0"],
		[-1, false, "0:00"],
		[3600, false, "60:00"],
	])("%d seconds (tenths %s) are %s", (seconds, tenths, text) => expect(clock(seconds, tenths)).toBe(text));

	it("rounds what is left to what one can say", () => {
		expect(timeLeft(null)).toBe("");
		expect(timeLeft(2)).toBe("about 1 s left");
		expect(timeLeft(23)).toBe("about 25 s left");
		expect(timeLeft(110)).toBe("about 2 min left");
	});

	it("gives small files a decimal", () => {
		expect([megabytes(1_240_000), megabytes(12_400_000)]).toEqual(["1.2 MB", "12 MB"]);
		expect([megabytes(9_000), megabytes(0)]).toEqual(["0.1 MB", "0.1 MB"]);
	});

	it("names days as one speaks of them", () => {
		const now = new Date(2026, 2, 1, 0, 10);
		expect(dayOf(new Date(2026, 2, 1, 0, 5), now)).toBe("today");
		expect(dayOf(new Date(2026, 1, 28, 23, 55), now)).toBe("yesterday");
		expect(dayOf(new Date(2026, 1, 27, 12), now)).toBe("Fri 27 Feb");
		expect(dayOf(new Date(2025, 11, 31, 12), now)).toBe("Wed, 31 Dec 2025");
	});

	it("says about how long something takes", () => {
		expect(about(12)).toBe("about 10 s");
		expect(about(150)).toBe("about 3 min");
	});
});
