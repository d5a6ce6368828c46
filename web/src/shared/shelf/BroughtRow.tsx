import { useEffect } from "react";
import { JobProgress } from "../jobs/JobProgress";
import { isWaiting, useJob } from "../jobs/useJob";
import { PlainButton } from "../ui/controls";
import type { Brought } from "./bringing";

type Props = { one: Brought; onDone: (item: string) => void; onAway: () => void };

/** A file on its way to the shelf: how far it is, and a way to stop; or why it is not taken. */
export function BroughtRow({ one, onDone, onAway }: Props) {
	const job = useJob(one.job).data;
	const item = job?.status === "done" ? String(job.result.item ?? "") : "";
	useEffect(() => {
		if (item) onDone(item);
	}, [item, onDone]);
	const ended = one.problem || (job && !isWaiting(job) && !item);
	return (
		<div className="brought">
			<b className="small">{one.name}</b>
			{one.problem && (
				<p role="alert" className="problem small">
					{one.problem}
				</p>
			)}
			{!one.problem && !one.job && (
				<p role="status" className="small quiet">
					is being sent…
				</p>
			)}
			{job && <JobProgress job={job} label={`Reading ${one.name}`} />}
			{ended && (
				<PlainButton small onClick={onAway}>
					Put this note away
				</PlainButton>
			)}
		</div>
	);
}
