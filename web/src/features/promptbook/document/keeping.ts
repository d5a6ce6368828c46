import type { Schemas } from "../../../shared/api/client";
import type { ProductionDocument } from "./document";

export type Production = Schemas["ProductionOut"];

/** How the text stands with the server. */
export type Keeping =
	| { state: "kept"; at: Date | null }
	| { state: "keeping" }
	| { state: "lost"; since: Date; changes: number }
	| { state: "stale"; theirs: Production; detail: string }
	| { state: "refused"; detail: string };

export type KeepingState = {
	title: string;
	document: ProductionDocument | null;
	revision: number;
	keeping: Keeping;
	unsaved: number;
};

export type KeepingAction =
	| { type: "opened"; production: Production; draft: Draft | null }
	| { type: "changed"; title?: string; document?: ProductionDocument }
	| { type: "sending" }
	| { type: "kept"; production: Production; changes: number }
	| { type: "lost"; at: Date }
	| { type: "stale"; theirs: Production; detail: string }
	| { type: "refused"; detail: string }
	| { type: "mine"; revision: number }
	| { type: "theirs"; production: Production };

/** What this window holds that the server may not. */
export type Draft = { title: string; document: ProductionDocument; revision: number };

/** The next state of a production that is being written, after something happened to it. */
export function reduce(state: KeepingState, action: KeepingAction): KeepingState {
	switch (action.type) {
		case "opened": {
			const { production, draft } = action;
			// one made on an earlier revision is sent too: the server keeps it among the revisions, and both are compared
			if (draft) return { ...draft, keeping: { state: "keeping" }, unsaved: 1 };
			return { ...fields(production), keeping: { state: "kept", at: null }, unsaved: 0 };
		}
		case "changed":
			return {
				...state,
				title: action.title ?? state.title,
				document: action.document ?? state.document,
				unsaved: state.unsaved + 1,
				keeping:
					state.keeping.state === "lost"
						? { ...state.keeping, changes: state.unsaved + 1 }
						: state.keeping.state === "stale"
							? state.keeping
							: { state: "keeping" },
			};
		case "sending":
			return state.keeping.state === "lost" ? state : { ...state, keeping: { state: "keeping" } };
		case "kept": {
			const unsaved = Math.max(0, state.unsaved - action.changes);
			return {
				...state,
				revision: action.production.revision,
				unsaved,
				keeping: unsaved ? { state: "keeping" } : { state: "kept", at: new Date() },
			};
		}
		case "lost":
			return {
				...state,
				keeping: {
					state: "lost",
					since: state.keeping.state === "lost" ? state.keeping.since : action.at,
					changes: state.unsaved,
				},
			};
		case "stale":
			return { ...state, keeping: { state: "stale", theirs: action.theirs, detail: action.detail } };
		case "refused":
			return { ...state, keeping: { state: "refused", detail: action.detail } };
		case "mine":
			return { ...state, revision: action.revision, unsaved: 1, keeping: { state: "keeping" } };
		case "theirs":
			return { ...fields(action.production), keeping: { state: "kept", at: new Date() }, unsaved: 0 };
	}
}

function fields(production: Production) {
	return { title: production.title, document: production.document, revision: production.revision };
}

/** Nothing opened yet. */
export const NOT_OPENED: KeepingState = {
	title: "",
	document: null,
	revision: 0,
	keeping: { state: "kept", at: null },
	unsaved: 0,
};
