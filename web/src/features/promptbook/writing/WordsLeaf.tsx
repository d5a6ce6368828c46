import { type DragEvent, useRef, useState } from "react";
import { sentence } from "../../../shared/api/client";
import { JobProgress } from "../../../shared/jobs/JobProgress";
import { MainButton, PlainButton } from "../../../shared/ui/controls";
import { FileInput } from "../../../shared/ui/FileInput";
import type { ProductionDocument } from "../document/document";
import { Tally } from "./Tally";
import { type Audience, type Concern, type Theme, useComments } from "./useComments";

type Props = {
	productionId: string;
	document: ProductionDocument;
	/** The scene at the playhead, by its number. */
	scene: number;
	onBrief: (words: string) => void;
	onScene: (words: string) => void;
	onShow: (lineId: string) => void;
};

const HEADS: { concern: Concern; title: string }[] = [
	{ concern: "puzzle", title: "What puzzles or troubles them" },
	{ concern: "wish", title: "What they wish for" },
	{ concern: "praise", title: "What they praise" },
];
const SHOWN = 6;

/** What the audience wrote, sorted: exact phrases with how many say so, and where the script answers them. */
export function WordsLeaf(props: Props) {
	const comments = useComments(props.productionId, true);
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
			{audience && <Sorted {...props} audience={audience} onMove={comments.move} />}
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

type SortedProps = Props & {
	audience: Audience;
	onMove: (moved: { comment: number; concern: Concern }) => void;
};

function Sorted(props: SortedProps) {
	const { audience, document } = props;
	const undecided = audience.concerns.flatMap((concern, i) => (concern === "undecided" ? [i] : []));
	const first = audience.unserved[0];
	const used = document.brief.own_words;
	let number = 0;
	return (
		<>
			{first !== undefined && (
				<p className="unserved">
					Nobody answers: <i className="serif">“{audience.comments[first]}”</i>{" "}
					<button type="button" className="link small" onClick={() => props.onBrief(audience.comments[first] ?? "")}>
						To the brief
					</button>
				</p>
			)}
			{HEADS.map(({ concern, title }) => {
				const themes = audience.themes.filter((theme) => theme.concern === concern);
				if (!themes.length) return null;
				const before = number;
				number += themes.length;
				return <Concerned key={concern} title={title} themes={themes} before={before} used={used} {...props} />;
			})}
			{audience.words.length > 0 && (
				<section className="concern">
					<h3 className="panel-title">Words they use</h3>
					<p>
						{audience.words.map((words) => (
							<span key={words.text} className="their-phrase">
								<i className="serif">{words.text}</i> <span className="small quiet num">{words.count}</span>
							</span>
						))}
					</p>
				</section>
			)}
			{undecided.length > 0 && (
				<section className="concern">
					<h3 className="panel-title">
						To be sorted <span className="small quiet num">{undecided.length}</span>
					</h3>
					<ul>
						{undecided.slice(0, SHOWN).map((index) => (
							<li key={index} className="theme">
								<i className="serif">“{audience.comments[index]}”</i>
								<span className="theme-does small">
									{HEADS.map(({ concern }) => (
										<button
											key={concern}
											type="button"
											className="link"
											onClick={() => props.onMove({ comment: index, concern })}
										>
											{concern}
										</button>
									))}
								</span>
							</li>
						))}
					</ul>
				</section>
			)}
			<p className="small quiet">A phrase is never changed. What you take over is yours to reword.</p>
		</>
	);
}

type ConcernedProps = SortedProps & { title: string; themes: Theme[]; before: number; used: string };

function Concerned(props: ConcernedProps) {
	const { title, themes, before, audience } = props;
	const [all, setAll] = useState(false);
	const count = new Set(themes.flatMap((theme) => theme.comments)).size;
	return (
		<section className="concern">
			<h3 className="panel-title">
				{title} <span className="small quiet num">in {count}</span>
			</h3>
			<ul>
				{themes.slice(0, all ? themes.length : SHOWN).map((theme, i) => (
					<ThemeRow key={theme.best} {...props} theme={theme} number={before + i + 1} audience={audience} />
				))}
			</ul>
			{themes.length > SHOWN && (
				<button type="button" className="link small" onClick={() => setAll(!all)}>
					{all ? "Fewer" : `${themes.length - SHOWN} more`}
				</button>
			)}
		</section>
	);
}

/** A theme by the comment that says it best; all of its comments once it is opened. */
function ThemeRow(props: ConcernedProps & { theme: Theme; number: number }) {
	const { theme, number, audience } = props;
	const [open, setOpen] = useState(false);
	const others = theme.comments.filter((index) => index !== theme.best);
	return (
		<>
			<li className="theme">
				<b className="num small">{number}</b>
				<Tally count={theme.comments.length} />
				{others.length ? (
					<button type="button" className="theme-said serif" aria-expanded={open} onClick={() => setOpen(!open)}>
						“{audience.comments[theme.best]}”
					</button>
				) : (
					<i className="serif">“{audience.comments[theme.best]}”</i>
				)}
				<Answered {...props} theme={theme} words={audience.comments[theme.best] ?? ""} />
			</li>
			{open &&
				others.map((index) => (
					<li key={index} className="theme other">
						<i className="serif">“{audience.comments[index]}”</i>
						<Answered {...props} theme={theme} words={audience.comments[index] ?? ""} />
					</li>
				))}
		</>
	);
}

function Answered(props: ConcernedProps & { theme: Theme; words: string }) {
	const { theme, document, words, used } = props;
	const scene = document.script.scenes.findIndex((s) => s.blocks.some((block) => block.id === theme.answered));
	const { answered } = theme;
	return (
		<span className="theme-does small">
			{scene >= 0 ? (
				<button type="button" className="link quiet" onClick={() => props.onShow(answered)}>
					answered in scene {scene + 1}
				</button>
			) : (
				<button type="button" className="link" onClick={() => props.onScene(words)}>
					Into scene {props.scene}
				</button>
			)}
			{used.includes(words) ? (
				<span className="quiet">in the brief</span>
			) : (
				<button type="button" className="link" onClick={() => props.onBrief(words)}>
					To the brief
				</button>
			)}
		</span>
	);
}
