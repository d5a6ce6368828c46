import { isThing, thumbnailOf } from "../../../shared/shelf/useShelf";

/** Where a small picture of a set is, as it is lit and coloured by other choices, or of what stands in its place. */
export function pictureOfSet({ set, palette, daylight, weather }: Readonly<Record<string, unknown>>): string {
	if (isThing(String(set))) return thumbnailOf(String(set));
	return `/api/staging/sets/${set}.png?palette=${palette}&daylight=${daylight}&weather=${weather}`;
}
