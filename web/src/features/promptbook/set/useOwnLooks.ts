import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, type Schemas } from "../../../shared/api/client";

export type OwnLook = Schemas["OwnLookOut"];

const KEY = ["own looks"];

/** Looks that this account keeps, and ways to keep and to forget them. */
export function useOwnLooks() {
	const queries = useQueryClient();
	const again = () => queries.invalidateQueries({ queryKey: KEY });
	const kept = useQuery({ queryKey: KEY, queryFn: () => ask(api.GET("/api/staging/own-looks")) });
	const keep = useMutation({
		mutationFn: ({ name, choices }: Schemas["OwnLookIn"]) =>
			ask(api.POST("/api/staging/own-looks", { body: { name, choices } })),
		onSuccess: again,
	});
	const remove = useMutation({
		mutationFn: (id: number) =>
			ask(api.DELETE("/api/staging/own-looks/{look_id}", { params: { path: { look_id: id } } })),
		onSuccess: again,
	});
	return { looks: kept.data ?? NONE, keep, remove };
}

const NONE: OwnLook[] = [];
