import { useMutation, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, type Schemas, sentence } from "../../shared/api/client";
import { MainButton, PlainButton } from "../../shared/ui/controls";
import { Sheet } from "../../shared/ui/Sheet";
import { Difference } from "./Difference";
import type { ProductionDocument } from "./document/document";
import type { Keeping, Production } from "./document/keeping";

type Props = {
	productionId: string;
	revision: number;
	document: ProductionDocument;
	keeping: Keeping;
	onRestored: (production: Production) => void;
};

function when(date: string): string {
	return new Date(date).toLocaleString("en-GB", { day: "numeric", month: "short", hour: "2-digit", minute: "2-digit" });
}

/** "Kept 10:42", and behind it the earlier revisions. */
export function Revisions(props: Props) {
	const [open, setOpen] = useState(false);
	return (
		<div className="revisions">
			<button
				type="button"
				className="plain quiet small"
				aria-haspopup="dialog"
				title="Earlier revisions"
				onClick={() => setOpen(true)}
				data-testid="keeping"
			>
				{text(props.keeping)}
			</button>
			{open && <RevisionSheet {...props} onClose={() => setOpen(false)} />}
		</div>
	);
}

function RevisionSheet({ productionId, revision, document, onRestored, onClose }: Props & { onClose: () => void }) {
	const [chosen, setChosen] = useState<Schemas["RevisionOut"] | null>(null);
	const path = { production_id: productionId };
	const revisions = useQuery({
		queryKey: ["revisions", productionId, revision],
		queryFn: () => ask(api.GET("/api/productions/{production_id}/revisions", { params: { path } })),
	});
	const shown = chosen ?? revisions.data?.find((r) => r.refused || r.number !== revision) ?? null;
	const before = useQuery({
		queryKey: ["revision", productionId, shown?.id],
		queryFn: () =>
			ask(
				api.GET("/api/productions/{production_id}/revisions/{revision_id}", {
					params: { path: { ...path, revision_id: shown?.id ?? 0 } },
				}),
			),
		enabled: shown !== null,
		staleTime: Number.POSITIVE_INFINITY,
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
			onClose();
			onRestored(production);
		},
	});
	const problem = restore.error ?? before.error ?? revisions.error;
	return (
		<Sheet label="Earlier revisions" onClose={onClose}>
			<h2 className="panel-title">Earlier revisions</h2>
			{problem && (
				<p role="alert" className="problem small">
					{sentence(problem)}
				</p>
			)}
			<div className="revision-columns">
				<ul>
					{revisions.data?.map((r) => {
						const now = r.number === revision && !r.refused;
						return (
							<li key={r.id}>
								<button
									type="button"
									disabled={now}
									aria-pressed={shown?.id === r.id}
									onClick={() => setChosen(r)}
									className="num"
								>
									{r.number}. {when(r.saved_at)} {now ? "now" : r.refused ? "not taken" : ""}
								</button>
							</li>
						);
					})}
				</ul>
				<div className="revision-difference">
					{shown && before.data ? (
						<Difference before={before.data} after={document} heads={[`Revision ${shown.number}`, "Now"]} />
					) : (
						<p className="quiet">{revisions.data && !shown ? "This is the first revision." : "Opening…"}</p>
					)}
				</div>
			</div>
			<div className="change-buttons">
				{shown && (
					<MainButton onClick={() => restore.mutate(shown.id)} disabled={restore.isPending}>
						Restore revision {shown.number}
					</MainButton>
				)}
				<PlainButton onClick={onClose}>Close</PlainButton>
				<span className="small quiet">What is written now stays among the revisions.</span>
			</div>
		</Sheet>
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
