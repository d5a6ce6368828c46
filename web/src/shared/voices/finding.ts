import type { Schemas } from "../api/client";

export type Voice = Schemas["VoiceOut"];

/** How high a voice is, in words one would search by. */
export function pitchWord(hertz: number): string {
	if (hertz < 90) return "very low";
	if (hertz < 125) return "low";
	if (hertz < 165) return "middling";
	return hertz < 230 ? "high" : "very high";
}

/** How old a voice sounds, to choose by. */
export const AGES = [
	{ value: "", text: "of any age" },
	{ value: "child", text: "a child" },
	{ value: "young", text: "young" },
	{ value: "grown", text: "grown" },
	{ value: "older", text: "older" },
];

export type Order = "marked" | "used" | "low" | "high";

/** Voices in an order; those that are equal in it stay as they come. `used`: in how many productions each speaks. */
export function sortedVoices(voices: readonly Voice[], order: Order, used: ReadonlyMap<string, number>): Voice[] {
	const rank = (voice: Voice) => {
		if (order === "low") return voice.pitch;
		if (order === "high") return -voice.pitch;
		return order === "used" ? -(used.get(voice.id) ?? 0) : voice.favourite ? 0 : 1;
	};
	return [...voices].sort((a, b) => rank(a) - rank(b));
}

/** Voices that fit every word that was typed: of their name, language, character, pitch or kind. */
export function foundVoices(voices: readonly Voice[], typed: string): Voice[] {
	const wanted = typed
		.trim()
		.toLowerCase()
		.split(/[\s,]+/)
		.filter(Boolean);
	return voices.filter((voice) => {
		const text =
			`${voice.name} ${voice.language_name} ${voice.language} ${voice.description} ${pitchWord(voice.pitch)} ${voice.engine} ${voice.age}`.toLowerCase();
		// "man" is not in "woman", but "wom" is a woman half typed
		return wanted.every((word) => new RegExp(`(^|[^\\p{L}])${escaped(word)}`, "u").test(text));
	});
}

const escaped = (word: string) => word.replace(/[.*+?^${}()|[\]\\]/g, "\\$&");
