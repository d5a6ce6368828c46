import { useEffect, useMemo, useRef, useState } from "react";
import { LevelMeter } from "../../shared/recording/LevelMeter";
import type { Recording } from "../../shared/recording/recorder";
import { CAMERA, screenSource } from "../../shared/recording/sources";
import { useRecorder } from "../../shared/recording/useRecorder";
import { clock, hourOf } from "../../shared/time";
import { MainButton, PlainButton, Tick } from "../../shared/ui/controls";
import { Sheet } from "../../shared/ui/Sheet";

export type Recorded = "screen" | "camera";

const SAYS: Record<Recorded, [title: string, hint: string]> = {
	screen: ["The screen", "A screen, a window or a tab; the browser asks which. It begins after a count of three."],
	camera: ["The camera", "The browser asks for leave. It begins after a count of three; look into the lens."],
};

type Props = {
	what: Recorded;
	/** The recording as a file, to be brought to the shelf. */
	onKeep: (file: File) => void;
	onClose: () => void;
};

/** Records the screen or the camera: a count, a look at what is recorded; then to keep it or to do it again. */
export function RecordSheet({ what, onKeep, onClose }: Props) {
	const { recording, recorder } = useRecorder();
	const [withVoice, setWithVoice] = useState(true);
	const [title, hint] = SAYS[what];
	const begin = () => void recorder.start(3, what === "screen" ? screenSource(withVoice) : CAMERA);
	const live = recording.state === "recording";
	const going = live || recording.state === "counting";
	const done = recording.state === "done" ? recording : null;
	const keep = () => {
		if (!done) return;
		onKeep(new File([done.file], nameOf(title, done.file.type), { type: done.file.type }));
		onClose();
	};
	return (
		<Sheet label={`Record: ${title}`} kind="record-to-shelf" onClose={onClose}>
			<h2 className="panel-title">{title}</h2>
			{going && <Seen recording={recording} stream={recorder.picture} />}
			{done && <Looked file={done.file} />}
			{(live ? recording.levels.length > 0 : recording.state === "counting") && <LevelMeter recording={recording} />}
			<div role="status" className="record-says">
				{recording.state === "off" && hint}
				{recording.state === "asking" && "Waiting for the browser…"}
				{recording.state === "counting" && <b className="count-down num">{recording.left}</b>}
				{live && <b className="recording-says num">Recording {clock(recording.seconds)}</b>}
				{done && (done.cut || <span className="num">{clock(done.seconds)} recorded. It is not kept yet.</span>)}
			</div>
			{recording.state === "refused" && (
				<p role="alert" className="problem small">
					{recording.says}
				</p>
			)}
			{what === "screen" && !going && !done && (
				<Tick label="With my voice, from the microphone" checked={withVoice} onChange={setWithVoice} />
			)}
			<div className="change-buttons">
				{going ? (
					<MainButton onClick={() => recorder.stop()}>Stop</MainButton>
				) : done ? (
					<MainButton onClick={keep}>Put it on the shelf</MainButton>
				) : (
					<MainButton disabled={recording.state === "asking"} onClick={begin}>
						Record
					</MainButton>
				)}
				{done && <PlainButton onClick={begin}>Once more</PlainButton>}
				<PlainButton onClick={onClose}>{done ? "Throw it away" : "Close"}</PlainButton>
			</div>
		</Sheet>
	);
}

/** What the source sees now. */
function Seen({ recording, stream }: { recording: Recording; stream: MediaStream | null }) {
	const video = useRef<HTMLVideoElement>(null);
	useEffect(() => {
		if (video.current && video.current.srcObject !== stream) video.current.srcObject = stream;
	}, [stream]);
	return (
		<video
			ref={video}
			className={recording.state === "recording" ? "seen live" : "seen"}
			autoPlay
			muted
			playsInline
			aria-label="What is recorded"
		/>
	);
}

/** What was recorded, to be played. */
function Looked({ file }: { file: Blob }) {
	const address = useMemo(() => URL.createObjectURL(file), [file]);
	useEffect(() => () => URL.revokeObjectURL(address), [address]);
	return (
		<video className="seen" src={address} controls playsInline aria-label="What was recorded">
			<track kind="captions" />
		</video>
	);
}

/** "The screen, 14.05.webm": what it is and when it was recorded; colons are no part of names everywhere. */
function nameOf(title: string, type: string): string {
	return `${title}, ${hourOf(new Date()).replace(":", ".")}.${type.includes("mp4") ? "mp4" : "webm"}`;
}
