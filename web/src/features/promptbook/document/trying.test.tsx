import { act, createEvent, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import type { ProductionChoice } from "./catalogue";
import { triedWhilePointedAt, triesOf, trying, useNothingTriedAfter, useTried } from "./trying";

const SET: ProductionChoice = {
	name: "set",
	kind: "choice",
	label: "Set",
	asks: "The set is",
	scope: "both",
	touches: "picture",
	default: "museum",
	unit: "",
	values: [],
};
const PIER = { choices: { set: "pier" }, words: "Set: the pier" };

function Offer({ choice = SET, chosen = "museum" }: { choice?: ProductionChoice; chosen?: string }) {
	useNothingTriedAfter();
	const tried = useTried();
	return (
		<>
			<p>{tried ? `tried ${tried.words}` : "as chosen"}</p>
			<button type="button" {...triesOf(choice, chosen)("pier", "the pier")}>
				the pier
			</button>
			<button type="button" {...triedWhilePointedAt({ choices: { set: "quay" }, words: "the quay" })}>
				the quay
			</button>
		</>
	);
}

const pier = () => screen.getByRole("button", { name: "the pier" });
const stay = (ms: number) => act(() => vi.advanceTimersByTime(ms));

describe("what is tried", () => {
	beforeEach(() => {
		vi.useFakeTimers();
	});
	afterEach(() => {
		trying.settled();
		trying.end();
		vi.useRealTimers();
	});

	it("is what the pointer stays on, until it goes", () => {
		render(<Offer />);
		fireEvent.pointerEnter(pier(), { pointerType: "mouse" });
		stay(60);
		expect(trying.get()).toBeNull();
		stay(80);
		expect(trying.get()).toEqual(PIER);
		expect(screen.getByText("tried Set: the pier")).toBeInTheDocument();
		fireEvent.pointerLeave(pier());
		expect(screen.getByText("as chosen")).toBeInTheDocument();
	});

	it("is nothing that the pointer only crosses", () => {
		render(<Offer />);
		fireEvent.pointerEnter(pier(), { pointerType: "mouse" });
		stay(60);
		fireEvent.pointerLeave(pier());
		stay(1000);
		expect(trying.get()).toBeNull();
	});

	it("is the latest of two that were pointed at", () => {
		render(<Offer />);
		fireEvent.pointerEnter(pier(), { pointerType: "mouse" });
		stay(60);
		fireEvent.pointerEnter(screen.getByRole("button", { name: "the quay" }), { pointerType: "mouse" });
		stay(1000);
		expect(trying.get()?.choices).toEqual({ set: "quay" });
	});

	it("is nothing under a finger, which presses at once", () => {
		render(<Offer />);
		const over = createEvent.pointerOver(pier());
		Object.defineProperty(over, "pointerType", { value: "touch" });
		fireEvent(pier(), over);
		stay(1000);
		expect(trying.get()).toBeNull();
	});

	it("is nothing that is chosen already, heard or only timed, or a number", () => {
		const { rerender } = render(<Offer chosen="pier" />);
		const point = () => {
			fireEvent.pointerEnter(pier(), { pointerType: "mouse" });
			stay(1000);
			return trying.get();
		};
		expect(point()).toBeNull();
		for (const touches of ["sound", "time", "opening", "nothing"] as const) {
			rerender(<Offer choice={{ ...SET, touches }} />);
			expect(point()).toBeNull();
		}
		rerender(<Offer choice={{ ...SET, kind: "number" }} />);
		expect(point()).toBeNull();
		rerender(<Offer />);
		expect(point()).toEqual(PIER);
	});

	it("stays once it is chosen, without a word, until it is there as it is chosen", () => {
		render(<Offer />);
		fireEvent.pointerEnter(pier(), { pointerType: "mouse" });
		stay(200);
		act(() => trying.settle());
		expect(screen.getByText(/^tried/)).toHaveTextContent("tried");
		expect(trying.get()).toEqual({ ...PIER, words: "" });
		fireEvent.pointerLeave(pier());
		expect(trying.get()?.choices).toEqual(PIER.choices);
		act(() => trying.settled());
		expect(trying.get()).toBeNull();
	});

	it("gives way to what is pointed at next, which stays as long as it is pointed at", () => {
		render(<Offer />);
		fireEvent.pointerEnter(pier(), { pointerType: "mouse" });
		stay(200);
		act(() => trying.settle());
		fireEvent.pointerEnter(screen.getByRole("button", { name: "the quay" }), { pointerType: "mouse" });
		stay(200);
		expect(trying.get()?.words).toBe("the quay");
		stay(10_000);
		expect(trying.get()?.words).toBe("the quay");
	});

	it("gives way to nothing that the pointer only crosses", () => {
		render(<Offer />);
		fireEvent.pointerEnter(pier(), { pointerType: "mouse" });
		stay(200);
		act(() => trying.settle());
		const quay = screen.getByRole("button", { name: "the quay" });
		fireEvent.pointerEnter(quay, { pointerType: "mouse" });
		stay(60);
		fireEvent.pointerLeave(quay);
		stay(1000);
		expect(trying.get()).toEqual({ ...PIER, words: "" });
	});

	it("does not stay for ever where its picture never comes, and nothing stays that was not tried", () => {
		render(<Offer />);
		act(() => trying.settle());
		expect(trying.get()).toBeNull();
		fireEvent.pointerEnter(pier(), { pointerType: "mouse" });
		stay(200);
		act(() => trying.settle());
		stay(10_000);
		expect(trying.get()).toBeNull();
	});

	it("ends with the panel that offered it", () => {
		const { unmount } = render(<Offer />);
		fireEvent.pointerEnter(pier(), { pointerType: "mouse" });
		stay(200);
		expect(trying.get()).toEqual(PIER);
		unmount();
		expect(trying.get()).toBeNull();
	});
});
