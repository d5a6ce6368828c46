import { useQuery } from "@tanstack/react-query";
import { api, ask, type Schemas, sentence } from "../../shared/api/client";
import { FLAG_SHAPES } from "./document/cueKinds";
import { type ProductionDocument, shownName } from "./document/document";

type Run = Schemas["RunOut"];
type Props = { before: ProductionDocument; after: ProductionDocument; heads: [string, string] };

/** Two states of a production side by side: only what differs, the differing words marked. */
export function Difference({ before, after, heads }: Props) {
	const found = useQuery({
		queryKey: ["compare", before, after],
		queryFn: () => ask(api.POST("/api/productions/compare", { body: { before, after } })),
		gcTime: 0,
		staleTime: Number.POSITIVE_INFINITY,
	});
	if (found.isError) {
		return (
			<p role="alert" className="problem">
				{sentence(found.error)}
			</p>
		);
	}
	if (!found.data) return <p className="quiet">Comparing…</p>;
	const { lines, choices } = found.data;
	return (
		<div className="difference">
			{lines.length > 0 && (
				<div className="difference-row head small quiet">
					<p>{heads[0]}</p>
					<p>{heads[1]}</p>
				</div>
			)}
			{lines.map((line, i) => (
				// biome-ignore lint/suspicious/noArrayIndexKey: a difference has no other name than its row
				<div key={i} className="difference-row">
					<p className="label">
						Scene {line.scene}
						{line.speaker && `, ${shownName(line.speaker)}`}
						{line.kind !== "changed" && `, ${line.kind}`}
					</p>
					<Side runs={line.before} none="not there" />
					<Side runs={line.after} none="taken out" />
				</div>
			))}
			{choices.length > 0 && (
				<p>
					{lines.length ? "Besides, these differ: " : "The words are the same. These differ: "}
					{choices.join("; ")}.
				</p>
			)}
			{!lines.length && !choices.length && <p className="quiet">They are the same.</p>}
		</div>
	);
}

function Side({ runs, none }: { runs: Run[]; none: string }) {
	if (!runs.length) return <p className="small quiet">{none}</p>;
	return (
		<p className="serif">
			{runs.map((run, i) => {
				const Stretch = run.differs ? "mark" : "span";
				return (
					// biome-ignore lint/suspicious/noArrayIndexKey: runs stand in the order of their text
					<Stretch key={i}>
						<WithCues text={run.text} />
					</Stretch>
				);
			})}
		</p>
	);
}

/** Text with its cues by name instead of as notes. */
function WithCues({ text }: { text: string }) {
	return text.split(/\[\[cue: (.*?)\]\]/).map((part, i) =>
		i % 2 ? (
			// biome-ignore lint/suspicious/noArrayIndexKey: parts stand in the order of their text
			<span key={i} className="cue-note">
				<svg viewBox="0 0 11 12" width={9} height={10} aria-hidden="true" className="flag-shape">
					<path d={FLAG_SHAPES.host} />
				</svg>
				{part.replaceAll("-", " ")}{" "}
			</span>
		) : (
			part
		),
	);
}
