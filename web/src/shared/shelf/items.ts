const KINDS: Readonly<Record<string, string>> = { i: "picture", c: "clip", s: "sound" };

/** The kind of a thing of the shelf, by the first letter of its id. */
export function kindOfItem(item: string): string {
	return KINDS[item.charAt(0)] ?? "";
}

/** The ids that a setting names, apart by spaces. */
export function itemsIn(setting: unknown): string[] {
	return String(setting ?? "")
		.split(" ")
		.filter(Boolean);
}
