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

/** What else the first thing of a picture could be: at most three, the best first. */
export function runnersUp({ parts }: ProposedPicture): string[] {
	const shown = parts.map((part) => part.thing);
	return (parts[0]?.runners_up ?? []).filter((thing) => !shown.includes(thing)).slice(0, 3);
}

/** The picture with another thing in place of its first. */
export function instead(picture: ProposedPicture, thing: string | undefined): ProposedPicture {
	const [first, ...more] = picture.parts;
	return first && thing ? { ...picture, parts: [{ ...first, thing }, ...more] } : picture;
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
