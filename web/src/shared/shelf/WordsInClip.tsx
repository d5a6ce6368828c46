import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { sentence } from "../api/client";
import { JobProgress } from "../jobs/JobProgress";
import { isWaiting, type Job, useJob } from "../jobs/useJob";
import { PlainButton } from "../ui/controls";
import { type ClipWords, clipWords, useHearClip } from "./useShelf";

/** From which second of a clip to which; `until` is 0 for its end. */
export type Cut = { begins: number; until: number };
type Word = ClipWords["words"][number];
type Props = { item: string; title: string; cut: Cut; onCut: (cut: Cut) => void };

/** Seconds before the first word and after the last that are kept. */
const BEFORE = 0.06;
const AFTER = 0.12;

/** What is said in a clip, to choose from which word to which it is played. */
export function WordsInClip({ item, title, cut, onCut }: Props) {
	const queries = useQueryClient();
	const known = useQuery({ queryKey: ["clip words", item], queryFn: () => clipWords(item) }).data;
	const hear = useHearClip();
	const [started, setStarted] = useState<Job | null>(null);
	const [first, setFirst] = useState(-1);
	const job = useJob(started).data;
	const heard = job?.status === "done";
	useEffect(() => {
		if (heard) void queries.invalidateQueries({ queryKey: ["clip words", item] });
	}, [heard, item, queries]);
	if (!known) return null;
	if (!known.heard) {
		return (
			<div className="words-in-clip">
				<PlainButton
					small
					disabled={hear.isPending || isWaiting(job)}
					onClick={() => hear.mutate({ item }, { onSuccess: setStarted })}
				>
					Cut it by what is said in it
				</PlainButton>
				{job && <JobProgress job={job} label={`Hearing ${title}`} />}
				{hear.error && (
					<p role="alert" className="problem small">
						{sentence(hear.error)}
					</p>
				)}
			</div>
		);
	}
	if (known.words.length === 0) return <p className="small quiet">Nothing is said in it.</p>;
	const press = (index: number) => {
		if (first < 0 || index < first) return setFirst(index);
		onCut(cutTo(known.words, first, index));
		setFirst(-1);
	};
	const whole = cut.begins === 0 && cut.until === 0;
	return (
		<section className="words-in-clip" aria-label={`What is said in ${title}`}>
			<p className="small quiet">
				{first < 0 ? "Press the word it begins with, then the one it ends with." : "Now the word it ends with."}{" "}
				{!whole && (
					<button type="button" className="link small" onClick={() => onCut({ begins: 0, until: 0 })}>
						All of it
					</button>
				)}
			</p>
			<p className="said-in-clip">
				{known.words.map((word, index) => (
					<button
						key={`${word.start} ${word.text}`}
						type="button"
						className={first === index ? "first" : first < 0 && isPlayed(word, cut) ? "on" : ""}
						aria-pressed={isPlayed(word, cut)}
						onClick={() => press(index)}
					>
						{word.text}
					</button>
				))}
			</p>
		</section>
	);
}

/** The cut from one word to another: a little more than they take, but nothing of those beside them. */
export function cutTo(words: readonly Word[], first: number, last: number): Cut {
	const [from, to] = [words[first], words[last]];
	if (!from || !to) return { begins: 0, until: 0 };
	const begins = Math.max(from.start - BEFORE, words[first - 1]?.end ?? 0);
	const until = Math.min(to.end + AFTER, words[last + 1]?.start ?? Number.POSITIVE_INFINITY);
	return { begins: Math.round(begins * 100) / 100, until: Math.round(until * 100) / 100 };
}

/** Whether a word is played: most of it lies in the cut. */
export function isPlayed({ start, end }: Word, { begins, until }: Cut): boolean {
	const middle = (start + end) / 2;
	return middle >= begins && (until <= begins || middle <= until);
}
