import { timeLeft } from "../time";
import { PlainButton } from "../ui/controls";
import { Icon } from "../ui/icons";
import { isWaiting, type Job, useStopJob } from "./useJob";

type Props = {
	job: Job;
	/** What is being done, as "Reading the voice". */
	label: string;
};

/** How far a job is, how long it takes yet, and a way to stop it; why it ended where that was not well. */
export function JobProgress({ job, label }: Props) {
	const stop = useStopJob();
	if (isWaiting(job)) {
		return (
			<div className="job" role="status">
				<div className="delivery-line">
					<i className="small">{label}…</i>
					<PlainButton small onClick={() => stop.mutate(job.id)} disabled={job.stop_requested} label={`Stop: ${label}`}>
						<Icon name="stop" size={11} /> {job.stop_requested ? "Stopping…" : "Stop"}
					</PlainButton>
				</div>
				<div className="delivery-line">
					<div
						className="progress"
						role="progressbar"
						aria-label={label}
						aria-valuenow={Math.round(job.progress * 100)}
						aria-valuemin={0}
						aria-valuemax={100}
					>
						<i style={{ width: `${job.progress * 100}%` }} />
					</div>
					<span className="small quiet num">
						{job.status === "queued" ? "waits its turn" : timeLeft(job.seconds_left) || job.doing || "beginning…"}
					</span>
				</div>
			</div>
		);
	}
	if (!job.message) return null;
	const failed = job.status === "failed";
	return (
		<p role={failed ? "alert" : "status"} className={`small ${failed ? "problem" : "quiet"}`}>
			{job.message}
		</p>
	);
}
