import { useState } from "react";
import type { ProductionDocument } from "../document/document";
import { Tally } from "./Tally";
import type { Audience, CommentsState, Concern, Theme } from "./useComments";

const HEADS: { concern: Concern; title: string }[] = [
	{ concern: "puzzle", title: "What puzzles or troubles them" },
	{ concern: "wish", title: "What they wish for" },
	{ concern: "praise", title: "What they praise" },
];
const SHOWN = 6;

export type WordsProps = {
	comments: CommentsState;
	document: ProductionDocument;
	/** The scene at the playhead, by its number. */
	scene: number;
	onBrief: (words: string) => void;
	onTone: (words: string) => void;
	onScene: (words: string) => void;
	onShow: (lineId: string) => void;
};

type SortedProps = WordsProps & { audience: Audience };

/** Themes under what they are for the writer, then the words several people use, then what is still to be sorted. */
export function SortedWords(props: SortedProps) {
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
											onClick={() => props.comments.move({ comment: index, concern })}
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
				<button type="button" className="theme-said serif" aria-expanded={open} onClick={() => setOpen(!open)}>
					“{audience.comments[theme.best]}”
				</button>
				<Answered {...props} theme={theme} words={audience.comments[theme.best] ?? ""} />
			</li>
			{open && (
				<li className="theme other">
					<SameAs {...props} />
				</li>
			)}
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

/** Another theme that is the same to the writer, or all that was joined taken apart again. */
function SameAs({
	theme,
	themes,
	number,
	before,
	comments,
	audience,
}: ConcernedProps & { theme: Theme; number: number }) {
	const others = themes.map((other, i) => ({ other, number: before + i + 1 })).filter(({ other }) => other !== theme);
	return (
		<span className="theme-does small">
			<label>
				The same as{" "}
				<select
					className="wish-word"
					aria-label={`Theme ${number} is the same as`}
					value=""
					onChange={(event) => comments.join({ one: theme.best, other: Number(event.target.value) })}
				>
					<option value="">another theme</option>
					{others.map((one) => (
						<option key={one.other.best} value={one.other.best}>
							{one.number} {audience.comments[one.other.best]?.slice(0, 50)}
						</option>
					))}
				</select>
			</label>
			{theme.comments.length > 1 && (
				<button type="button" className="link" onClick={() => comments.part(theme.comments)}>
					Apart again
				</button>
			)}
		</span>
	);
}

function Answered(props: ConcernedProps & { theme: Theme; words: string }) {
	const { theme, document, words, used } = props;
	const { answered } = theme;
	const scene = document.script.scenes.findIndex((s) => s.blocks.some((block) => block.id === answered?.line));
	return (
		<span className="theme-does small">
			{answered && scene >= 0 ? (
				<button type="button" className="link quiet" onClick={() => props.onShow(answered.line)}>
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
			{theme.concern === "praise" && (
				<button type="button" className="link" onClick={() => props.onTone(words)}>
					To the tone
				</button>
			)}
		</span>
	);
}
