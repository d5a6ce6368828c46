import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, type Schemas } from "../api/client";

export type Host = Schemas["HostOut"];
export type Sheet = Record<string, unknown>;
export type Own = Schemas["OwnOut"];
export type Parts = Schemas["PartsOut"];
export type Candidates = Schemas["CandidatesOut"];

/** Everybody who can be on stage: the cast, and one's own. */
export function useHosts() {
	return useQuery({ queryKey: ["hosts"], queryFn: () => ask(api.GET("/api/hosts")), staleTime: 300_000 });
}

/** Mark a host, or take the mark away. */
export function useMarkHost() {
	const queries = useQueryClient();
	return useMutation({
		mutationFn: ({ host, favourite }: { host: string; favourite: boolean }) =>
			ask(api.PUT("/api/hosts/{host_id}/favourite", { params: { path: { host_id: host } }, body: { favourite } })),
		onMutate: ({ host, favourite }) => {
			queries.setQueryData<Host[]>(["hosts"], (now) => now?.map((h) => (h.id === host ? { ...h, favourite } : h)));
		},
		onError: () => queries.invalidateQueries({ queryKey: ["hosts"] }),
	});
}

/** The productions in which a host plays. */
export function usePlaying(host: string) {
	return useQuery({
		queryKey: ["playing", host],
		enabled: host !== "",
		queryFn: () => ask(api.GET("/api/productions/playing/{host_id}", { params: { path: { host_id: host } } })),
	});
}

/** What hosts are made from. */
export function useParts() {
	return useQuery({
		queryKey: ["workshop-parts"],
		queryFn: () => ask(api.GET("/api/workshop/parts")),
		staleTime: Number.POSITIVE_INFINITY,
	});
}
