import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, type Schemas } from "../../../shared/api/client";
import { PlainButton } from "../../../shared/ui/controls";

type Owed = Schemas["CreditsOut"];
const NOTHING: Owed = { lines: [], missing: [] };

/** What the film owes for things of the shelf, and what is not said of them yet. */
export function useCredits(productionId: string, revision: number): Owed {
	const { data } = useQuery({
		queryKey: ["credits", productionId, revision],
		queryFn: () =>
			ask(api.GET("/api/shelf/credits/{production_id}", { params: { path: { production_id: productionId } } })),
		retry: false,
		placeholderData: (before: Owed | undefined) => before,
	});
	return data ?? NOTHING;
}

/** The credits of the film, to be put beside it. */
export function Credits({ lines }: { lines: readonly string[] }) {
	const [copied, setCopied] = useState(false);
	if (!lines.length) return null;
	const copy = () => navigator.clipboard.writeText(lines.join("\n")).then(() => setCopied(true));
	return (
		<section className="credits" aria-label="Credits">
			<h3 className="panel-title">Credits</h3>
			{lines.map((line) => (
				<p key={line} className="small">
					{line}
				</p>
			))}
			<PlainButton small onClick={copy}>
				{copied ? "Copied" : "Copy"}
			</PlainButton>
		</section>
	);
}
