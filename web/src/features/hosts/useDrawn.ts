import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";

/** The address of what the server draws of `body`; "" until it is there, the one before while it is drawn anew. */
export function useDrawn(path: string, body: object, enabled = true) {
	const drawn = useQuery({
		queryKey: [path, JSON.stringify(body)],
		placeholderData: keepPreviousData,
		staleTime: Number.POSITIVE_INFINITY,
		gcTime: 30_000,
		enabled,
		queryFn: async ({ signal }) => {
			const token = document.cookie.match(/csrftoken=([^;]+)/)?.[1] ?? "";
			const answer = await fetch(path, {
				method: "POST",
				headers: { "Content-Type": "application/json", "X-CSRFToken": token },
				body: JSON.stringify(body),
				signal,
			});
			if (!answer.ok) throw new Error("The picture cannot be drawn now.");
			return answer.blob();
		},
	});
	const [address, setAddress] = useState("");
	useEffect(() => {
		if (!drawn.data) return;
		const made = URL.createObjectURL(drawn.data);
		setAddress(made);
		return () => URL.revokeObjectURL(made);
	}, [drawn.data]);
	return { address, busy: drawn.isFetching, failed: drawn.isError };
}
