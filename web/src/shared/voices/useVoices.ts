import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, type Schemas } from "../api/client";
import type { Voice } from "./finding";

export type Matched = Schemas["MatchedOut"];
export type MadeVoice = Schemas["MadeOut"];
export type Melody = Schemas["MelodyOut"];

/** Every voice on this machine that this account may use. */
export function useVoices() {
	return useQuery({ queryKey: ["voices"], queryFn: () => ask(api.GET("/api/voices")), staleTime: 300_000 });
}

/** In how many productions each voice speaks. */
export function useVoicesUsed() {
	const used = useQuery({
		queryKey: ["voices-used"],
		queryFn: () => ask(api.GET("/api/productions/voices-used")),
	});
	return new Map(used.data?.map((row) => [row.voice, row.productions]));
}

/** Mark a voice, or take the mark away. */
export function useMark() {
	const queries = useQueryClient();
	return useMutation({
		mutationFn: ({ voice, favourite }: { voice: string; favourite: boolean }) =>
			ask(api.PUT("/api/voices/{voice_id}/favourite", { params: { path: { voice_id: voice } }, body: { favourite } })),
		onMutate: ({ voice, favourite }) => {
			queries.setQueryData<Voice[]>(["voices"], (now) => now?.map((v) => (v.id === voice ? { ...v, favourite } : v)));
		},
		onError: () => queries.invalidateQueries({ queryKey: ["voices"] }),
	});
}

/** Tunes are asked for one after another: what somebody clicks meanwhile waits for one reading, not for a dozen. */
let waiting: Promise<unknown> = Promise.resolve();
function afterOthers<T>(work: () => Promise<T>): Promise<T> {
	const mine = waiting.then(work, work);
	waiting = mine.catch(() => {});
	return mine;
}

/** How a sentence goes when a voice says it. */
export function useMelody(voice: string, text: string, wanted = true) {
	return useQuery({
		queryKey: ["melody", voice, text],
		enabled: wanted && text.trim() !== "",
		staleTime: Number.POSITIVE_INFINITY,
		retry: false,
		queryFn: ({ signal }) =>
			afterOthers(() =>
				ask(
					api.GET("/api/voices/{voice_id}/melody", { params: { path: { voice_id: voice }, query: { text } }, signal }),
				),
			),
	});
}

/** The account's matched voices, also those that were withdrawn. */
export function useMatchedVoices() {
	return useQuery({ queryKey: ["matched"], queryFn: () => ask(api.GET("/api/voices/matched")) });
}

/** Where a voice says a sentence, to listen to. */
export const auditionAddress = (voice: string, text: string) =>
	`/api/voices/${voice}/audition.wav?text=${encodeURIComponent(text.slice(0, 300))}`;
