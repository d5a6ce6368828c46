import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, type Schemas } from "../../../shared/api/client";
import type { Brief } from "../document/document";
import { type Draft, type Kept, letterOf, measured, NOTHING_KEPT, type PasteUp, toggled, whole } from "./pasteUp";

export type Writer = { brief: Brief; speakers: string[]; voice: string; pace: number };
export type Lettered = { letter: string; draft: Draft };

export const USUAL_SECONDS = 60;

/** Drafts of a brief, side by side, and what of them is kept. Nothing is asked for before `shown`. */
export function useDrafts(writer: Writer, shown: boolean) {
	const [wanted, setWanted] = useState(0);
	const target = Math.min(3600, Math.max(3, wanted || writer.brief.target || USUAL_SECONDS));
	const [seed, setSeed] = useState(0);
	const [others, setOthers] = useState<Record<string, { of: Draft; draft: Draft; seed: number }>>({});
	const [byModel, setByModel] = useState<Draft[]>([]);
	const [pasteUp, setPasteUp] = useState<PasteUp>(NOTHING_KEPT);
	const body = { ...writer, target, seed, structures: [] };
	const found = useQuery({
		queryKey: ["drafts", body],
		enabled: shown,
		queryFn: () => ask(api.POST("/api/writing/drafts", { body })),
		placeholderData: (before: Schemas["DraftsOut"] | undefined) => before,
		staleTime: Number.POSITIVE_INFINITY,
	});
	const another = useMutation({
		mutationFn: async ({ letter, draft }: Lettered) => {
			const next = (others[letter]?.seed ?? seed) + 7;
			const { structure } = draft;
			const made = await ask(
				api.POST("/api/writing/drafts", { body: { ...body, seed: next, structures: [structure] } }),
			);
			return { letter, seed: next, draft: made.drafts[0] };
		},
		onSuccess: ({ letter, seed: used, draft }, { draft: before }) => {
			const of = others[letter]?.of ?? before;
			if (draft) setOthers((now) => ({ ...now, [letter]: { of, draft, seed: used } }));
		},
	});
	const written = [...(found.data?.drafts ?? []), ...byModel];
	const drafts = written.map((draft, i): Lettered => {
		const other = others[letterOf(i)];
		return { letter: letterOf(i), draft: other && other.of === draft ? other.draft : draft };
	});
	return {
		target,
		/** Drafts of another length than the brief asks for. */
		setTarget: setWanted,
		drafts,
		heldBack: found.data?.held_back ?? [],
		waiting: found.isFetching || another.isPending,
		problem: found.error ?? another.error,
		another: another.mutate,
		other: () => setSeed((now) => now + 101),
		addByModel: (draft: Draft) => setByModel((now) => [...now, draft]),
		pasteUp,
		measured: measured(pasteUp),
		keep: (kept: Kept) => setPasteUp((now) => toggled(now, kept)),
		keepAll: ({ draft, letter }: Lettered) => setPasteUp(whole(draft, letter)),
		clear: () => setPasteUp(NOTHING_KEPT),
	};
}

export type Drafts = ReturnType<typeof useDrafts>;

/** Ten angles on the topic of a brief. */
export function useIdeas(writer: Writer, shown: boolean) {
	return useQuery({
		queryKey: ["ideas", writer],
		enabled: shown,
		queryFn: () => ask(api.POST("/api/writing/ideas", { body: writer })),
	});
}
