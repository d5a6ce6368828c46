import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { fireEvent, render, screen } from "@testing-library/react";
import type { ReactNode } from "react";
import { describe, expect, it, vi } from "vitest";
import type { ProductionChoice } from "./catalogue";
import { EverywhereChoice } from "./EverywhereChoice";
import { SceneChoice } from "./SceneChoice";
import { optionsOf } from "./scope";
import { productionOf } from "./testing";

const CHOICES: ProductionChoice[] = [
	{
		name: "set",
		kind: "choice",
		label: "Set",
		asks: "Set",
		scope: "both",
		touches: "picture",
		default: "museum",
		unit: "",
		values: [
			{ value: "museum", words: "the tide room" },
			{ value: "pier", words: "the pier" },
		],
	},
	{
		name: "captions",
		kind: "switch",
		label: "Captions in the picture",
		asks: "Captions in the picture",
		scope: "both",
		touches: "picture",
		default: true,
		unit: "",
		values: [],
	},
	{
		name: "shape",
		kind: "choice",
		label: "Picture shape",
		asks: "Shape of the picture",
		scope: "everywhere",
		touches: "picture",
		default: "16:9",
		unit: "",
		values: ["16:9", "1:1", "9:16"].map((value) => ({ value, words: value })),
	},
];

function shown(node: ReactNode) {
	const queries = new QueryClient({
		defaultOptions: { queries: { retry: false, staleTime: Number.POSITIVE_INFINITY } },
	});
	queries.setQueryData(["choices"], CHOICES);
	return render(<QueryClientProvider client={queries}>{node}</QueryClientProvider>);
}

const two = () => productionOf(["a", "One", []], ["b", "Two", []]);
const sceneOf = (production: ReturnType<typeof two>, index: number) => {
	const scene = production.script.scenes[index];
	if (!scene) throw new Error("no scene");
	return scene;
};

describe("a choice of a scene", () => {
	it("has the words of the table, and says where it holds", () => {
		const production = two();
		shown(
			<SceneChoice
				name="set"
				document={production}
				scene={sceneOf(production, 0)}
				number={1}
				change={vi.fn()}
				onPropose={vi.fn()}
			/>,
		);
		expect(screen.getByRole("group", { name: "Set, in all scenes" })).toBeInTheDocument();
		expect(screen.getByRole("radio", { name: "the tide room" })).toBeChecked();
		expect(screen.getByRole("radio", { name: "the pier" })).not.toBeChecked();
	});

	it("is made for the scene at hand alone", () => {
		const production = two();
		const change = vi.fn();
		shown(
			<SceneChoice
				name="set"
				document={production}
				scene={sceneOf(production, 1)}
				number={2}
				change={change}
				onPropose={vi.fn()}
			/>,
		);
		fireEvent.click(screen.getByRole("radio", { name: "the pier" }));
		expect(change).toHaveBeenCalledExactlyOnceWith({}, [{ sceneId: "b", staging: { set: "pier" } }]);
	});

	it("is made for all of a production of one scene", () => {
		const production = productionOf(["a", "One", []]);
		const change = vi.fn();
		shown(
			<SceneChoice
				name="captions"
				document={production}
				scene={sceneOf(production, 0)}
				number={1}
				change={change}
				onPropose={vi.fn()}
			/>,
		);
		fireEvent.click(screen.getByRole("radio", { name: "off" }));
		expect(change).toHaveBeenCalledExactlyOnceWith({ captions: false }, [
			{ sceneId: "a", staging: { captions: null } },
		]);
	});

	it("offers to make all scenes alike where they differ, shown before it is made", () => {
		const production = two();
		const scenes = [
			sceneOf(production, 0),
			{ ...sceneOf(production, 1), staging: { blocking: {}, looks: {}, set: "pier" } },
		];
		const staged = { ...production, script: { ...production.script, scenes } };
		const propose = vi.fn();
		shown(
			<SceneChoice
				name="set"
				document={staged}
				scene={sceneOf(staged, 1)}
				number={2}
				change={vi.fn()}
				onPropose={propose}
			/>,
		);
		expect(screen.getByRole("group", { name: "Set, scene 2" })).toBeInTheDocument();
		fireEvent.click(screen.getByRole("button", { name: "Apply to all scenes: Set, the pier" }));
		expect(propose.mock.calls[0]?.[0]).toMatchObject({
			says: "Set: the pier",
			rows: [{ number: 1, heading: "One", now: "now the tide room" }],
			part: { set: "pier" },
			own: [{ sceneId: "b", staging: { set: null } }],
		});
	});
});

describe("a choice for everything", () => {
	it("is asked in the table's words", () => {
		const change = vi.fn();
		shown(<EverywhereChoice name="shape" document={two()} change={change} />);
		expect(screen.getByRole("group", { name: "Shape of the picture, everywhere" })).toBeInTheDocument();
		fireEvent.click(screen.getByRole("radio", { name: "9:16" }));
		expect(change).toHaveBeenCalledExactlyOnceWith({ shape: "9:16" });
	});
});

describe("options", () => {
	it("are on and off for a switch, and none for what is not known yet", () => {
		expect(optionsOf(CHOICES[1])).toEqual([
			{ value: true, text: "on" },
			{ value: false, text: "off" },
		]);
		expect(optionsOf(undefined)).toEqual([]);
	});
});
