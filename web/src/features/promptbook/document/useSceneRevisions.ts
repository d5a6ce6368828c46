import { useRef } from "react";
import type { ProductionDocument, Scene } from "./document";

type Known = { scene: Scene; number: number; choices: string; revision: number };

/**
 * The revision in which each scene last changed: what is known of a scene holds until then, so that a key in
 * one scene asks nothing anew about the others. A scene that is not kept yet has the one before.
 */
export function useSceneRevisions(
	document: ProductionDocument,
	revision: number,
	kept: boolean,
): (id: string) => number {
	const known = useRef(new Map<string, Known>());
	const { script, brief: _, ...rest } = document;
	if (kept) {
		const choices = JSON.stringify(rest);
		script.scenes.forEach((scene, number) => {
			const before = known.current.get(scene.id);
			const same = before?.scene === scene && before.number === number && before.choices === choices;
			if (!same) known.current.set(scene.id, { scene, number, choices, revision });
		});
	}
	return (id) => known.current.get(id)?.revision ?? revision;
}
