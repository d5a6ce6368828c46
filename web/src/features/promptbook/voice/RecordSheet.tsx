import { useEffect, useState } from "react";
import { sentence } from "../../../shared/api/client";
import { LevelMeter } from "../../../shared/recording/LevelMeter";
import { useRecorder } from "../../../shared/recording/useRecorder";
import { MainButton, PlainButton } from "../../../shared/ui/controls";
import { Sheet } from "../../../shared/ui/Sheet";

type Props<T> = {
	title: string;
	text: string;
	send: (sound: Blob) => Promise<T>;
	notesOf: (sent: T) => string[];
	hear: (sent: T) => void;
	onUse: (sent: T) => void;
	onClose: () => void;
};

/** Records a line from the microphone: the line in view, a count, a meter; then what was heard, to use or to do again. */
export function RecordSheet<T>({ title, text, send, notesOf, hear, onUse, onClose }: Props<T>) {
	const { recording, recorder } = useRecorder();
	const [sent, setSent] = useState<{ take: T } | null>(null);
	const [problem, setProblem] = useState("");
	// biome-ignore lint/correctness/useExhaustiveDependencies: a recording is sent once, whatever else changes
	useEffect(() => {
		if (recording.state !== "done") return;
		setProblem("");
		send(recording.file).then(
			(take) => setSent({ take }),
			(error) => setProblem(sentence(error)),
		);
	}, [recording]);
	const again = () => {
		setSent(null);
		setProblem("");
		void recorder.start();
	};
	const waiting = recording.state === "done" && !sent && !problem;
	const live = recording.state === "recording";
	return (
		<Sheet label={`Record: ${title}`} kind="record-sheet" onClose={onClose}>
			<h2 className="panel-title">{title}</h2>
			<p className={`reading record-text ${live ? "live" : ""}`}>{text}</p>
			<LevelMeter recording={recording} />
			<div role="status" className="record-says">
				{recording.state === "off" && "Read it as you would to one person. It begins after a count of three."}
				{recording.state === "asking" && "Waiting for the microphone…"}
				{recording.state === "counting" && <b className="count-down num">{recording.left}</b>}
				{live && <b className="recording-says num">Recording {recording.seconds.toFixed(1)} s</b>}
				{waiting && "Finding the words in it…"}
				{recording.state === "done" && recording.cut}
				{sent && (notesOf(sent.take).length ? "Kept as a take. Look at this:" : "Kept as a take. Every word is in it.")}
			</div>
			{sent &&
				notesOf(sent.take).map((note) => (
					<p key={note} className="warning small">
						{note}
					</p>
				))}
			{(problem || recording.state === "refused") && (
				<p role="alert" className="problem small">
					{problem || (recording.state === "refused" && recording.says)}
				</p>
			)}
			<div className="change-buttons">
				{live || recording.state === "counting" ? (
					<MainButton onClick={() => recorder.stop()}>Stop</MainButton>
				) : sent ? (
					<MainButton
						onClick={() => {
							onUse(sent.take);
							onClose();
						}}
					>
						Put it in the film
					</MainButton>
				) : (
					<MainButton disabled={waiting || recording.state === "asking"} onClick={again}>
						Record
					</MainButton>
				)}
				{sent && <PlainButton onClick={() => hear(sent.take)}>Hear it</PlainButton>}
				{sent && <PlainButton onClick={again}>Once more</PlainButton>}
				<PlainButton onClick={onClose}>Close</PlainButton>
			</div>
		</Sheet>
	);
}
