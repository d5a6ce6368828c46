import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, sentence } from "../../shared/api/client";
import { PlainButton } from "../../shared/ui/controls";
import type { Keeping, Production } from "./useProduction";

type Props = { productionId: string; revision: number; keeping: Keeping; onRestored: (production: Production) => void };

function when(date: string): string {
	return new Date(date).toLocaleString("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });
}

/** "Kept 10:42", and behind it the earlier revisions. */
export function Revisions({ productionId, revision, keeping, onRestored }: Props) {
	const [open, setOpen] = useState(false);
	const path = { production_id: productionId };
	const revisions = useQuery({
		queryKey: ["revisions", productionId, revision],
		queryFn: () => ask(api.GET("/api/productions/{production_id}/revisions", { params: { path } })),
		enabled: open,
	});
	const restore = useMutation({
		mutationFn: (id: number) =>
			ask(
				api.POST("/api/productions/{production_id}/restore", {
					params: { path },
					body: { revision_id: id, current: revision },
				}),
			),
		onSuccess: (production) => {
			setOpen(false);
			onRestored(production);
		},
	});
	return (
		<div className="revisions">
			<button
				type="button"
				className="plain quiet small"
				aria-expanded={open}
				onClick={() => setOpen(!open)}
				data-testid="keeping"
			>
				{text(keeping)}
			</button>
			{open && (
				<div className="revision-list">
					<p className="label">Earlier revisions</p>
					{restore.isError && (
						<p role="alert" className="problem small">
							{sentence(restore.error)}
						</p>
					)}
					<ul>
						{revisions.data?.map((r) => (
							<li key={r.id}>
								<span className="num">
									{r.number}. {when(r.saved_at)} {r.refused && <em>not taken</em>}
								</span>
								{r.number === revision && !r.refused ? (
									<span className="small quiet">now</span>
								) : (
									<PlainButton small onClick={() => restore.mutate(r.id)} label={`Restore revision ${r.number}`}>
										Restore
									</PlainButton>
								)}
							</li>
						))}
					</ul>
				</div>
			)}
		</div>
	);
}

function text(keeping: Keeping): string {
	if (keeping.state === "kept") {
		const at = keeping.at?.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
		return at ? `Kept ${at}` : "Kept";
	}
	if (keeping.state === "keeping") return "Keeping…";
	return "Not kept yet";
}
