import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { api, ask, type Schemas, sendFile } from "../../shared/api/client";
import { type Job, useJob } from "../../shared/jobs/useJob";

export type Summary = Schemas["ProductionSummary"];

const KEY = ["productions"];
const PATTERNS = ["own patterns"];

export function useProductions() {
	return useQuery({ queryKey: KEY, queryFn: () => ask(api.GET("/api/productions")), refetchOnMount: "always" });
}

/** The patterns of one's own. */
export function useOwnPatterns() {
	return useQuery({ queryKey: PATTERNS, queryFn: () => ask(api.GET("/api/productions/patterns")) });
}

/** Begin from a text, from a file, or with the brief; all lead to the prompt book. */
export function useBegin() {
	const navigate = useNavigate();
	return useMutation({
		mutationFn: async (
			from: { text: string; tab?: "Brief" } | { pattern: string } | { own: string } | { file: File },
		) => {
			if ("own" in from) {
				const production = await ask(api.POST("/api/productions/{production_id}/begin", at(from.own)));
				return { production, notes: [] };
			}
			if (!("file" in from)) {
				const own = { text: "", pattern: "", ...from };
				const body = { text: own.text, pattern: own.pattern, kind: "" as const, title: "" };
				return { production: await ask(api.POST("/api/productions", { body })), notes: [] };
			}
			const form = new FormData();
			form.append("file", from.file);
			return ask(
				api.POST("/api/productions/open", {
					body: { file: "" },
					bodySerializer: () => form,
				}),
			);
		},
		onSuccess: ({ production, notes }, from) => {
			const tab = "tab" in from ? from.tab : undefined;
			navigate(`/productions/${production.id}`, { state: { notes, tab } });
		},
	});
}

/** Begin with a draft of what a recording says: a job, which leads to the prompt book when it is done. */
export function useBeginFromRecording() {
	const navigate = useNavigate();
	const send = useMutation({
		mutationFn: (file: File) => sendFile<Job>("/api/productions/from-recording", file, file.name),
	});
	const job = useJob(send.data ?? null).data;
	const production = job?.status === "done" ? String(job.result.production) : "";
	useEffect(() => {
		if (production) navigate(`/productions/${production}`);
	}, [production, navigate]);
	return { send, job };
}

/** Renaming, duplicating and deleting, also several at once; ``deleted`` is what can be brought back. */
export function useShelfWork() {
	const queries = useQueryClient();
	const [deleted, setDeleted] = useState<readonly Summary[]>([]);
	const onSuccess = () => Promise.all([KEY, PATTERNS].map((queryKey) => queries.invalidateQueries({ queryKey })));
	const remove = useMutation({
		mutationFn: (these: readonly Summary[]) =>
			each(these, ({ id }) => ask(api.DELETE("/api/productions/{production_id}", at(id)))),
		onSuccess: (_, these) => setDeleted(these),
		onSettled: onSuccess,
	});
	const bringBack = useMutation({
		mutationFn: (these: readonly Summary[]) =>
			each(these, ({ id }) => ask(api.POST("/api/productions/{production_id}/bring-back", at(id)))),
		onSuccess: () => setDeleted([]),
		onSettled: onSuccess,
	});
	const duplicate = useMutation({
		mutationFn: (these: readonly Summary[]) =>
			each(these, ({ id }) => ask(api.POST("/api/productions/{production_id}/duplicate", at(id)))),
		onSettled: onSuccess,
	});
	const rename = useMutation({
		mutationFn: ({ id, title }: { id: string; title: string }) =>
			ask(api.POST("/api/productions/{production_id}/title", { ...at(id), body: { title } })),
		onSuccess,
	});
	const keepAsPattern = useMutation({
		mutationFn: ({ id, title }: { id: string; title: string }) =>
			ask(api.POST("/api/productions/{production_id}/pattern", { ...at(id), body: { title } })),
		onSuccess: () => queries.invalidateQueries({ queryKey: PATTERNS }),
	});
	const problem = remove.error ?? bringBack.error ?? duplicate.error ?? rename.error ?? keepAsPattern.error;
	return { remove, bringBack, duplicate, rename, keepAsPattern, deleted, problem };
}

/** One after another: what was done stays done where a later one fails. */
async function each(these: readonly Summary[], work: (one: Summary) => Promise<unknown>): Promise<void> {
	for (const one of these) await work(one);
}

const at = (id: string) => ({ params: { path: { production_id: id } } });
