import { useQueries, useQuery } from "@tanstack/react-query";
import { api, ask, type Schemas } from "../../shared/api/client";
import type { ProductionDocument } from "./document";

export type SceneTimes = Schemas["SceneTimes"];
export type Check = Schemas["CheckOut"];

/** When each word of a scene of a kept revision is heard. The answer before stays until the new one is here. */
export function useSceneTimes(productionId: string, sceneIds: string[], revision: number) {
	return useQueries({
		queries: sceneIds.map((sceneId) => ({
			queryKey: ["times", productionId, sceneId, revision],
			queryFn: () =>
				ask(
					api.GET("/api/productions/{production_id}/scenes/{scene_id}/times", {
						params: { path: { production_id: productionId, scene_id: sceneId }, query: { revision } },
					}),
				),
			staleTime: Number.POSITIVE_INFINITY,
			placeholderData: (before: SceneTimes | undefined) => before,
			retry: false,
			enabled: revision > 0,
		})),
	});
}

/** Words, running times and findings of what is on the page, kept or not. */
export function useCheck(document: ProductionDocument | null, stamp: number) {
	return useQuery({
		queryKey: ["check", document?.script.title, stamp],
		queryFn: () => ask(api.POST("/api/productions/check", { body: document as ProductionDocument })),
		enabled: document !== null,
		placeholderData: (before: Check | undefined) => before,
		retry: false,
		staleTime: 2000,
	});
}
