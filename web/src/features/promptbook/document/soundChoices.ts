import { hashKey } from "@tanstack/react-query";
import type { ProductionChoice } from "./catalogue";
import type { ProductionDocument } from "./document";

/**
 * What is heard otherwise, where nothing else has changed: the choices that touch only the sound, for everywhere and for
 * a scene, as the server takes them. Null where anything else has changed, or nothing.
 */
export function heardOtherwise(
	before: ProductionDocument,
	after: ProductionDocument,
	choices: readonly ProductionChoice[],
): ((sceneId: string) => string) | null {
	const names = new Set(choices.filter(({ touches }) => touches === "sound").map(({ name }) => name));
	const [earlier, now] = [parted(before, names), parted(after, names)];
	if (told(earlier.rest) !== told(now.rest) || told(earlier.sound) === told(now.sound)) return null;
	return (sceneId) => {
		const scene = after.script.scenes.find(({ id }) => id === sceneId);
		return JSON.stringify({ everywhere: only(after, names), own: only(scene?.staging ?? {}, names) });
	};
}

/** What a part of a document says, in whatever order, and whether what is not there is left out or null. */
function told(part: object): string {
	return hashKey([JSON.parse(JSON.stringify(part, (_, value) => value ?? undefined))]);
}

/** A document in two: what is only heard, and everything else. */
function parted({ script, ...everywhere }: ProductionDocument, names: Set<string>) {
	const scenes = script.scenes.map((scene) => ({ ...scene, staging: without(scene.staging, names) }));
	return {
		sound: [only(everywhere, names), ...script.scenes.map(({ staging }) => only(staging, names))],
		rest: [without(everywhere, names), { ...script, scenes }],
	};
}

function only(chosen: object, names: Set<string>): Record<string, unknown> {
	return Object.fromEntries(Object.entries(chosen).filter(([name, value]) => names.has(name) && value !== null));
}

function without(chosen: object, names: Set<string>): Record<string, unknown> {
	return Object.fromEntries(Object.entries(chosen).filter(([name]) => !names.has(name)));
}
