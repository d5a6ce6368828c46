export type Piece = { kind: "stays" | "goes" | "comes"; text: string };

/** Which words of a sentence go, come and stay, by the longest run of words both have. */
export function wordsDiffering(before: string, after: string): Piece[] {
	const [old, now] = [before.split(/\s+/).filter(Boolean), after.split(/\s+/).filter(Boolean)];
	const longest = Array.from({ length: old.length + 1 }, () => new Array<number>(now.length + 1).fill(0));
	const of = (i: number, j: number) => longest[i]?.[j] ?? 0;
	for (let i = old.length - 1; i >= 0; i -= 1) {
		for (let j = now.length - 1; j >= 0; j -= 1) {
			const row = longest[i] as number[];
			row[j] = old[i] === now[j] ? of(i + 1, j + 1) + 1 : Math.max(of(i + 1, j), of(i, j + 1));
		}
	}
	const pieces: Piece[] = [];
	const add = (kind: Piece["kind"], word: string) => {
		const last = pieces.at(-1);
		if (last?.kind === kind) last.text += ` ${word}`;
		else pieces.push({ kind, text: word });
	};
	let [i, j] = [0, 0];
	while (i < old.length || j < now.length) {
		if (i < old.length && j < now.length && old[i] === now[j]) {
			add("stays", old[i] as string);
			i += 1;
			j += 1;
		} else if (i < old.length && of(i + 1, j) >= of(i, j + 1)) {
			add("goes", old[i] as string);
			i += 1;
		} else {
			add("comes", now[j] as string);
			j += 1;
		}
	}
	return pieces;
}
