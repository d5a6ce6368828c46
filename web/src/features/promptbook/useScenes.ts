import { useEffect, useMemo } from "react";
import type { ProductionDocument } from "./document";
import { playhead, usePlayhead } from "./playhead";
import { type SceneTimes, useCheck, useSceneTimes } from "./useSceneTimes";

/** What is known of the scenes: words and lengths of all, the words' times of those that are looked at. */
export function useScenes(productionId: string, document: ProductionDocument, revision: number, unsaved: number) {
	const check = useCheck(productionId, document, revision).data ?? null;
	const scenes = document.script.scenes;
	const spoken = useMemo(() => {
		const said = new Set(check?.scenes.filter((c) => c.words > 0).map((c) => c.id));
		return scenes.map((s) => s.id).filter((id) => said.has(id));
	}, [scenes, check]);
	const sceneId = usePlayhead((p) => p.sceneId);
	const current = spoken.includes(sceneId) ? sceneId : (spoken[0] ?? "");
	useEffect(() => {
		if (current && playhead.get().sceneId !== current) playhead.set({ sceneId: current, at: 0, playing: false });
	}, [current]);
	useEffect(() => () => playhead.set({ sceneId: "", at: 0, playing: false }), []);

	const asked = useMemo(() => {
		const next = spoken[spoken.indexOf(current) + 1];
		return current ? [current, ...(next ? [next] : [])] : [];
	}, [current, spoken]);
	const answers = useSceneTimes(productionId, asked, revision);
	const times = useMemo(() => {
		const known = new Map<string, SceneTimes>();
		answers.forEach((answer, i) => {
			if (answer.data && asked[i]) known.set(asked[i], answer.data);
		});
		return known;
	}, [answers, asked]);
	const first = answers[0];
	const fresh = first !== undefined && !first.isPlaceholderData && !first.isFetching && unsaved === 0;
	const reading = useMemo(() => new Set(fresh || !current ? [] : [current]), [fresh, current]);
	// a scene that is not kept yet cannot be read yet
	const problem = first?.isError && unsaved === 0 ? first.error : null;
	return { check, spoken, current, times, reading, problem };
}
