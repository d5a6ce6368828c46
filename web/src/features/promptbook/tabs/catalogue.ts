import { useQuery } from "@tanstack/react-query";
import { api, ask } from "../../../shared/api/client";

const KEPT = { staleTime: Number.POSITIVE_INFINITY };

/** Everybody who can be on stage. */
export function useHosts() {
	return useQuery({ queryKey: ["hosts"], queryFn: () => ask(api.GET("/api/hosts")), ...KEPT });
}

/** What can be behind the hosts. */
export function useSets() {
	return useQuery({ queryKey: ["sets"], queryFn: () => ask(api.GET("/api/hosts/sets")), ...KEPT });
}
