import { api, ask, type Schemas } from "../../../shared/api/client";
import type { CueValues } from "./cues";

export type ProposedPicture = Schemas["ProposedPicture"];

/** Kinds that show something beside the host or in place of one. */
export const SHOWN_KINDS: ReadonlySet<string> = new Set([
	"picture",
	"list",
	"number",
	"quotation",
	"comparison",
	"words",
	"end-card",
]);

/** The settings of the cue that shows a proposed picture. */
export function pictureSettings({ parts, template, count }: ProposedPicture): CueValues {
	const [shows = "", ...also] = parts.map((part) => part.thing);
	return { shows, also: also.join(", "), how: template, count: Math.max(2, count), place: "beside" };
}

/** The cue for a picture of these words: of what they name, or the words themselves, large. */
export async function pictureFor(words: string): Promise<{ name: string; parameters: CueValues }> {
	const lines = [{ id: "words", text: words }];
	const found = await ask(api.POST("/api/staging/pictures", { body: { lines, every: true } })).catch(() => []);
	const best = found.find((one) => one.parts.length > 0);
	return best
		? { name: "picture", parameters: pictureSettings(best) }
		: { name: "words", parameters: { text: words.trim().slice(0, 80) } };
}
