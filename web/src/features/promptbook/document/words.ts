/** Punctuation that stands round a word without being part of it. */
const EDGES = new Set("\"'“”‘’«»()[]{}*_,;:.!?…¿¡-–—");

const isGap = (c: string | undefined) => c === undefined || /\s|—/.test(c);

/** The word at `offset` in a line's text, or the next one, or the last; null where there is none. */
export function wordAt(text: string, offset: number): { from: number; to: number } | null {
	const words = wordsOf(text);
	return words.find((word) => offset < word.to) ?? words.at(-1) ?? null;
}

type Word = { from: number; to: number };
// a line's words are asked for again and again while another line is written
const known = new Map<string, readonly Word[]>();
const KEPT = 4000;

/** Stretches between gaps without the punctuation round them; the server counts by the same rule. */
export function wordsOf(text: string): readonly Word[] {
	let words = known.get(text);
	if (!words) {
		if (known.size >= KEPT) known.clear();
		words = readWords(text);
		known.set(text, words);
	}
	return words;
}

function readWords(text: string): Word[] {
	const found: Word[] = [];
	const spoken = text.replace(/\[\[.*?\]\]|\[[^[\]\n]*\]/g, (part) => " ".repeat(part.length));
	let at = 0;
	while (at < spoken.length) {
		while (at < spoken.length && isGap(spoken[at])) at += 1;
		let from = at;
		while (at < spoken.length && !isGap(spoken[at])) at += 1;
		let to = at;
		while (from < to && EDGES.has(spoken[from] ?? "")) from += 1;
		while (to > from && EDGES.has(spoken[to - 1] ?? "")) to -= 1;
		if (/[\p{L}\p{N}&=+%]/u.test(spoken.slice(from, to))) found.push({ from, to });
	}
	return found;
}

/** The word nearest to a place in the text. */
export function nearestWord(text: string, offset: number): { from: number; to: number } | null {
	let best: { from: number; to: number } | null = null;
	let least = Number.POSITIVE_INFINITY;
	for (const word of wordsOf(text)) {
		const away = Math.max(word.from - offset, offset - word.to, 0);
		if (away <= least) {
			best = word;
			least = away;
		}
	}
	return best;
}
