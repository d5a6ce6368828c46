/** The pitch as a line, broken where nothing is voiced; a semitone is as tall everywhere. */
export function melodyPath(
	pitch: readonly number[],
	/** Values a second, and every pitch that must fit into the same height. */
	{ rate, among }: { rate: number; among: readonly number[] },
	scale: number,
	tall: number,
): string {
	const both = among.filter((hertz) => hertz > 0).sort((a, b) => a - b);
	if (both.length < 3) return "";
	const low = Math.log2(both[Math.floor(both.length * 0.04)] ?? 80);
	const high = Math.log2(both[Math.floor(both.length * 0.96)] ?? 200);
	const range = Math.max(0.5, high - low);
	const smooth = smoothed(pitch);
	let path = "";
	let on = false;
	smooth.forEach((hertz, index) => {
		if (hertz <= 0) {
			on = false;
			return;
		}
		const part = Math.min(1.15, Math.max(-0.15, (Math.log2(hertz) - low) / range));
		const y = tall - 12 - part * (tall - 26);
		path += `${on ? "L" : "M"}${((index / rate) * scale).toFixed(1)} ${y.toFixed(1)}`;
		on = true;
	});
	return path;
}

/** Values without voice that a line goes over. */
const BRIDGED = 3;

/** The median of five, so that one wrong frame makes no spike; short holes are bridged. */
function smoothed(pitch: readonly number[]): number[] {
	const filled = pitch.map((hertz, i) => {
		if (hertz > 0) return hertz;
		const before = pitch.findLastIndex((h, k) => k < i && h > 0);
		const after = pitch.findIndex((h, k) => k > i && h > 0);
		if (before < 0 || after < 0 || after - before - 1 > BRIDGED) return 0;
		return ((pitch[before] ?? 0) + (pitch[after] ?? 0)) / 2;
	});
	return filled.map((hertz, i) => {
		if (hertz <= 0) return 0;
		const around = filled.slice(Math.max(0, i - 2), i + 3).filter((h) => h > 0);
		around.sort((a, b) => a - b);
		return around[Math.floor(around.length / 2)] ?? hertz;
	});
}
