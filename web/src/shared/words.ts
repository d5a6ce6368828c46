/** Whether a text holds every word that was typed, wherever it stands in it; capitals and accents do not matter. */
export function hasWords(text: string, typed: string): boolean {
	const within = plain(text);
	return plain(typed)
		.split(/\s+/)
		.every((word) => within.includes(word));
}

function plain(text: string): string {
	return text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();
}

const SERIES = new Intl.ListFormat("en-GB", { type: "conjunction" });

/** "a", "a and b", "a, b and c". */
export function series(words: readonly string[]): string {
	return SERIES.format(words);
}
