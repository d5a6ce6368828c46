import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useReducer, useRef } from "react";
import { api, ask, Refused, type Schemas, sentence, Unreachable } from "../../../shared/api/client";
import type { ProductionDocument } from "./document";

export type Production = Schemas["ProductionOut"];

/** How the text stands with the server. */
export type Keeping =
	| { state: "kept"; at: Date | null }
	| { state: "keeping" }
	| { state: "lost"; since: Date; changes: number }
	| { state: "stale"; theirs: Production; detail: string }
	| { state: "refused"; detail: string };

type State = {
	title: string;
	document: ProductionDocument | null;
	revision: number;
	keeping: Keeping;
	unsaved: number;
};

type Action =
	| { type: "opened"; production: Production; draft: Draft | null }
	| { type: "changed"; title?: string; document?: ProductionDocument }
	| { type: "sending" }
	| { type: "kept"; production: Production; changes: number }
	| { type: "lost"; at: Date }
	| { type: "stale"; theirs: Production; detail: string }
	| { type: "refused"; detail: string }
	| { type: "mine"; revision: number }
	| { type: "theirs"; production: Production };

type Draft = { title: string; document: ProductionDocument; revision: number };

function reduce(state: State, action: Action): State {
	switch (action.type) {
		case "opened": {
			const { production, draft } = action;
			if (draft && draft.revision === production.revision) {
				return { ...draft, keeping: { state: "keeping" }, unsaved: 1 };
			}
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

const draftKey = (id: string) => `dear-host-draft-${id}`;

function readDraft(id: string): Draft | null {
	try {
		const text = localStorage.getItem(draftKey(id));
		return text ? (JSON.parse(text) as Draft) : null;
	} catch {
		return null;
	}
}

function writeDraft(id: string, draft: Draft | null): void {
	try {
		if (draft) localStorage.setItem(draftKey(id), JSON.stringify(draft));
		else localStorage.removeItem(draftKey(id));
	} catch {
		// The browser's storage is full or closed: the text still stands in this window.
	}
}

const SAVE_AFTER_MS = 350;
const RETRY_MS = 4000;

/** A production that is kept as one types: one save at a time, retried while the server is away. */
export function useProduction(id: string) {
	const queries = useQueryClient();
	const loaded = useQuery({
		queryKey: ["production", id],
		queryFn: () => ask(api.GET("/api/productions/{production_id}", { params: { path: { production_id: id } } })),
		staleTime: Number.POSITIVE_INFINITY,
		gcTime: 0,
	});
	const [state, dispatch] = useReducer(reduce, {
		title: "",
		document: null,
		revision: 0,
		keeping: { state: "kept", at: null },
		unsaved: 0,
	});
	const sending = useRef(false);

	useEffect(() => {
		if (loaded.data) dispatch({ type: "opened", production: loaded.data, draft: readDraft(id) });
	}, [loaded.data, id]);

	const { title, document, revision, unsaved, keeping } = state;
	const save = useCallback(async () => {
		if (sending.current || !document) return;
		sending.current = true;
		dispatch({ type: "sending" });
		const changes = unsaved;
		const params = { path: { production_id: id } };
		try {
			const answer = await api.PUT("/api/productions/{production_id}", { params, body: { title, document, revision } });
			if (answer.response.status === 409) {
				const stale = answer.error as unknown as Schemas["StaleOut"];
				dispatch({ type: "stale", theirs: stale.current, detail: stale.detail });
				return;
			}
			const production = await ask(Promise.resolve(answer));
			writeDraft(id, null);
			dispatch({ type: "kept", production, changes });
			queries.invalidateQueries({ queryKey: ["productions"] });
		} catch (error) {
			if (error instanceof Refused) dispatch({ type: "refused", detail: sentence(error) });
			else if (error instanceof Unreachable || error instanceof TypeError) dispatch({ type: "lost", at: new Date() });
			else throw error;
		} finally {
			sending.current = false;
		}
	}, [id, title, document, revision, unsaved, queries]);

	useEffect(() => {
		if (!unsaved || !document || keeping.state === "stale" || keeping.state === "refused") return;
		writeDraft(id, { title, document, revision });
		const timer = setTimeout(save, keeping.state === "lost" ? RETRY_MS : SAVE_AFTER_MS);
		return () => clearTimeout(timer);
	}, [unsaved, document, title, revision, keeping, save, id]);

	// another window may have gone on meanwhile: whoever comes back to this one is told before writing on
	useEffect(() => {
		const look = async () => {
			if (window.document.visibilityState !== "visible" || unsaved || keeping.state !== "kept" || !revision) return;
			const params = { path: { production_id: id } };
			const theirs = await ask(api.GET("/api/productions/{production_id}", { params })).catch(() => null);
			if (theirs && theirs.revision > revision && !sending.current) dispatch({ type: "stale", theirs, detail: "" });
		};
		window.addEventListener("focus", look);
		window.document.addEventListener("visibilitychange", look);
		return () => {
			window.removeEventListener("focus", look);
			window.document.removeEventListener("visibilitychange", look);
		};
	}, [id, unsaved, keeping.state, revision]);

	useEffect(() => {
		const warn = (event: BeforeUnloadEvent) => {
			if (unsaved) event.preventDefault();
		};
		window.addEventListener("beforeunload", warn);
		return () => window.removeEventListener("beforeunload", warn);
	}, [unsaved]);

	const change = useCallback((next: { title?: string; document?: ProductionDocument }) => {
		dispatch({ type: "changed", ...next });
	}, []);
	const takeMine = useCallback(() => {
		if (keeping.state === "stale") dispatch({ type: "mine", revision: keeping.theirs.revision });
	}, [keeping]);
	const takeTheirs = useCallback((production: Production) => {
		writeDraft(production.id, null);
		dispatch({ type: "theirs", production });
	}, []);
	return { loaded, title, document, revision, keeping, unsaved, change, save, takeMine, takeTheirs };
}
