import { fireEvent, render, screen } from "@testing-library/react";
import { describe, expect, it, vi } from "vitest";
import { productionOf } from "../document/testing";
import { SoundLevels } from "./SoundLevels";

const plain = productionOf(["a", "One", []], ["b", "Two", []]);
const withBed = (part: Partial<typeof plain>) => ({ ...plain, bed: "calm", bed_under: 20, bed_pause: 10, ...part });

describe("the level of music", () => {
	it("is asked for where there is music only", () => {
		const { container, rerender } = render(
			<SoundLevels document={{ ...plain, bed: "none" }} current="a" change={vi.fn()} />,
		);
		expect(container).toBeEmptyDOMElement();
		const [first, second] = plain.script.scenes;
		if (!first || !second) throw new Error("two scenes");
		const one = { ...second, staging: { ...second.staging, bed: "warm" } };
		const document = withBed({ bed: "none", script: { ...plain.script, scenes: [first, one] } });
		rerender(<SoundLevels document={document} current="a" change={vi.fn()} />);
		expect(screen.getByRole("region", { name: "Level of the music" })).toBeInTheDocument();
	});

	it("is told, and changed as one step while it is dragged", () => {
		const change = vi.fn();
		render(<SoundLevels document={withBed({})} current="a" change={change} />);
		expect(screen.getByText("20 LU below the words")).toBeInTheDocument();
		fireEvent.change(screen.getByRole("slider", { name: "Under words" }), { target: { value: "24" } });
		expect(change).toHaveBeenCalledWith({ bed_under: 24 }, [], "bed_under");
		fireEvent.change(screen.getByRole("slider", { name: "In pauses" }), { target: { value: "8" } });
		expect(change).toHaveBeenCalledWith({ bed_pause: 8 }, [], "bed_pause");
	});

	it.each([
		[20, false],
		[15, false],
		[14, true],
	])("at %s LU words blur: %s", (bed_under, blurs) => {
		render(<SoundLevels document={withBed({ bed_under })} current="a" change={vi.fn()} />);
		expect(screen.queryByText(/Words begin to blur/) !== null).toBe(blurs);
	});

	it("is the scene's own where it is to be, beginning as it was, and everybody's again", () => {
		const change = vi.fn();
		const { rerender } = render(<SoundLevels document={withBed({})} current="b" change={change} />);
		fireEvent.click(screen.getByRole("checkbox", { name: "Otherwise in scene 2" }));
		expect(change).toHaveBeenLastCalledWith({}, [{ sceneId: "b", staging: { bed_under: 20, bed_pause: 10 } }]);
		const [first, second] = plain.script.scenes;
		if (!first || !second) throw new Error("two scenes");
		const own = { ...second, staging: { ...second.staging, bed_under: 30, bed_pause: 10 } };
		const document = withBed({ script: { ...plain.script, scenes: [first, own] } });
		rerender(<SoundLevels document={document} current="b" change={change} />);
		expect(screen.getByRole("heading", { name: "Level, scene 2" })).toBeInTheDocument();
		expect(screen.getByText("30 LU below the words")).toBeInTheDocument();
		fireEvent.change(screen.getByRole("slider", { name: "In pauses" }), { target: { value: "8" } });
		expect(change).toHaveBeenLastCalledWith({}, [{ sceneId: "b", staging: { bed_pause: 8 } }], "bed_pause b");
		fireEvent.click(screen.getByRole("checkbox", { name: "Otherwise in scene 2" }));
		expect(change).toHaveBeenLastCalledWith({}, [{ sceneId: "b", staging: { bed_under: null, bed_pause: null } }]);
		rerender(<SoundLevels document={document} current="a" change={change} />);
		expect(screen.getByText("20 LU below the words")).toBeInTheDocument();
	});

	it("is asked for one scene only where there are several", () => {
		render(
			<SoundLevels
				document={withBed({ script: { ...plain.script, scenes: plain.script.scenes.slice(0, 1) } })}
				current="a"
				change={vi.fn()}
			/>,
		);
		expect(screen.queryByRole("checkbox", { name: /Otherwise/ })).toBeNull();
	});
});
