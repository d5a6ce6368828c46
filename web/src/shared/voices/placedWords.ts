const LETTER = 8.2;
const SPACE = 6;
let pen: CanvasRenderingContext2D | null | undefined;

/** How wide a word is drawn; a guess where there is no canvas. */
export function widthOf(text: string): number {
	if (pen === undefined) {
		pen = typeof document === "undefined" ? null : (document.createElement("canvas").getContext?.("2d") ?? null);
		if (pen) pen.font = "400 15px 'Literata Variable'";
	}
	return (pen ? pen.measureText(text).width : text.length * LETTER) + SPACE;
}

/** Words at their times, `scale` pixels a second; pushed on where they are shorter than their letters. */
export function placedWords<T extends { text: string; start: number }>(words: readonly T[], scale: number) {
	let taken = 0;
	return words.map((word) => {
		const x = Math.max(word.start * scale, taken);
		const room = x - taken + SPACE;
		taken = x + widthOf(word.text);
		return { ...word, x, room };
	});
}
