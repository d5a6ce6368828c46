import type { UseMutationResult } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { sentence } from "../../shared/api/client";
import { LevelMeter } from "../../shared/recording/LevelMeter";
import { useRecorder } from "../../shared/recording/useRecorder";
import { MainButton, PlainButton } from "../../shared/ui/controls";
import type { Match, Sentence } from "./useMatch";

type Props = {
	match: Match;
	current: Sentence;
	record: (sound: Blob) => Promise<Match>;
	add: UseMutationResult<Match, Error, Blob>;
	onNext: () => void;
};

/** One sentence to read, the microphone, and what was heard. */
export function ReadingDesk({ match, current, record, add, onNext }: Props) {
	const { recording, recorder } = useRecorder();
	const [problem, setProblem] = useState("");
	const [busy, setBusy] = useState(false);
	const files = useRef<HTMLInputElement>(null);
	// biome-ignore lint/correctness/useExhaustiveDependencies: a recording is sent once, whatever else changes
	useEffect(() => {
		if (recording.state !== "done") return;
		setBusy(true);
		record(recording.file)
			.then(
				(next) => {
					const heard = next.sentences.find((s) => s.number === current.number);
					if (heard?.good) onNext();
				},
				(error) => setProblem(sentence(error)),
			)
			.finally(() => setBusy(false));
	}, [recording]);
	const live = recording.state === "recording";
	const guided = match.sentences.filter((s) => s.text);
	return (
		<div className="reading-desk">
			<p className="small quiet num">
				Sentence {current.number + 1} of {guided.length}. Read it as you would to one person.
			</p>
			<p className={`salutation desk-sentence ${live ? "live" : ""}`}>{current.text}</p>
			<LevelMeter recording={recording} />
			<div className="desk-ways">
				{live || recording.state === "counting" ? (
					<MainButton onClick={() => recorder.stop()}>Stop</MainButton>
				) : (
					<MainButton
						disabled={busy || recording.state === "asking"}
						onClick={() => {
							setProblem("");
							void recorder.start(2);
						}}
					>
						{current.recorded ? "Read it again" : "Record"}
					</MainButton>
				)}
				<PlainButton disabled={add.isPending} onClick={() => files.current?.click()}>
					{add.isPending ? "Listening…" : "Add a recording you have"}
				</PlainButton>
				<input
					ref={files}
					type="file"
					hidden
					accept="audio/*,video/*"
					aria-label="A recording of the person"
					onChange={(event) => {
						const sound = event.target.files?.[0];
						if (sound) add.mutate(sound, { onError: (error) => setProblem(sentence(error)) });
						event.target.value = "";
					}}
				/>
				<span role="status" className="push">
					{recording.state === "counting" && <b className="num">{recording.left}</b>}
					{live && <b className="recording-says num">Recording {recording.seconds.toFixed(1)} s</b>}
					{busy && "Listening…"}
				</span>
			</div>
			{current.recorded && !live && !busy && (
				<div className="desk-measures">
					<Measure label="Level" value={`${current.level.toFixed(0)} dB`} part={(current.level + 50) / 40} />
					<Measure
						label="Voice over the room"
						value={`${current.over_noise.toFixed(0)} dB`}
						part={current.over_noise / 60}
					/>
					<div>
						{current.faults.map((fault) => (
							<p key={fault} className="warning small">
								{fault}
							</p>
						))}
						{!current.faults.length && <p className="small quiet">Good. Every word is in it.</p>}
					</div>
				</div>
			)}
			{(problem || recording.state === "refused") && (
				<p role="alert" className="problem small">
					{problem || (recording.state === "refused" && recording.says)}
				</p>
			)}
		</div>
	);
}

function Measure({ label, value, part }: { label: string; value: string; part: number }) {
	const place = Math.round(Math.min(1, Math.max(0, part)) * 100);
	return (
		<div className="measure">
			<span className="label">{label}</span>
			<b className="serif num">{value}</b>
			<span className="measure-rule" aria-hidden="true">
				<i style={{ left: `${place}%` }} />
			</span>
		</div>
	);
}
