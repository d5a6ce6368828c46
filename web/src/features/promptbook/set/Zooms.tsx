import { keepPreviousData, useQuery, useQueryClient } from "@tanstack/react-query";
import type { Editor } from "@tiptap/core";
import { useEffect, useState } from "react";
import { api, ask, sentence } from "../../../shared/api/client";
import { JobProgress } from "../../../shared/jobs/JobProgress";
import { isWaiting, type Job, useJob } from "../../../shared/jobs/useJob";
import { PlacePrint } from "../../../shared/shelf/PlacePrint";
import { clock } from "../../../shared/time";
import { PlainButton } from "../../../shared/ui/controls";
import { Suggestion } from "../document/Suggestion";
import { isZoomed, type ProposedZoom, takeZooms } from "../document/zooms";

type Props = { editor: Editor; productionId: string; sceneId: string; revision: number };

/** Zooms to where things happen in the recordings of screens that a scene shows: found on request, then suggestions. */
export function Zooms({ editor, productionId, sceneId, revision }: Props) {
	const path = { production_id: productionId, scene_id: sceneId };
	const queries = useQueryClient();
	const [started, setStarted] = useState<Job | null>(null);
	const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
	const [problem, setProblem] = useState("");
	const job = useJob(started).data;
	const zooms = useQuery({
		queryKey: ["zooms", productionId, sceneId, revision, job?.status === "done"],
		queryFn: () =>
			ask(
				api.GET("/api/productions/{production_id}/scenes/{scene_id}/zooms", { params: { path, query: { revision } } }),
			),
		placeholderData: keepPreviousData,
		retry: false,
	});
	useEffect(() => {
		if (job?.status === "done") void queries.invalidateQueries({ queryKey: ["zooms", productionId] });
	}, [job?.status, queries, productionId]);
	const found = zooms.data;
	if (!found?.clips) return null;
	const look = () =>
		ask(api.POST("/api/productions/{production_id}/scenes/{scene_id}/zooms", { params: { path } })).then(
			setStarted,
			(error) => setProblem(sentence(error)),
		);
	const open = found.zooms.filter((one) => !left.has(keyOf(one)) && !isZoomed(editor, one));
	return (
		<section className="on-words" aria-label="Zooms in recordings of a screen">
			{found.unseen > 0 ? (
				<p className="on-words-head">
					{!isWaiting(job) && (
						<PlainButton small onClick={look}>
							Find where things happen
						</PlainButton>
					)}
					<span className="small quiet">
						In a recording of a screen: what is written or pressed can be seen nearer, on its words.
					</span>
				</p>
			) : (
				<p className="on-words-head">
					<span className="small quiet">
						{open.length
							? "Where something happens in the recording, near enough to be read."
							: saysNothing(found.zooms)}
					</span>
					{open.length > 1 && (
						<button type="button" className="link small" onClick={() => takeZooms(editor, open)}>
							Take all {open.length}
						</button>
					)}
				</p>
			)}
			{job && found.unseen > 0 && <JobProgress job={job} label="Looking where things happen" />}
			{problem && (
				<p role="alert" className="problem small">
					{problem}
				</p>
			)}
			<ul className="prints">
				{open.map((one) => (
					<Suggestion
						key={keyOf(one)}
						picture={<PlacePrint item={one.item} at={one} />}
						words={`“${one.word}”`}
						note={`at ${clock(one.at)}, ${one.near > 1 ? `${one.near} times nearer` : "all of it again"}`}
						onTake={() => takeZooms(editor, [one])}
						onLeave={() => setLeft(new Set([...left, keyOf(one)]))}
					/>
				))}
			</ul>
		</section>
	);
}

function saysNothing(zooms: readonly ProposedZoom[]): string {
	return zooms.length
		? "The places where things happen are all on their words, or left out."
		: "Nothing in the clips here need be seen nearer: they are no recordings of a screen, or large enough.";
}

function keyOf({ line, offset, near, x, y }: ProposedZoom): string {
	return `${line} ${offset} ${near} ${x} ${y}`;
}
