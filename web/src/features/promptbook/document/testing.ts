import { AS_EVERYWHERE, type Block, NO_BRIEF, type ProductionDocument, type Scene } from "./document";

/** A production for tests: scenes as [heading, blocks]; of choices only those that tests look at. */
export function productionOf(...scenes: [id: string, heading: string, blocks: Block[]][]): ProductionDocument {
	return {
		script: {
			title: "The bell",
			notes: { author: "The museum" },
			scenes: scenes.map(([id, heading, blocks]): Scene => ({ id, heading, blocks, staging: AS_EVERYWHERE })),
		},
		cast: {},
		shape: "16:9",
		captions: true,
		set: "museum",
		framing: "medium",
		transition: "dissolve",
		liveliness: "normal",
		furniture: "none",
		cutting: "together",
		camera: "still",
		directed: true,
		titles: true,
		caption_names: false,
		brief: NO_BRIEF,
		say_as: [],
	} as Partial<ProductionDocument> as ProductionDocument;
}
