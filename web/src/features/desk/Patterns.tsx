import { useQuery } from "@tanstack/react-query";
import { api, ask } from "../../shared/api/client";

type Props = { onBegin: (pattern: string) => void; busy: boolean };

/** Scripts to begin with: what each consists of, and the set it begins in. */
export function Patterns({ onBegin, busy }: Props) {
	const patterns = useQuery({
		queryKey: ["patterns"],
		queryFn: () => ask(api.GET("/api/staging/patterns")),
		staleTime: Number.POSITIVE_INFINITY,
	});
	return (
		<ul className="patterns" aria-label="Patterns">
			{patterns.data?.map(({ name, words, says, opening_set }) => (
				<li key={name}>
					<button type="button" disabled={busy} onClick={() => onBegin(name)}>
						<img src={`/api/staging/sets/${opening_set}.png`} alt="" width={112} height={63} loading="lazy" />
						<b>{words}</b>
						<span className="small quiet">{says}</span>
					</button>
				</li>
			))}
		</ul>
	);
}
