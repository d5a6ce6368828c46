import { Mark } from "@tiptap/core";
import type { CueValues } from "./cues";
import { keepCues } from "./keepCues";

/** A cue lies on its word, or on the words of its stretch, as a mark: it goes wherever they go. */
export const CueMark = Mark.create({
	name: "cue",
	excludes: "",
	inclusive: false,
	addAttributes: () => ({
		id: { default: "", renderHTML: (a) => ({ "data-cue": a.id }), parseHTML: (e) => e.getAttribute("data-cue") },
		kind: { default: "", renderHTML: (a) => ({ "data-kind": a.kind }), parseHTML: (e) => e.getAttribute("data-kind") },
		parameters: {
			default: {} as CueValues,
			renderHTML: (a) => ({ "data-parameters": JSON.stringify(a.parameters) }),
			parseHTML: (e) => JSON.parse(e.getAttribute("data-parameters") || "{}") as CueValues,
		},
		stretch: {
			default: false,
			renderHTML: (a) => (a.stretch ? { "data-stretch": "" } : {}),
			parseHTML: (e) => e.hasAttribute("data-stretch"),
		},
		look: {
			default: false,
			renderHTML: (a) => (a.look ? { "data-look": "" } : {}),
			parseHTML: (e) => e.hasAttribute("data-look"),
		},
	}),
	parseHTML: () => [{ tag: "span[data-cue]" }],
	renderHTML: ({ HTMLAttributes }) => ["span", { ...HTMLAttributes, class: "cue" }, 0],
	addProseMirrorPlugins: () => [keepCues()],
});
