import { createEvent, fireEvent, render, screen } from "@testing-library/react";
import { beforeAll, describe, expect, it, vi } from "vitest";
import { type Grip, useOnStage } from "../document/stageGrip";
import { StageGrip } from "./StageGrip";

function Offer({ grip }: { grip: Grip | null }) {
	useOnStage(grip);
	return null;
}

/** A figure on a stage of this shape. */
function gripped(shape: string) {
	const grip = { label: "The figure", onMove: vi.fn(), onEnd: vi.fn(), onCancel: vi.fn(), onNear: vi.fn() };
	render(
		<>
			<StageGrip shape={shape} />
			<Offer grip={grip} />
		</>,
	);
	return grip;
}

const stage = () => screen.getByRole("button");

/** A pointer at a place; the test's window has no pointer events of its own. */
function point(kind: "pointerDown" | "pointerMove" | "pointerUp" | "pointerCancel", x = 0, y = 0) {
	const event = createEvent[kind](stage());
	Object.defineProperties(event, { clientX: { value: x }, clientY: { value: y }, pointerId: { value: 1 } });
	fireEvent(stage(), event);
}

const moved = (mock: ReturnType<typeof vi.fn>) => mock.mock.calls.map(([by]) => by);

describe("what is moved on the stage", () => {
	beforeAll(() => {
		HTMLElement.prototype.setPointerCapture = () => undefined;
	});

	it("is nothing where nothing is offered", () => {
		render(<StageGrip shape="16:9" />);
		expect(screen.queryByRole("button")).toBeNull();
	});

	it("follows the pointer, and is let go where it is", () => {
		const grip = gripped("16:9");
		point("pointerMove", 40, 40);
		expect(grip.onMove).not.toHaveBeenCalled();
		point("pointerDown", 10, 20);
		point("pointerMove", 15, 20);
		point("pointerMove", 30, 50);
		point("pointerUp", 32, 50);
		expect(moved(grip.onMove)).toEqual([
			{ x: 5, y: 0 },
			{ x: 20, y: 30 },
		]);
		expect(moved(grip.onEnd)).toEqual([{ x: 22, y: 30 }]);
		point("pointerMove", 90, 90);
		expect(grip.onMove).toHaveBeenCalledTimes(2);
	});

	it("stays where it was when the hand is called away, or Escape is pressed", () => {
		const grip = gripped("9:16");
		point("pointerDown", 10, 20);
		point("pointerCancel");
		point("pointerDown", 10, 20);
		fireEvent.keyDown(stage(), { code: "Escape", key: "Escape" });
		point("pointerUp", 60, 60);
		expect(grip.onCancel).toHaveBeenCalledTimes(2);
		expect(grip.onEnd).not.toHaveBeenCalled();
	});

	it("is moved and brought nearer by keys, and nearer by the wheel", () => {
		const grip = gripped("1:1");
		fireEvent.keyDown(stage(), { code: "ArrowRight" });
		fireEvent.keyDown(stage(), { code: "ArrowUp", shiftKey: true });
		expect(moved(grip.onEnd)).toEqual([
			{ x: 2, y: 0 },
			{ x: 0, y: -20 },
		]);
		fireEvent.keyDown(stage(), { code: "NumpadAdd", key: "+" });
		fireEvent.wheel(stage(), { deltaY: 100 });
		expect(moved(grip.onNear)[0]).toBeGreaterThan(1);
		expect(moved(grip.onNear)[1]).toBeLessThan(1);
	});

	it("is what was offered last, and what is under it again once that is gone", () => {
		const picture = { label: "The picture", onEnd: vi.fn() };
		const figure = { label: "The figure", onEnd: vi.fn() };
		const offers = (second: Grip | null) => (
			<>
				<StageGrip shape="16:9" />
				<Offer grip={picture} />
				<Offer grip={second} />
			</>
		);
		const { rerender } = render(offers(null));
		expect(stage()).toHaveAccessibleName(/^The picture/);
		rerender(offers(figure));
		expect(stage()).toHaveAccessibleName(/^The figure/);
		rerender(offers(null));
		expect(stage()).toHaveAccessibleName(/^The picture/);
	});
});
