import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, type Schemas, sendFile } from "../api/client";
import type { Job } from "../jobs/useJob";

export type ShelfThing = Schemas["ShelfOut"];
export type Licence = Schemas["LicenceOut"];

/** Under which the shelf is kept once it was asked for. */
export const SHELF = ["shelf"];
const NONE: ShelfThing[] = [];

/** Everything on the shelf, the latest first. */
export function useShelf() {
	return useQuery({ queryKey: SHELF, queryFn: () => ask(api.GET("/api/shelf")) });
}

/** The things of some kinds. */
export function useThings(kinds: readonly string[]): readonly ShelfThing[] {
	return (useShelf().data ?? NONE).filter((thing) => kinds.includes(thing.kind));
}

/** Ask for the shelf again. */
export function useShelfAgain(): () => void {
	const queries = useQueryClient();
	return () => queries.invalidateQueries({ queryKey: SHELF });
}

export function useLicences(): readonly Licence[] {
	const { data } = useQuery({
		queryKey: ["licences"],
		queryFn: () => ask(api.GET("/api/shelf/licences")),
		staleTime: Number.POSITIVE_INFINITY,
	});
	return data ?? [];
}

/** Send a file; a job takes it in. */
export function bringFile(file: File): Promise<Job> {
	return sendFile<Job>("/api/shelf", file, file.name);
}

export function useChangeThing() {
	const again = useShelfAgain();
	return useMutation({
		mutationFn: ({ item, ...body }: { item: string } & Schemas["ShelfIn"]) =>
			ask(api.PATCH("/api/shelf/{item}", { params: { path: { item } }, body })),
		onSuccess: again,
	});
}

export function useSayRights() {
	const again = useShelfAgain();
	return useMutation({
		mutationFn: (body: Schemas["RightsIn"]) => ask(api.POST("/api/shelf/rights", { body })),
		onSuccess: again,
	});
}

export function usePutAway() {
	const again = useShelfAgain();
	return useMutation({
		mutationFn: (item: string) => ask(api.DELETE("/api/shelf/{item}", { params: { path: { item } } })),
		onSuccess: again,
	});
}

export function useBringBack() {
	const again = useShelfAgain();
	return useMutation({
		mutationFn: (item: string) => ask(api.POST("/api/shelf/{item}/bring-back", { params: { path: { item } } })),
		onSuccess: again,
	});
}

export function useReplace() {
	const again = useShelfAgain();
	return useMutation({
		mutationFn: ({ item, other }: { item: string; other: string }) =>
			ask(api.POST("/api/shelf/{item}/replace/{other}", { params: { path: { item, other } } })),
		onSuccess: again,
	});
}

export type KeySettings = Required<Schemas["KeyIn"]>;

/** Take the ground behind a figure away: a job makes a thing of its own. */
export function useKeyThing() {
	return useMutation({
		mutationFn: ({ item, ...body }: { item: string } & KeySettings) =>
			ask(api.POST("/api/shelf/{item}/key", { params: { path: { item } }, body })),
	});
}

/** Where a picture of a thing without its ground is. */
export function keyedStill(item: string, settings: KeySettings, moment: number): string {
	const asked = new URLSearchParams({ moment: String(moment) });
	for (const [name, value] of Object.entries(settings)) asked.set(name, String(value));
	return `/api/shelf/${item}/key.png?${asked}`;
}

/** Where the small picture of a thing is. */
export function thumbnailOf(item: string): string {
	return `/files/shelf/${item}/thumbnail.jpg`;
}

/** Whether a value names a thing of the shelf: a letter for its kind and fifteen figures of its content. */
export function isThing(value: string): boolean {
	return /^[ics][0-9a-f]{15}$/.test(value);
}

export type ClipWords = Schemas["ClipWordsOut"];

/** What is said in a clip, as lines; asked for again once it has been heard. */
export function clipWords(item: string): Promise<ClipWords> {
	return ask(api.GET("/api/shelf/{item}/words", { params: { path: { item } } }));
}

/** Hear what is said in a clip: a job listens. */
export function useHearClip() {
	return useMutation({
		mutationFn: ({ item, language = "en", text = "" }: { item: string; language?: string; text?: string }) =>
			ask(api.POST("/api/shelf/{item}/words", { params: { path: { item } }, body: { language, text } })),
	});
}
