import { useQuery, useQueryClient } from "@tanstack/react-query";
import equal from "fast-deep-equal";
import { useCallback, useEffect, useRef, useState } from "react";
import { api, ask, Refused, type Schemas, sentence, Unreachable } from "../../../shared/api/client";
import type { ProductionDocument } from "./document";
import { type Draft, type KeepingAction, NOT_OPENED, type Production, reduce } from "./keeping";

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
	const [state, setState] = useState(NOT_OPENED);
	// a save may begin before the last answer is rendered: it needs the revision of that answer, not of the last render
	const now = useRef(state);
	const waiting = useRef<((kept: boolean) => void)[]>([]);
	const dispatch = useCallback((action: KeepingAction) => {
		now.current = reduce(now.current, action);
		setState(now.current);
		const { unsaved, keeping } = now.current;
		if (!unsaved || keeping.state !== "keeping") for (const answer of waiting.current.splice(0)) answer(!unsaved);
	}, []);
	const sending = useRef(false);
	// what was sent without an answer may have arrived all the same
	const unanswered = useRef<{ title: string; document: ProductionDocument; changes: number } | null>(null);

	useEffect(() => {
		if (loaded.data) dispatch({ type: "opened", production: loaded.data, draft: readDraft(id) });
	}, [loaded.data, id, dispatch]);

	const { title, document, revision, unsaved, keeping } = state;
	const save = useCallback(async () => {
		const { title, document, revision, unsaved: changes, keeping } = now.current;
		if (sending.current || !document || !changes || keeping.state === "stale") return;
		sending.current = true;
		dispatch({ type: "sending" });
		const params = { path: { production_id: id } };
		const keep = (production: Production, changes: number) => {
			writeDraft(id, null);
			unanswered.current = null;
			dispatch({ type: "kept", production, changes });
			queries.invalidateQueries({ queryKey: ["productions"] });
		};
		try {
			const answer = await api.PUT("/api/productions/{production_id}", { params, body: { title, document, revision } });
			if (answer.response.status === 409) {
				const stale = answer.error as unknown as Schemas["StaleOut"];
				const own = [unanswered.current, { title, document, changes }].find(
					(sent) => sent?.title === stale.current.title && equal(sent.document, stale.current.document),
				);
				if (own) keep(stale.current, own.changes);
				else dispatch({ type: "stale", theirs: stale.current, detail: stale.detail });
				return;
			}
			keep(await ask(Promise.resolve(answer)), changes);
		} catch (error) {
			if (error instanceof Refused) dispatch({ type: "refused", detail: sentence(error) });
			else if (error instanceof Unreachable || error instanceof TypeError) {
				unanswered.current = { title, document, changes };
				dispatch({ type: "lost", at: new Date() });
			} else throw error;
		} finally {
			sending.current = false;
		}
	}, [id, dispatch, queries]);

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
	}, [id, unsaved, keeping.state, revision, dispatch]);

	useEffect(() => {
		const warn = (event: BeforeUnloadEvent) => {
			if (unsaved) event.preventDefault();
		};
		window.addEventListener("beforeunload", warn);
		return () => window.removeEventListener("beforeunload", warn);
	}, [unsaved]);

	/** Whether everything written so far is kept; false where it cannot be kept now, which the notices tell. */
	const settled = useCallback(async () => {
		if (!now.current.unsaved) return true;
		const answered = new Promise<boolean>((answer) => waiting.current.push(answer));
		void save();
		return answered;
	}, [save]);
	const change = useCallback(
		(next: { title?: string; document?: ProductionDocument }) => {
			dispatch({ type: "changed", ...next });
		},
		[dispatch],
	);
	const takeMine = useCallback(() => {
		if (keeping.state === "stale") dispatch({ type: "mine", revision: keeping.theirs.revision });
	}, [keeping, dispatch]);
	const takeTheirs = useCallback(
		(production: Production) => {
			writeDraft(production.id, null);
			dispatch({ type: "theirs", production });
		},
		[dispatch],
	);
	return { loaded, title, document, revision, keeping, unsaved, change, save, settled, takeMine, takeTheirs };
}
