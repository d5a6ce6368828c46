import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import type { Sheet } from "./useHosts";

type Props = { sheet: Sheet; view: string; width: number; height: number; alt: string };

/** A sheet that is being made, drawn by the server as it will be in films. */
export function SheetPicture({ sheet, view, width, height, alt }: Props) {
	const drawn = useQuery({
		queryKey: ["sheet-picture", view, JSON.stringify(sheet)],
		placeholderData: keepPreviousData,
		staleTime: Number.POSITIVE_INFINITY,
		gcTime: 30_000,
		queryFn: async ({ signal }) => {
			const token = document.cookie.match(/csrftoken=([^;]+)/)?.[1] ?? "";
			const answer = await fetch("/api/workshop/picture.png", {
				method: "POST",
				headers: { "Content-Type": "application/json", "X-CSRFToken": token },
				body: JSON.stringify({ sheet, view }),
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
	return address ? (
		<img src={address} alt={alt} width={width} height={height} />
	) : (
		<span className="sheet-blank" style={{ width, height }} />
	);
}
