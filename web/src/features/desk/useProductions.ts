import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useNavigate } from "react-router";
import { api, ask, type Schemas, sendFile } from "../../shared/api/client";

export type Summary = Schemas["ProductionSummary"];

const KEY = ["productions"];

export function useProductions() {
	return useQuery({ queryKey: KEY, queryFn: () => ask(api.GET("/api/productions")), refetchOnMount: "always" });
}

/** Begin from a text, or from a file; both lead to the prompt book. */
export function useBegin() {
	const navigate = useNavigate();
	return useMutation({
		mutationFn: async (from: { text: string } | { file: File }) => {
			if ("text" in from) {
				const body = { text: from.text, kind: "" as const, title: "" };
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
		onSuccess: ({ production, notes }) => navigate(`/productions/${production.id}`, { state: { notes } }),
	});
}

/** Begin with a draft of what a recording says. */
export function useBeginFromRecording() {
	const navigate = useNavigate();
	return useMutation({
		mutationFn: (file: File) => sendFile<Schemas["ProductionOut"]>("/api/productions/from-recording", file, file.name),
		onSuccess: (production) => navigate(`/productions/${production.id}`),
	});
}

export function useDeleteProduction() {
	const queries = useQueryClient();
	return useMutation({
		mutationFn: (id: string) =>
			ask(api.DELETE("/api/productions/{production_id}", { params: { path: { production_id: id } } })),
		onSuccess: () => queries.invalidateQueries({ queryKey: KEY }),
	});
}
