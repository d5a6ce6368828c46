import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import type { ProductionDocument } from "./document";
import { playhead, usePlayhead } from "./playhead";
import { useSceneRevisions } from "./useSceneRevisions";
import { type SceneTimes, useCheck, useSceneTimes } from "./useSceneTimes";

/** What is known of the scenes: words and lengths of all, the words' times of those that are looked at. */
export function useScenes(productionId: string, document: ProductionDocument, revision: number, unsaved: number) {
	const checking = useCheck(productionId, document, revision);
	const check = checking.data ?? null;
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

	const [seen, setSeen] = useState<string[]>([]);
	const see = useCallback((ids: string[]) => setSeen((was) => (was.join() === ids.join() ? was : ids)), []);
	const asked = useMemo(() => {
		if (!current) return [];
		const next = spoken[spoken.indexOf(current) + 1];
		// what is only looked at is not read for it
		const read = new Set(check?.scenes.filter((c) => !c.estimated).map((c) => c.id));
		const others = seen.filter((id) => read.has(id));
		return [...new Set([current, ...(next ? [next] : []), ...others])];
	}, [current, spoken, seen, check]);
	const kept = unsaved === 0 && revision > 0;
	const revisionOf = useSceneRevisions(document, revision, kept);
	const times = useTimes(useSceneTimes(productionId, asked, revisionOf, kept), asked);
	useCheckAgain(checking, times.answers, unsaved);
	const first = times.answers[0];
	const fresh = first !== undefined && !first.isPlaceholderData && !first.isFetching && unsaved === 0;
	const reading = useMemo(() => new Set(fresh || !current ? [] : [current]), [fresh, current]);
	// a scene that is not kept yet cannot be read yet
	const problem = first?.isError && unsaved === 0 ? first.error : null;
	return { check, spoken, current, times: times.known, revisionOf, reading, problem, see };
}

/** A scene that was read since the check is checked again, so that its length is no estimate any more. */
function useCheckAgain(
	{ data, refetch }: ReturnType<typeof useCheck>,
	answers: ReturnType<typeof useSceneTimes>,
	unsaved: number,
) {
	const estimated = new Set(data?.scenes.filter((scene) => scene.estimated).map((scene) => scene.id));
	const read = answers.flatMap(({ data: times, isPlaceholderData, dataUpdatedAt }) =>
		times && !isPlaceholderData && estimated.has(times.id) ? [`${times.id} ${dataUpdatedAt}`] : [],
	);
	const known = unsaved === 0 ? read.join() : "";
	useEffect(() => {
		if (known) void refetch();
	}, [known, refetch]);
}

/** Answers by scene, the one before until the new one is here; the same map as long as none changed. */
function useTimes(answers: ReturnType<typeof useSceneTimes>, asked: string[]) {
	const kept = useRef(new Map<string, SceneTimes>());
	const known = new Map<string, SceneTimes>();
	answers.forEach((answer, i) => {
		const id = asked[i];
		const data = answer.data?.id === id ? answer.data : kept.current.get(id ?? "");
		if (id && data) known.set(id, data);
	});
	const same = known.size === kept.current.size && [...known].every(([id, data]) => kept.current.get(id) === data);
	if (!same) kept.current = known;
	return { answers, known: kept.current };
}
