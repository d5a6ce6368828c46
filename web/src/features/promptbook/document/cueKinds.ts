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
	if (cue.kind === "delivery") return deliveryLabel(cue.parameters);
	const said = kind.flag && flagOf(kind, cue.parameters);
	if (said) return said;
	return cue.parameters.side === "left" ? `${kind.label}, left` : kind.label;
}

/** A kind's flag with its settings put in; empty where a text of it is not written yet. */
function flagOf(kind: CueKind, parameters: CueValues): string {
	let missing = false;
	const flag = kind.flag.replace(/\{([\w-]+)\}/g, (_, name: string, place: number) => {
		const parameter = kind.parameters.find((p) => p.name === name);
		const value = parameters[name] ?? parameter?.default ?? "";
		missing ||= value === "";
		if (parameter?.kind === "number") return Number(value).toFixed(1);
		if (parameter?.kind === "text") return String(value);
		return place === 0 ? sentenceCase(String(value)) : String(value).replaceAll("-", " ");
	});
	return missing ? "" : flag;
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

/** Whether a new cue of this kind says little until more is chosen: what is said or shown, whom it looks at. */
export function asksFirst(kind: CueKind): boolean {
	return kind.parameters.some(({ kind: type, choices }) => type === "text" || choices.length > 2);
}

/** The choices of a kind whose names were typed: "book" is the prop to take, "point left" a side. */
export function meantChoices(kind: CueKind, typed: string): CueValues {
	const words = ` ${typed
		.toLowerCase()
		.replace(/[^\p{L}\d]+/gu, " ")
		.trim()} `;
	const meant: CueValues = {};
	for (const { name, choices } of kind.parameters) {
		const choice = choices.find((c) => words.includes(` ${c.replaceAll("-", " ")} `));
		if (choice) meant[name] = choice;
	}
	return meant;
}

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
