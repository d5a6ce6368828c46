import { keepPreviousData, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, type Schemas, sendFile } from "../../../shared/api/client";
import { deliveryLabel } from "../document/cueKinds";
import type { CueValues, PlacedCue } from "../document/cues";
import type { CaretLine } from "./lineAtCaret";

export type Take = Schemas["TakeOut"];
/** With the pauses that it was read with, in seconds by the offset of their words. */
export type Heard = Schemas["HeardOut"] & { pauses: ReadonlyMap<number, number> };

/** How the line at the caret is heard, once it is kept; the last picture stays while it is read anew. */
export function useHeard(productionId: string, line: CaretLine | null, kept: boolean) {
	const cues = line ? [line.delivery, line.recording, ...line.pauses].map((c) => c && [c.offset, c.parameters]) : [];
	return useQuery({
		queryKey: ["heard", productionId, line?.id, line?.text, JSON.stringify(cues)],
		enabled: kept && line !== null,
		placeholderData: keepPreviousData,
		staleTime: 60_000,
		retry: false,
		structuralSharing: false, // it cannot compare maps
		queryFn: async (): Promise<Heard> => {
			const heard = await ask(
				api.GET("/api/productions/{production_id}/lines/{line_id}/heard", {
					params: { path: { production_id: productionId, line_id: line?.id ?? "" } },
				}),
			);
			return { ...heard, pauses: new Map(line?.pauses.map((cue) => [cue.offset, secondsOf(cue)])) };
		},
	});
}

/** The seconds of a pause. */
export const secondsOf = (pause: PlacedCue) => Number(pause.parameters.seconds ?? 0);

/** The takes of a production, and what can be done to them. */
export function useTakes(productionId: string) {
	const queries = useQueryClient();
	const queryKey = ["takes", productionId];
	const list = useQuery({
		queryKey,
		queryFn: () =>
			ask(api.GET("/api/productions/{production_id}/takes", { params: { path: { production_id: productionId } } })),
	});
	const again = () => queries.invalidateQueries({ queryKey });
	const keep = useMutation({
		mutationFn: ({ line, deliveries }: { line: string; deliveries: CueValues[] }) =>
			ask(
				api.POST("/api/productions/{production_id}/lines/{line_id}/takes", {
					params: { path: { production_id: productionId, line_id: line } },
					body: { deliveries },
				}),
			),
		onSuccess: again,
	});
	const record = useMutation({
		mutationFn: ({ line, sound }: { line: string; sound: Blob }) =>
			sendFile<Take>(`/api/productions/${productionId}/lines/${line}/recording`, sound, "recording"),
		onSuccess: again,
	});
	const recordAll = useMutation({
		mutationFn: ({ scene, sound }: { scene: string; sound: Blob }) =>
			sendFile<Take[]>(`/api/productions/${productionId}/recording?scene=${scene}`, sound, "recording"),
		onSuccess: again,
	});
	const tidy = useMutation({
		mutationFn: ({ take, noise, silence }: { take: string; noise: boolean; silence: number }) =>
			ask(
				api.POST("/api/productions/{production_id}/takes/{take_id}/tidy", {
					params: { path: { production_id: productionId, take_id: take } },
					body: { noise, longest_silence: silence },
				}),
			),
		onSuccess: again,
	});
	const rename = useMutation({
		mutationFn: ({ take, name }: { take: string; name: string }) =>
			ask(
				api.PATCH("/api/productions/{production_id}/takes/{take_id}", {
					params: { path: { production_id: productionId, take_id: take } },
					body: { name },
				}),
			),
		onSuccess: again,
	});
	const remove = useMutation({
		mutationFn: (take: string) =>
			ask(
				api.DELETE("/api/productions/{production_id}/takes/{take_id}", {
					params: { path: { production_id: productionId, take_id: take } },
				}),
			),
		onSuccess: again,
	});
	return { list, keep, record, recordAll, tidy, rename, remove };
}

const USUAL: CueValues = {
	manner: "neutral",
	strength: 1,
	pace: 1,
	pitch: 0,
	level: 0,
	steadiness: 0.5,
	ending: "written",
	variation: 0,
	effect: "none",
};

/** The same settings whichever of them were left as they come. */
function whole(delivery: CueValues | null): string {
	const all = { ...USUAL, ...(delivery ?? {}) };
	if (all.manner === "neutral") all.strength = 1;
	return JSON.stringify(Object.keys(USUAL).map((name) => all[name]));
}

/** Whether a take is how its line is heard now. */
export function isChosen(take: Take, line: CaretLine): boolean {
	const recording = String(line.recording?.parameters.recording ?? "");
	return (
		take.recording === recording &&
		(recording !== "" || whole(take.delivery) === whole(line.delivery?.parameters ?? null))
	);
}

/** So many readings that nobody has heard yet, within a delivery. */
export function otherReadings(delivery: CueValues | null, known: readonly Take[], count: number): CueValues[] {
	const used = Math.max(0, Number(delivery?.variation ?? 0), ...known.map((t) => Number(t.delivery.variation ?? 0)));
	return Array.from({ length: count }, (_, i) => ({ ...(delivery ?? {}), variation: used + i + 1 }));
}

/** What a take is called. */
export function takeLabel(take: Take): string {
	if (take.name) return take.name;
	if (take.recording) return "recorded";
	const label = deliveryLabel(take.delivery as CueValues);
	return label === "Delivery" ? "as it comes" : label.toLowerCase();
}
