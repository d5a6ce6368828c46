import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api, ask, sentence } from "../../../shared/api/client";
import { JobProgress } from "../../../shared/jobs/JobProgress";
import { type Job, useJob } from "../../../shared/jobs/useJob";
import { MainButton, PlainButton } from "../../../shared/ui/controls";
import { Sheet } from "../../../shared/ui/Sheet";
import type { Draft } from "./pasteUp";
import type { Drafts, Writer } from "./useDrafts";

type Made = Draft & { invented: { message: string }[] };

/** A model on this machine: off until its address is set; what is sent is shown, what it made up is told. */
export function ModelSheet({ writer, drafts, onClose }: { writer: Writer; drafts: Drafts; onClose: () => void }) {
	const queries = useQueryClient();
	const set = useQuery({ queryKey: ["model"], queryFn: () => ask(api.GET("/api/writing/model")) });
	const [address, setAddress] = useState<string | null>(null);
	const body = { ...writer, target: drafts.target, seed: 0, structures: [] };
	const put = useMutation({
		mutationFn: (wanted: string) =>
			ask(api.PUT("/api/writing/model", { body: { address: wanted, model: set.data?.model ?? "local" } })),
		onSuccess: (now) => {
			queries.setQueryData(["model"], now);
			setAddress(null);
		},
	});
	const on = Boolean(set.data?.address);
	const preview = useQuery({
		queryKey: ["model preview", set.data?.address, body],
		enabled: on,
		queryFn: () => ask(api.POST("/api/writing/model/preview", { body })),
	});
	const write = useMutation({ mutationFn: () => ask(api.POST("/api/writing/model/drafts", { body })) });
	const job = useJob((write.data as Job | undefined) ?? null).data;
	const made = job?.status === "done" ? (job.result as unknown as Made) : null;
	const { addByModel } = drafts;
	const [added, setAdded] = useState("");
	useEffect(() => {
		if (!made || !job || added === job.id) return;
		setAdded(job.id);
		addByModel({ ...made, name: `${made.name}, by the model` });
	}, [made, job, added, addByModel]);
	const problem = put.error ?? preview.error ?? write.error;
	return (
		<Sheet label="A model of your own" kind="model-sheet" onClose={onClose}>
			<h2 className="panel-title">A model of your own</h2>
			<p className="small quiet">
				A language model's server on this machine, with a chat-completions interface. Off until you set where it
				listens; only 127.0.0.1 is used. What it makes up becomes an open place.
			</p>
			<form
				className="model-address"
				onSubmit={(event) => {
					event.preventDefault();
					put.mutate(address ?? set.data?.address ?? "");
				}}
			>
				<label>
					<span className="label">Listens at</span>
					<input
						value={address ?? set.data?.address ?? ""}
						placeholder="http://127.0.0.1:8080"
						onChange={(event) => setAddress(event.target.value)}
					/>
				</label>
				<PlainButton type="submit">{on && address === "" ? "Turn it off" : "Set"}</PlainButton>
			</form>
			{problem && (
				<p role="alert" className="problem small">
					{sentence(problem)}
				</p>
			)}
			{preview.data && (
				<details className="model-sent small">
					<summary>What will be sent, and nothing else</summary>
					<pre>{JSON.stringify(JSON.parse(preview.data.sent), null, 1)}</pre>
				</details>
			)}
			{job && <JobProgress job={job} label="The model writes" />}
			{made && (
				<p role="status" className="small">
					Laid beside the other drafts.{" "}
					{made.invented.length > 0 && made.invented.map((fault) => fault.message).join("; ")}
				</p>
			)}
			<div className="change-buttons">
				<MainButton disabled={!on || write.isPending} onClick={() => write.mutate()}>
					Have it write a draft
				</MainButton>
				<PlainButton onClick={onClose}>Close</PlainButton>
			</div>
		</Sheet>
	);
}
