import { useQueries, useQuery } from "@tanstack/react-query";
import { useRef } from "react";
import { api, ask, type Schemas, Unreachable } from "../../../shared/api/client";
import { useSettled } from "../../../shared/useSettled";
import type { ProductionDocument } from "./document";

export type SceneTimes = Schemas["SceneTimes"];
export type Check = Schemas["CheckOut"];

const CHECK_AFTER_MS = 250;

/** When each word of a scene of a kept revision is heard. The answer before stays until the new one is here. */
export function useSceneTimes(
	productionId: string,
	sceneIds: string[],
	revisionOf: (sceneId: string) => number,
	kept: boolean,
) {
	return useQueries({
		queries: sceneIds.map((sceneId) => ({
			queryKey: ["times", productionId, sceneId, revisionOf(sceneId)],
			queryFn: () =>
				ask(
					api.GET("/api/productions/{production_id}/scenes/{scene_id}/times", {
						params: {
							path: { production_id: productionId, scene_id: sceneId },
							query: { revision: revisionOf(sceneId) },
						},
					}),
				),
			staleTime: Number.POSITIVE_INFINITY,
			placeholderData: (before: SceneTimes | undefined) => before,
			// nothing asks again by itself until the scene changes
			retry: (count: number, error: Error) => error instanceof Unreachable && count < 30,
			retryDelay: 2000,
			// a scene that is not kept yet is not known there
			enabled: kept,
		})),
	});
}

/** Words, running times and findings of what is on the page, kept or not. */
export function useCheck(productionId: string, document: ProductionDocument, revision: number) {
	// not at every key: what is counted need not be quicker than the eye
	const settled = useSettled(document, CHECK_AFTER_MS);
	const asked = useRef({ document: settled, number: 0 });
	if (asked.current.document !== settled) asked.current = { document: settled, number: asked.current.number + 1 };
	return useQuery({
		queryKey: ["check", productionId, revision, asked.current.number],
		queryFn: () => ask(api.POST("/api/productions/check", { body: settled })),
		placeholderData: (before: Check | undefined) => before,
		retry: false,
		gcTime: 0,
	});
}
