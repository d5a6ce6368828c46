import { useQuery } from "@tanstack/react-query";
import { api, ask } from "../../../shared/api/client";
import type { CueKind, CueValues, PlacedCue } from "./cues";

/** Everything that can happen on a word. */
export function useCueKinds(): CueKind[] {
	const answer = useQuery({
		queryKey: ["cue kinds"],
		queryFn: () => ask(api.GET("/api/productions/cues")),
		staleTime: Number.POSITIVE_INFINITY,
	});
	return answer.data ?? NONE;
}

const NONE: CueKind[] = [];

/** What a flag says: short, and what is set where that says more. */
export function cueLabel(kinds: readonly CueKind[], cue: Pick<PlacedCue, "kind" | "parameters">): string {
	const kind = kinds.find((k) => k.name === cue.kind);
	if (!kind) return cue.kind;
	if (cue.kind === "title" && cue.parameters.text) return String(cue.parameters.text);
	const first = kind.parameters[0];
	if (first && (cue.kind === "picture" || cue.kind === "sound")) {
		return sentenceCase(String(cue.parameters[first.name] ?? first.default));
	}
	if (cue.kind === "take") return `Take ${String(cue.parameters.prop ?? first?.default ?? "").replaceAll("-", " ")}`;
	if (cue.kind === "eyes") return `Look to ${String(cue.parameters.to ?? first?.default ?? "").replaceAll("-", " ")}`;
	if (cue.kind === "walk-to") return `Walk to ${cue.parameters.place ?? first?.default}`;
	if (cue.kind === "delivery") return deliveryLabel(cue.parameters);
	if (cue.kind === "say-as" && cue.parameters.text) return `Say “${cue.parameters.text}”`;
	if (cue.kind === "pause") return `Pause ${Number(cue.parameters.seconds ?? 0.6).toFixed(1)} s`;
	return cue.parameters.side === "left" ? `${kind.label}, left` : kind.label;
}

export function deliveryLabel({
	manner,
	pace,
	pitch,
	level,
	ending,
	steadiness,
	variation,
	effect,
}: CueValues): string {
	const words = [manner && manner !== "neutral" ? String(manner) : ""];
	if (pace && Number(pace) !== 1) words.push(Number(pace) > 1 ? "quicker" : "slower");
	if (pitch) words.push(Number(pitch) > 0 ? "higher" : "lower");
	if (level) words.push(Number(level) > 0 ? "louder" : "softer");
	if (steadiness !== undefined && Number(steadiness) !== 0.5)
		words.push(Number(steadiness) > 0.5 ? "steadier" : "livelier");
	if (ending && ending !== "written") words.push(`${ending} end`);
	if (effect && effect !== "none") words.push(String(effect).replace("-", " "));
	if (variation && !words.some(Boolean)) words.push("another reading");
	return sentenceCase(words.filter(Boolean).join(", ")) || "Delivery";
}

const sentenceCase = (name: string) => name.charAt(0).toUpperCase() + name.slice(1).replaceAll("-", " ");

export function defaultsOf(kind: CueKind): CueValues {
	return Object.fromEntries(kind.parameters.filter((p) => p.kind !== "choice").map((p) => [p.name, p.default]));
}

/** Flags are cut by family: host a swallowtail, picture a square, sound a pennant. */
export const FLAG_SHAPES: Record<CueKind["family"], string> = {
	host: "M0 0H11L7.5 6 11 12H0Z",
	picture: "M0 1H11V11H0Z",
	sound: "M0 0L11 6 0 12Z",
};

export function familyOf(kinds: readonly CueKind[], name: string): CueKind["family"] {
	return kinds.find((k) => k.name === name)?.family ?? "host";
}

/** Kinds that fit what was typed: those that begin so first, then the most used, then as they come. */
export function foundKinds(kinds: readonly CueKind[], typed: string, used: ReadonlyMap<string, number>): CueKind[] {
	const wanted = typed.trim().toLowerCase().split(/\s+/).filter(Boolean);
	const fits = kinds.filter((kind) => {
		if (kind.name === "recording") return false; // set by choosing a take
		const text = `${kind.label} ${kind.group} ${kind.also}`.toLowerCase();
		return wanted.every((part) => text.includes(part));
	});
	const first = wanted[0] ?? "";
	return fits
		.map((kind, order) => {
			const label = kind.label.toLowerCase();
			const spoken = ` ${kind.also} `.includes(` ${typed.trim().toLowerCase()} `);
			const far = label.startsWith(first) ? 0 : spoken ? 1 : label.includes(first) ? 2 : 3;
			return { kind, order, far, uses: used.get(kind.name) ?? 0 };
		})
		.sort((a, b) => a.far - b.far || b.uses - a.uses || a.order - b.order)
		.map(({ kind }) => kind);
}
