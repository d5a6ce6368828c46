import { useEffect, useState } from "react";
import { sentence } from "../../../shared/api/client";
import { LevelMeter } from "../../../shared/sound/LevelMeter";
import { useRecorder } from "../../../shared/sound/useRecorder";
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
	const { hearing, recorder } = useRecorder();
	const [sent, setSent] = useState<{ take: T } | null>(null);
	const [problem, setProblem] = useState("");
	// biome-ignore lint/correctness/useExhaustiveDependencies: a recording is sent once, whatever else changes
	useEffect(() => {
		if (hearing.state !== "done") return;
		setProblem("");
		send(hearing.sound).then(
			(take) => setSent({ take }),
			(error) => setProblem(sentence(error)),
		);
	}, [hearing]);
	const again = () => {
		setSent(null);
		setProblem("");
		void recorder.start();
	};
	const waiting = hearing.state === "done" && !sent && !problem;
	const live = hearing.state === "recording";
	return (
		<Sheet label={`Record: ${title}`} kind="record-sheet" onClose={onClose}>
			<h2 className="panel-title">{title}</h2>
			<p className={`reading record-text ${live ? "live" : ""}`}>{text}</p>
			<LevelMeter hearing={hearing} />
			<div role="status" className="record-says">
				{hearing.state === "off" && "Read it as you would to one person. It begins after a count of three."}
				{hearing.state === "asking" && "Waiting for the microphone…"}
				{hearing.state === "counting" && <b className="count-down num">{hearing.left}</b>}
				{live && <b className="recording-says num">Recording {hearing.seconds.toFixed(1)} s</b>}
				{waiting && "Finding the words in it…"}
				{hearing.state === "done" && hearing.cut}
				{sent && (notesOf(sent.take).length ? "Kept as a take. Look at this:" : "Kept as a take. Every word is in it.")}
			</div>
			{sent &&
				notesOf(sent.take).map((note) => (
					<p key={note} className="warning small">
						{note}
					</p>
				))}
			{(problem || hearing.state === "refused") && (
				<p role="alert" className="problem small">
					{problem || (hearing.state === "refused" && hearing.says)}
				</p>
			)}
			<div className="change-buttons">
				{live || hearing.state === "counting" ? (
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
					<MainButton disabled={waiting || hearing.state === "asking"} onClick={again}>
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
