/** Pixels: the gauge, and a row of its labels. */
export const HEIGHT = 176;
export const ROW = 18;

/**
 * Where the middle of the first of the two rows that tell the length now stands, when the water stands at `now` and the
 * one row of the wished length at `mark`: beside the water, but clear of that row.
 */
export function labelTop(now: number, mark: number): number {
	const above = mark - 2 * ROW;
	const below = mark + ROW;
	const wanted = now < mark ? Math.min(now, above) : Math.max(now, below);
	return wanted < 0 ? below : Math.min(wanted, Math.max(below, HEIGHT - 2 * ROW));
}
