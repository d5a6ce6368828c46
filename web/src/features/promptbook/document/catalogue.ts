import { useQuery } from "@tanstack/react-query";
import { api, ask } from "../../../shared/api/client";

const KEPT = { staleTime: Number.POSITIVE_INFINITY };

/** What can be behind the hosts. */
export function useSets() {
	return useQuery({ queryKey: ["sets"], queryFn: () => ask(api.GET("/api/hosts/sets")), ...KEPT });
}
