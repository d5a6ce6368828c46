import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, ask, type Schemas, sendFile } from "../../../shared/api/client";
import { type Job, useJob } from "../../../shared/jobs/useJob";

export type Concern = "puzzle" | "wish" | "praise" | "undecided";
/** The sentence of the script that answers a comment. */
export type Answer = { line: string; start: number; end: number };
export type Theme = { concern: Concern; name: string; comments: number[]; best: number; answered: Answer | null };
export type Audience = {
	comments: string[];
	concerns: Concern[];
	themes: Theme[];
	unserved: number[];
	words: { text: string; count: number }[];
};

type Kept = Schemas["CommentsOut"];

/** The comments of a production: kept, sorted by a job, and moved by hand. */
export function useComments(productionId: string, shown: boolean) {
	const queries = useQueryClient();
	const path = { params: { path: { production_id: productionId } } };
	const key = ["comments", productionId];
	const kept = useQuery({
		queryKey: key,
		enabled: shown,
		queryFn: () => ask(api.GET("/api/productions/{production_id}/comments", path)),
	});
	const sort = useMutation({
		mutationFn: () => ask(api.POST("/api/productions/{production_id}/comments/sorted", path)),
	});
	const have = (now: Kept) => {
		queries.setQueryData(key, now);
		if (now.count) sort.mutate();
	};
	const paste = useMutation({
		mutationFn: (text: string) =>
			ask(api.POST("/api/productions/{production_id}/comments", { ...path, body: { text } })),
		onSuccess: have,
	});
	const open = useMutation({
		mutationFn: (file: File) => sendFile<Kept>(`/api/productions/${productionId}/comments/file`, file, file.name),
		onSuccess: have,
	});
	const move = useMutation({
		mutationFn: (moved: { comment: number; concern: Concern }) =>
			ask(api.POST("/api/productions/{production_id}/comments/move", { ...path, body: moved })),
		onSuccess: () => sort.mutate(),
	});
	const join = useMutation({
		mutationFn: (pair: { one: number; other: number }) =>
			ask(api.POST("/api/productions/{production_id}/comments/join", { ...path, body: pair })),
		onSuccess: () => sort.mutate(),
	});
	const part = useMutation({
		mutationFn: (comments: number[]) =>
			ask(api.POST("/api/productions/{production_id}/comments/part", { ...path, body: { comments } })),
		onSuccess: () => sort.mutate(),
	});
	const drop = useMutation({
		mutationFn: () => ask(api.DELETE("/api/productions/{production_id}/comments", path)),
		onSuccess: () => queries.setQueryData(key, { count: 0, doubles: 0, junk: 0, beyond: 0 }),
	});
	const job = useJob((sort.data as Job | undefined) ?? null).data;
	const [audience, setAudience] = useState<Audience | null>(null);
	useEffect(() => {
		if (job?.status === "done") setAudience(job.result as unknown as Audience);
	}, [job]);
	const count = kept.data?.count ?? 0;
	const { mutate: begin, isIdle } = sort;
	useEffect(() => {
		if (shown && count && isIdle) begin();
	}, [shown, count, isIdle, begin]);
	return {
		kept: kept.data,
		audience: count ? audience : null,
		job,
		problem:
			kept.error ?? paste.error ?? open.error ?? sort.error ?? move.error ?? join.error ?? part.error ?? drop.error,
		paste: paste.mutate,
		open: open.mutate,
		move: move.mutate,
		join: join.mutate,
		part: part.mutate,
		drop: drop.mutate,
		again: begin,
		adding: paste.isPending || open.isPending,
	};
}

export type CommentsState = ReturnType<typeof useComments>;
