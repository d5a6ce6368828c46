import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { fireEvent, render, screen, within } from "@testing-library/react";
import { Editor } from "@tiptap/core";
import { afterEach, beforeEach, describe, expect, it } from "vitest";
import { documentToEditor, editorToDocument } from "../document/document";
import { scriptExtensions } from "../document/extensions";
import { instead, type ProposedPicture, runnersUp } from "../document/pictures";
import type { Reach } from "../document/reach";
import { productionOf } from "../document/testing";
import { OnWords } from "./OnWords";

const line = (id: string, text: string) => ({ id, kind: "line" as const, speaker: "Maren", text, cues: [] });
const production = productionOf(
	["s1", "The quay", [line("a", "The boat comes in. The bell rings.")]],
	["s2", "The room", [line("b", "Bring a lantern.")]],
);

function proposed(id: string, words: string, thing: string, runners_up: string[] = []): ProposedPicture {
	const text = id === "a" ? "The boat comes in. The bell rings." : "Bring a lantern.";
	const start = text.indexOf(words);
	const parts = [{ thing, words: [thing], runners_up }];
	return { line: id, start, end: start + words.length, words, template: "solo", count: 1, key: thing, parts };
}

const BOAT = proposed("a", "The boat comes in.", "boat", ["ferry", "boat", "anchor", "sail", "oar"]);
const BELL = proposed("a", "The bell rings.", "bell");
const LANTERN = proposed("b", "Bring a lantern.", "lantern");

describe("what else could be shown", () => {
	it("is told of the first thing, without what is shown already, three at most", () => {
		expect(runnersUp(BOAT)).toEqual(["ferry", "anchor", "sail"]);
		expect(runnersUp(BELL)).toEqual([]);
		expect(runnersUp({ ...BOAT, parts: [] })).toEqual([]);
	});

	it("takes the place of the first thing alone", () => {
		const pair = { ...BOAT, parts: [...BOAT.parts, { thing: "bell", words: ["bell"], runners_up: [] }] };
		expect(instead(pair, "ferry").parts.map((part) => part.thing)).toEqual(["ferry", "bell"]);
		expect(instead(pair, undefined)).toEqual(pair);
		expect(instead({ ...pair, parts: [] }, "ferry").parts).toEqual([]);
	});
});

describe("pictures that are suggested for words", () => {
	let editor: Editor;
	beforeEach(() => {
		editor = new Editor({ extensions: scriptExtensions(), content: documentToEditor(production) });
	});
	afterEach(() => editor.destroy());

	const shown = (reach: Reach) => {
		const { scenes } = production.script;
		const [first] = scenes;
		if (!first) throw new Error("no scene");
		const queries = new QueryClient({ defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY } } });
		const asked = (of: typeof scenes) =>
			JSON.stringify(of.flatMap(({ blocks }) => blocks.map(({ id, text }) => ({ id, text }))));
		queries.setQueryData(["pictures for words", asked([first])], [BOAT, BELL]);
		queries.setQueryData(["pictures for words", asked(scenes)], [BOAT, BELL, LANTERN]);
		return render(
			<QueryClientProvider client={queries}>
				<OnWords editor={editor} document={production} scene={first} reach={reach} />
			</QueryClientProvider>,
		);
	};
	const cues = () =>
		editorToDocument(editor.state.doc, productionOf()).script.scenes.flatMap((scene) =>
			scene.blocks.flatMap((block) => block.cues?.map((cue) => [block.id, cue.parameters.shows]) ?? []),
		);
	const prints = () => screen.getAllByRole("listitem");

	it("are of the scene, or of all it reaches, and then say of which scene", () => {
		const { unmount } = shown("scene");
		expect(prints().map((print) => within(print).getByText(/^from/).textContent)).toEqual(["from boat", "from bell"]);
		unmount();
		shown("all");
		expect(prints()).toHaveLength(3);
		expect(screen.getByText("scene 2, from lantern")).toBeInTheDocument();
	});

	it("are taken all at once, in one step to undo, and none is on its words before", () => {
		shown("all");
		expect(cues()).toEqual([]);
		fireEvent.click(screen.getByRole("button", { name: "Take all 3" }));
		expect(cues()).toEqual([
			["a", "boat"],
			["a", "bell"],
			["b", "lantern"],
		]);
		editor.commands.undo();
		expect(cues()).toEqual([]);
	});

	it("are changed before they are taken, and back", () => {
		shown("scene");
		const [boat] = prints();
		if (!boat) throw new Error("no print");
		const ferry = within(boat).getByRole("button", { name: "Show ferry instead" });
		fireEvent.click(ferry);
		expect(ferry).toHaveAttribute("aria-pressed", "true");
		expect(within(boat).getByAltText("ferry: solo")).toHaveAttribute("src", expect.stringContaining("things=ferry&"));
		fireEvent.click(ferry);
		expect(within(boat).getByAltText("boat: solo")).toBeInTheDocument();
		fireEvent.click(within(boat).getByRole("button", { name: "Show anchor instead" }));
		fireEvent.click(within(boat).getByRole("button", { name: "Take" }));
		expect(cues()).toEqual([["a", "anchor"]]);
	});

	it("are left out without a trace in the script", () => {
		shown("scene");
		const [boat] = prints();
		if (!boat) throw new Error("no print");
		fireEvent.click(within(boat).getByRole("button", { name: "Leave out" }));
		expect(prints()).toHaveLength(1);
		expect(cues()).toEqual([]);
	});
});
