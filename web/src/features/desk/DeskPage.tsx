import { Textarea } from "@chakra-ui/react";
import { type DragEvent, useRef, useState } from "react";
import { Link } from "react-router";
import { sentence } from "../../shared/api/client";
import { JobProgress } from "../../shared/jobs/JobProgress";
import { useSession, useSignOut } from "../../shared/session/useSession";
import { clock } from "../../shared/time";
import { MainButton } from "../../shared/ui/controls";
import { FileInput } from "../../shared/ui/FileInput";
import { RunningHead } from "../../shared/ui/RunningHead";
import { Patterns } from "./Patterns";
import { Productions } from "./Productions";
import { type Summary, useBegin, useBeginFromRecording, useProductions } from "./useProductions";

export function DeskPage() {
	const begin = useBegin();
	const [dragging, setDragging] = useState(false);
	const drop = (event: DragEvent) => {
		event.preventDefault();
		setDragging(false);
		const file = event.dataTransfer.files[0];
		if (file) begin.mutate({ file });
	};
	return (
		<>
			<RunningHead>
				<Link className="plain quiet push" to="/about">
					About
				</Link>
				<SignOut />
			</RunningHead>
			{/* biome-ignore lint/a11y/noStaticElementInteractions: dropping is a second way to what "a file" does */}
			<div
				className={`desk ${dragging ? "dragging" : ""}`}
				onDragOver={(event) => {
					event.preventDefault();
					setDragging(true);
				}}
				onDragLeave={() => setDragging(false)}
				onDrop={drop}
			>
				<Letter begin={begin} />
				<div className="desk-spine" aria-hidden="true" />
				<Productions />
			</div>
		</>
	);
}

function SignOut() {
	const signOut = useSignOut();
	return (
		<button type="button" className="plain quiet" onClick={() => signOut.mutate()}>
			Sign out
		</button>
	);
}

const NUMBERS = ["No", "One", "Two", "Three", "Four", "Five", "Six", "Seven", "Eight", "Nine", "Ten"];

function summaryOf(list: Summary[]): string {
	const first = list[0];
	if (!first) return "Your desk is empty. A script is all it takes.";
	const about = first.estimated ? "runs about" : "runs";
	const open = first.findings
		? ` ${first.findings === 1 ? "One thing is" : `${NUMBERS[first.findings] ?? first.findings} things are`} still open in it.`
		: "";
	const others = list.length - 1;
	const more = others ? ` ${NUMBERS[others] ?? others} more ${others === 1 ? "lies" : "lie"} beside it.` : "";
	return `“${first.title}” ${about} ${clock(first.seconds)}.${open}${more}`;
}

function Letter({ begin }: { begin: ReturnType<typeof useBegin> }) {
	const session = useSession();
	const productions = useProductions();
	const [writing, setWriting] = useState(false);
	const [choosing, setChoosing] = useState(false);
	const [text, setText] = useState("");
	const files = useRef<HTMLInputElement>(null);
	const recordings = useRef<HTMLInputElement>(null);
	const { send: listening, job } = useBeginFromRecording();
	return (
		<main className="letter-page">
			<h1 className="salutation">Dear {session.data?.name ?? "you"},</h1>
			{session.data?.room && (
				<p role="alert" className="warning">
					{session.data.room}
				</p>
			)}
			{productions.data && <p className="reading">{summaryOf(productions.data)}</p>}
			{productions.isError && (
				<p role="alert" className="problem">
					{sentence(productions.error)}
				</p>
			)}
			<p className="reading">What shall we put on next? Begin with</p>
			<ul className="ways">
				<li>
					<button type="button" className="way" aria-expanded={writing} onClick={() => setWriting(!writing)}>
						a script
					</button>
					<span className="quiet">Write it, or paste it: plain text, Markdown or Fountain.</span>
				</li>
				<li>
					<button type="button" className="way" onClick={() => begin.mutate({ text: "", tab: "Brief" })}>
						a brief
					</button>
					<span className="quiet">What it is about, for whom, what must be said, how long it may run.</span>
				</li>
				<li>
					<button type="button" className="way" aria-expanded={choosing} onClick={() => setChoosing(!choosing)}>
						a pattern
					</button>
					<span className="quiet">A lesson, an ad, a notice …: staged, with places for your own words.</span>
				</li>
				<li>
					<button type="button" className="way" onClick={() => files.current?.click()}>
						a file
					</button>
					<span className="quiet">A script, a document (Word, PDF, web page, subtitles) or a whole production.</span>
					<FileInput
						input={files}
						label="Script file"
						accept=".txt,.md,.markdown,.fountain,.docx,.pdf,.html,.htm,.srt,.vtt,.ssml,.dearhost,text/plain,text/markdown"
						onFile={(file) => begin.mutate({ file })}
					/>
				</li>
				<li>
					<button type="button" className="way" onClick={() => recordings.current?.click()}>
						a recording
					</button>
					<span className="quiet">English speech nobody has the script of: a draft of its words, to correct.</span>
					<FileInput
						input={recordings}
						label="Recording without a script"
						accept="audio/*,video/*"
						onFile={(file) => listening.mutate(file)}
					/>
				</li>
			</ul>
			{listening.isPending && (
				<p role="status" className="quiet">
					Taking in the recording…
				</p>
			)}
			{job && <JobProgress job={job} label="Listening to the recording, about as long as it lasts" />}
			{listening.error && (
				<p role="alert" className="problem">
					{sentence(listening.error)}
				</p>
			)}
			{choosing && <Patterns onBegin={(from) => begin.mutate(from)} busy={begin.isPending} />}
			{writing && (
				<form
					className="new-script"
					onSubmit={(event) => {
						event.preventDefault();
						begin.mutate({ text });
					}}
				>
					<Textarea
						autoFocus
						rows={8}
						aria-label="Script"
						placeholder={"# A scene\n\nMaren: What the host says.\n\n(What nobody says.)"}
						value={text}
						onChange={(event) => setText(event.target.value)}
						className="serif"
					/>
					<p className="small quiet">
						A name and a colon begin a speaker’s line. Headings, brackets and notes are never spoken.
					</p>
					<MainButton type="submit" disabled={begin.isPending}>
						{text.trim() ? "Begin with this script" : "Begin with an empty page"}
					</MainButton>
				</form>
			)}
			{begin.isError && (
				<p role="alert" className="problem">
					{sentence(begin.error)}
				</p>
			)}
			{!writing && <p className="small quiet">Or drop a file anywhere on this page.</p>}
			<p className="small quiet foot-note">Scripts, voices and films stay on this machine.</p>
		</main>
	);
}
