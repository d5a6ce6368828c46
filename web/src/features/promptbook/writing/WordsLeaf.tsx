import { type DragEvent, useRef, useState } from "react";
import { sentence } from "../../../shared/api/client";
import { JobProgress } from "../../../shared/jobs/JobProgress";
import { MainButton, PlainButton } from "../../../shared/ui/controls";
import { FileInput } from "../../../shared/ui/FileInput";
import { SortedWords, type WordsProps } from "./SortedWords";

/** What the audience wrote, sorted: exact phrases with how many say so, and where the script answers them. */
export function WordsLeaf(props: WordsProps) {
	const { comments } = props;
	const [adding, setAdding] = useState(false);
	const { kept, audience, job, problem } = comments;
	const empty = kept?.count === 0;
	const leftOut = [
		kept?.doubles && `${kept.doubles} said twice`,
		kept?.junk && `${kept.junk} junk`,
		kept?.beyond && `${kept.beyond} beyond 20,000`,
	].filter(Boolean);
	return (
		<div className="their-words">
			{Boolean(kept?.count) && (
				<p className="their-count small quiet num">
					{kept?.count} comments, kept without names{leftOut.length > 0 && `; left out: ${leftOut.join(", ")}`}.{" "}
					<button type="button" className="link" aria-expanded={adding} onClick={() => setAdding(!adding)}>
						Paste more
					</button>{" "}
					<button type="button" className="link" onClick={() => comments.again()}>
						Sort again
					</button>{" "}
					<button type="button" className="link" onClick={() => comments.drop()}>
						Put all away
					</button>
				</p>
			)}
			{problem && (
				<p role="alert" className="problem">
					{sentence(problem)}
				</p>
			)}
			{(empty || adding) && (
				<PasteComments
					first={Boolean(empty)}
					busy={comments.adding}
					onPaste={(text) => comments.paste(text, { onSuccess: () => setAdding(false) })}
					onFile={(file) => comments.open(file, { onSuccess: () => setAdding(false) })}
				/>
			)}
			{job && job.status !== "done" && <JobProgress job={job} label="Sorting comments" />}
			{audience && <SortedWords {...props} audience={audience} />}
		</div>
	);
}

type PasteProps = { first: boolean; busy: boolean; onPaste: (text: string) => void; onFile: (file: File) => void };

function PasteComments({ first, busy, onPaste, onFile }: PasteProps) {
	const [text, setText] = useState("");
	const files = useRef<HTMLInputElement>(null);
	const drop = (event: DragEvent) => {
		const file = event.dataTransfer.files[0];
		if (!file) return;
		event.preventDefault();
		onFile(file);
	};
	return (
		<section className="paste-comments" aria-label="Comments" onDrop={drop} onDragOver={(e) => e.preventDefault()}>
			{first && (
				<p className="reading">
					What do they say themselves? Paste comments, one a line, or drop a table of them here. Names and handles are
					left out; their phrases are never changed.
				</p>
			)}
			<textarea
				aria-label="Comments, one a line"
				rows={6}
				value={text}
				placeholder="Why does it close at four in summer?"
				onChange={(event) => setText(event.target.value)}
			/>
			<div className="order">
				<MainButton disabled={busy || !text.trim()} onClick={() => onPaste(text)}>
					Sort them
				</MainButton>
				<PlainButton disabled={busy} onClick={() => files.current?.click()}>
					From a file
				</PlainButton>
				<FileInput
					input={files}
					label="File of comments"
					accept=".csv,.tsv,.txt,.md,text/csv,text/plain"
					onFile={onFile}
				/>
			</div>
		</section>
	);
}
