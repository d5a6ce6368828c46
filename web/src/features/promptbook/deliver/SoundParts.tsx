import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, type Schemas, sentence } from "../../../shared/api/client";
import { JobProgress } from "../../../shared/jobs/JobProgress";
import { isWaiting, useJob } from "../../../shared/jobs/useJob";
import { useJobFile } from "../../../shared/jobs/useJobFile";
import { Choice, PlainButton } from "../../../shared/ui/controls";

const KINDS = ["wav", "flac"].map((value) => ({ value, text: value.toUpperCase() }));

/** Voice, music, sounds and clips apart, each as long as the film, with a cue sheet, in one zip. */
export function SoundParts({ productionId }: { productionId: string }) {
	const [kind, setKind] = useState("wav");
	const order = useMutation({
		mutationFn: () => {
			const params = { path: { production_id: productionId } };
			const body: Schemas["StemsIn"] = { kind: kind === "flac" ? "flac" : "wav" };
			return ask(api.POST("/api/deliveries/stems/{production_id}", { params, body }));
		},
	});
	const job = useJob(order.data ?? null).data;
	useJobFile(job);
	const making = order.isPending || isWaiting(job);
	return (
		<div className="script-file">
			<h3 className="panel-title">The sound in its parts</h3>
			<div className="choices">
				<Choice label="Kind of file" value={kind} options={KINDS} onChange={setKind} />
			</div>
			<p>
				<PlainButton small disabled={making} onClick={() => order.mutate()}>
					{making ? "Mixing and packing…" : "Save the parts"}
				</PlainButton>{" "}
				<span className="small quiet">Voice, music, sounds, clips; and a cue sheet of whose they are.</span>
			</p>
			{order.error && (
				<p role="alert" className="problem small">
					{sentence(order.error)}
				</p>
			)}
			{job && <JobProgress job={job} label="Mixing the parts" />}
		</div>
	);
}
