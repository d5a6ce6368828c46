import { useQuery } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";
import { PutAwayNote } from "../../shared/ui/PutAwayNote";
import { facts, picture } from "./facts";
import { useOwnPatterns, useShelfWork } from "./useProductions";

type Props = { onBegin: (from: { pattern: string } | { own: string }) => void; busy: boolean };

/** Scripts to begin with: one's own, as they look, and what each of the others consists of with the set it begins in. */
export function Patterns({ onBegin, busy }: Props) {
	const own = useOwnPatterns().data ?? [];
	const work = useShelfWork();
	const patterns = useQuery({
		queryKey: ["patterns"],
		queryFn: () => ask(api.GET("/api/staging/patterns")),
		staleTime: Number.POSITIVE_INFINITY,
	});
	return (
		<>
			<PutAwayNote
				says={work.deleted[0] ? `“${work.deleted[0].title}” is forgotten.` : ""}
				onUndo={() => work.bringBack.mutate(work.deleted)}
				problem={work.problem}
			/>
			<ul className="patterns" aria-label="Patterns">
				{own.map((pattern) => (
					<li key={pattern.id}>
						<button type="button" disabled={busy} onClick={() => onBegin({ own: pattern.id })}>
							<img src={picture(pattern)} alt="" width={112} height={63} loading="lazy" />
							<b>{pattern.title}</b>
							<span className="small quiet">{facts(pattern)}</span>
						</button>
						<button type="button" className="link small" onClick={() => work.remove.mutate([pattern])}>
							Forget<span className="unseen"> {pattern.title}</span>
						</button>
					</li>
				))}
				{patterns.data?.map(({ name, words, says, opening_set }) => (
					<li key={name}>
						<button type="button" disabled={busy} onClick={() => onBegin({ pattern: name })}>
							<img src={`/api/staging/sets/${opening_set}.png`} alt="" width={112} height={63} loading="lazy" />
							<b>{words}</b>
							<span className="small quiet">{says}</span>
						</button>
					</li>
				))}
			</ul>
		</>
	);
}
