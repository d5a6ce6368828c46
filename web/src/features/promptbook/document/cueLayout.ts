/** A flag in the margin and the rule that ties it to its word. */
export type Flag = { id: string; left: number; top: number; rule: string; more: number };

type Item = { id: string; x: number; y: number };

/** A finger or an unsteady hand can hit one: WCAG 2.2, target size. */
const FLAG_HEIGHT = 24;
/** Flags beside one row of text; with more the last one only counts them. */
const MOST_FLAGS = 4;

/**
 * Where flags stand. Of the cues on one row of text the leftmost word takes the highest rule and the top
 * flag, so that rules never cross and flags read in the order of the words.
 */
export function layFlags(items: Item[], edge: number, opened: ReadonlySet<string> = new Set()): Flag[] {
	const sorted = [...items].sort((a, b) => (Math.abs(a.y - b.y) > 6 ? a.y - b.y : a.x - b.x));
	const rows: Item[][] = [];
	for (const item of sorted) {
		const row = rows.at(-1);
		if (row?.[0] && Math.abs(row[0].y - item.y) < 6) row.push(item);
		else rows.push([item]);
	}
	let last = -99;
	return rows.flatMap((whole) => {
		const all = whole.length <= MOST_FLAGS || whole.some((item) => opened.has(item.id));
		const row = all ? whole : whole.slice(0, MOST_FLAGS);
		return row.map((item, index) => {
			const below = row.length - 1 - index;
			const ruleY = Math.round(item.y + 2 - below * 2.6);
			const top = Math.max(ruleY - FLAG_HEIGHT / 2, last + FLAG_HEIGHT);
			last = top;
			const middle = top + FLAG_HEIGHT / 2;
			const straight = Math.abs(middle - ruleY) < 1.5;
			const corner = edge - 4 - below * 3.5;
			const rule = `M${item.x + 0.5} ${item.y + 7}V${ruleY + 0.5}H${straight ? edge : `${corner}V${middle}H${edge}`}`;
			const more = !all && index === MOST_FLAGS - 1 ? whole.length - MOST_FLAGS + 1 : 0;
			return { id: item.id, left: edge, top, rule, more };
		});
	});
}

/** Where a stretch begins and ends on the page: its upper left and its lower right corner. */
export type Corners = { id: string; left: number; top: number; right: number; bottom: number };

/** The two corners of a stretch as lines, as photo corners hold a print. */
export function cornersPath({ left, top, right, bottom }: Corners): string {
	const arm = 6;
	return `M${left - 2} ${top + arm}V${top}H${left - 2 + arm}M${right + 2} ${bottom - arm}V${bottom}H${right + 2 - arm}`;
}

/** The cues of the scenes that are in view or nearly, as they lie on the page, from `root`'s top left; and the lines
 * of those scenes. */
export function measureCues(root: HTMLElement): {
	items: Item[];
	stretches: Corners[];
	edge: number;
	lines: ReadonlySet<string>;
} {
	const origin = root.getBoundingClientRect();
	const spare = window.innerHeight / 2;
	const seen = new Set<string>();
	const items: Item[] = [];
	const stretches = new Map<string, Corners>();
	const lines = new Set<string>();
	let edge = 0;
	for (const scene of root.querySelectorAll<HTMLElement>(".scene")) {
		const place = scene.getBoundingClientRect();
		if (place.bottom < -spare || place.top > window.innerHeight + spare) continue;
		for (const element of scene.querySelectorAll<HTMLElement>(".cue[data-cue]")) {
			const id = element.dataset.cue ?? "";
			const boxes = element.getClientRects();
			const [box, end] = [boxes[0], boxes[boxes.length - 1]];
			if (!box || !end) continue;
			if ("stretch" in element.dataset) {
				const known = stretches.get(id) ?? {
					id,
					left: box.left - origin.left,
					top: box.top - origin.top,
					right: 0,
					bottom: 0,
				};
				stretches.set(id, { ...known, right: end.right - origin.left, bottom: end.bottom - origin.top });
			}
			if (seen.has(id)) continue;
			seen.add(id);
			items.push({ id, x: box.left - origin.left, y: box.top - origin.top });
		}
		for (const line of scene.querySelectorAll<HTMLElement>(".line[data-id]")) lines.add(line.dataset.id ?? "");
		edge ||= scene.querySelector<HTMLElement>(".line-text")?.getBoundingClientRect().right ?? 0;
	}
	return { items, stretches: [...stretches.values()], edge: edge ? edge - origin.left + 14 : 0, lines };
}
