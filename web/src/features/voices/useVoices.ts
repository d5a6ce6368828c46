import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, type Schemas } from "../../shared/api/client";

export type Matched = Schemas["MatchedOut"];
export type Melody = Schemas["MelodyOut"];

/** Every voice on this machine that this account may use. */
export function useVoices() {
	return useQuery({ queryKey: ["voices"], queryFn: () => ask(api.GET("/api/voices")), staleTime: 300_000 });
}

/** Mark a voice, or take the mark away. */
export function useMark() {
	const queries = useQueryClient();
	return useMutation({
		mutationFn: ({ voice, favourite }: { voice: string; favourite: boolean }) =>
			ask(api.PUT("/api/voices/{voice_id}/favourite", { params: { path: { voice_id: voice } }, body: { favourite } })),
		onSuccess: () => queries.invalidateQueries({ queryKey: ["voices"] }),
	});
}

/** How a sentence goes when a voice says it. */
export function useMelody(voice: string, text: string, wanted = true) {
	return useQuery({
		queryKey: ["melody", voice, text],
		enabled: wanted && text.trim() !== "",
		staleTime: Number.POSITIVE_INFINITY,
		retry: false,
		queryFn: () =>
			ask(api.GET("/api/voices/{voice_id}/melody", { params: { path: { voice_id: voice }, query: { text } } })),
	});
}

/** The account's matched voices, also those that were withdrawn. */
export function useMatchedVoices() {
	return useQuery({ queryKey: ["matched"], queryFn: () => ask(api.GET("/api/voices/matched")) });
}

/** Where a voice says a sentence, to listen to. */
export const auditionAddress = (voice: string, text: string) =>
	`/api/voices/${voice}/audition.wav?text=${encodeURIComponent(text.slice(0, 300))}`;
