import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask } from "../api/client";

const KEY = ["session"];
const ROOM_LOOKED_AT = 300_000;

export function useSession() {
	return useQuery({
		queryKey: KEY,
		queryFn: () => ask(api.GET("/api/session")),
		staleTime: Number.POSITIVE_INFINITY,
		refetchInterval: ROOM_LOOKED_AT, // what it says of room on the disk changes while one works
	});
}

export function useSignIn() {
	const queries = useQueryClient();
	return useMutation({
		mutationFn: (body: { username: string; password: string }) => ask(api.POST("/api/session", { body })),
		onSuccess: (session) => queries.setQueryData(KEY, session),
	});
}

export function useSignOut() {
	const queries = useQueryClient();
	return useMutation({
		mutationFn: () => ask(api.DELETE("/api/session")),
		onSuccess: (session) => {
			queries.clear();
			queries.setQueryData(KEY, session);
		},
	});
}
