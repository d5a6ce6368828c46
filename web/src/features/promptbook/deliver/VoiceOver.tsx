import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { api, ask, sentence } from "../../../shared/api/client";
import { JobProgress } from "../../../shared/jobs/JobProgress";
import { isWaiting, useJob } from "../../../shared/jobs/useJob";
import { useJobFile } from "../../../shared/jobs/useJobFile";
import { Choice, PlainButton } from "../../../shared/ui/controls";

const SCOPES = [
	{ value: "whole", text: "in one file" },
	{ value: "scene", text: "a file a scene" },
	{ value: "line", text: "a file a line" },
	{ value: "speaker", text: "a file a speaker" },
];
const KINDS = ["wav", "flac", "mp3", "opus", "m4a"].map((value) => ({ value, text: value.toUpperCase() }));
const LOUDNESS = [
	{ value: "-16", text: "-16 LUFS, films" },
	{ value: "-19", text: "-19 LUFS, podcasts" },
	{ value: "-23", text: "-23 LUFS, broadcast" },
	{ value: "0", text: "as it comes" },
];
const PATTERN = "{title}-{number:02}-{name}";

/** The voice alone, with word times, captions and a cue sheet, in one zip. */
export function VoiceOver({ productionId }: { productionId: string }) {
	const [scope, setScope] = useState("whole");
	const [kind, setKind] = useState("wav");
	const [loudness, setLoudness] = useState("-16");
	const [pattern, setPattern] = useState(PATTERN);
	const order = useMutation({
		mutationFn: () => {
			const params = { path: { production_id: productionId } };
			const body = { scope, kind, loudness: Number(loudness), pattern, rate: 48_000 };
			return ask(api.POST("/api/productions/{production_id}/voice-over", { params, body }));
		},
	});
	const job = useJob(order.data ?? null).data;
	useJobFile(job);
	const making = order.isPending || isWaiting(job);
	return (
		<div className="script-file">
			<h3 className="panel-title">The voice alone</h3>
			<div className="choices">
				<Choice label="Divided" value={scope} options={SCOPES} onChange={setScope} />
				<Choice label="Kind" value={kind} options={KINDS} onChange={setKind} />
				<Choice label="Loudness" value={loudness} options={LOUDNESS} onChange={setLoudness} />
			</div>
			<label className="name-pattern">
				<span className="label">File names</span>
				<input value={pattern} maxLength={120} onChange={(event) => setPattern(event.target.value)} />
			</label>
			<p>
				<PlainButton small disabled={making} onClick={() => order.mutate()}>
					{making ? "Reading and packing…" : "Save the voice"}
				</PlainButton>{" "}
				<span className="small quiet">With word times, captions and a cue sheet.</span>
			</p>
			{order.error && (
				<p role="alert" className="problem small">
					{sentence(order.error)}
				</p>
			)}
			{job && <JobProgress job={job} label="Reading the voice" />}
		</div>
	);
}
