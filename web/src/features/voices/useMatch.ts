import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, type Schemas, sendFile } from "../../shared/api/client";

export type Match = Schemas["MatchOut"];
export type Sentence = Match["sentences"][number];

/** The matches of this account, newest first. */
export function useMatches() {
	return useQuery({ queryKey: ["matches"], queryFn: () => ask(api.GET("/api/voices/matches")) });
}

/** One match, asked again while it is being fitted, and what can be done to it. */
export function useMatch(id: string) {
	const queries = useQueryClient();
	const queryKey = ["match", id];
	const params = { path: { match_id: id } };
	const match = useQuery({
		queryKey,
		enabled: id !== "",
		queryFn: () => ask(api.GET("/api/voices/matches/{match_id}", { params })),
		refetchInterval: (query) => (["queued", "running"].includes(query.state.data?.status ?? "") ? 700 : false),
	});
	const onSuccess = (next: Match) => {
		queries.setQueryData(queryKey, next);
	};
	const record = useMutation({
		mutationFn: ({ number, sound }: { number: number; sound: Blob }) =>
			sendFile<Match>(`/api/voices/matches/${id}/sentences/${number}`, sound, "sentence"),
		onSuccess,
	});
	const add = useMutation({
		mutationFn: (sound: Blob) => sendFile<Match>(`/api/voices/matches/${id}/recordings`, sound, "recording"),
		onSuccess,
	});
	const sayConsent = useMutation({
		mutationFn: (sound: Blob) => sendFile<Match>(`/api/voices/matches/${id}/consent/spoken`, sound, "consent"),
		onSuccess,
	});
	const consent = useMutation({
		mutationFn: (body: { purpose: string; statement: string; until: string }) =>
			ask(api.PUT("/api/voices/matches/{match_id}/consent", { params, body })),
		onSuccess,
	});
	const fit = useMutation({
		mutationFn: () => ask(api.POST("/api/voices/matches/{match_id}/fit", { params })),
		onSuccess,
	});
	return { match, record, add, consent, sayConsent, fit };
}
