import type { Editor } from "@tiptap/core";
import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import { melodyPath } from "../../../shared/voices/melodyPath";
import type { CaretLine } from "./lineAtCaret";
import { setLineCues, setPause } from "./lineAtCaret";
import { layout, nudgedBorders, type PlacedWord } from "./melody";
import { type Heard, secondsOf } from "./useTakes";

type Props = { editor: Editor; line: CaretLine; heard: Heard; width: number };

const TALL = 66;
const STEP = 0.05;

/** A line's tune over its words; gaps between words are dragged, or typed in seconds. */
export function Melody({ editor, line, heard, width }: Props) {
	const { scale, words } = layout(heard, width);
	const wide = Math.max(width, heard.seconds * scale + 8);
	const range = { rate: heard.rate, among: [...heard.pitch, ...heard.plain] };
	const recorded = line.recording !== null;
	const movable = recorded && !line.delivery && !line.pauses.length;
	return (
		<figure className="melody" aria-label="The tune of the line, over its words">
			<svg width={wide} height={TALL} viewBox={`0 0 ${wide} ${TALL}`} aria-hidden="true">
				<path className="melody-rule" d={`M0 14.5H${wide}M0 ${TALL - 12.5}H${wide}`} />
				{!recorded && <path className="melody-plain" d={melodyPath(heard.plain, range, scale, TALL)} />}
				<path className="melody-line" d={melodyPath(heard.pitch, range, scale, TALL)} />
			</svg>
			<div className="melody-words" style={{ width: wide }}>
				{words.map((word, index) => (
					<span
						key={word.offset}
						className={wordClass(word, line.caret === word.offset)}
						style={{ left: word.x }}
						title={word.said ? undefined : "Not heard in the recording"}
					>
						{word.text}
						{index > 0 && (
							<Border
								word={word}
								scale={scale}
								pause={pauseAt(line, word.offset)}
								current={line.caret === word.offset}
								onPause={(seconds) => setPause(editor, line.id, word.offset, seconds)}
								onMove={
									movable
										? (seconds) =>
												setLineCues(
													editor,
													line.id,
													{ recording: nudgedBorders(line.recording?.parameters ?? {}, index, word.start + seconds) },
													`border ${line.id} ${index}`,
												)
										: null
								}
							/>
						)}
					</span>
				))}
			</div>
		</figure>
	);
}

function pauseAt(line: CaretLine, offset: number): number {
	const pause = line.pauses.find((cue) => cue.offset === offset);
	return pause ? secondsOf(pause) : 0;
}

function wordClass(word: PlacedWord, current: boolean): string {
	return [
		"melody-word",
		current ? "current" : "",
		word.said ? "" : "unsaid",
		word.said && word.confidence < 0.5 ? "doubtful" : "",
	].join(" ");
}

type BorderProps = {
	word: PlacedWord;
	scale: number;
	/** Seconds added before the word, as they are set now: what was heard last may have had others. */
	pause: number;
	onPause: (seconds: number) => void;
	/** The caret is in the word: its gap can be reached by keyboard. */
	current: boolean;
	/** Moves where the word begins in a recording; null where pauses are dragged instead. */
	onMove: ((seconds: number) => void) | null;
};

/** What lies between a word and the one before: a gap to drag, and its seconds to type. */
function Border({ word, scale, pause, current, onPause, onMove }: BorderProps) {
	const from = useRef<{ x: number; pause: number } | null>(null);
	const [drag, setDrag] = useState(0);
	const down = (event: PointerEvent<HTMLElement>) => {
		event.preventDefault();
		event.currentTarget.setPointerCapture(event.pointerId);
		from.current = { x: event.clientX, pause };
	};
	const move = (event: PointerEvent) => {
		if (from.current) setDrag((event.clientX - from.current.x) / scale);
	};
	const up = () => {
		if (from.current && Math.abs(drag) * scale > 2) {
			if (onMove) onMove(drag);
			else onPause(Math.max(0, from.current.pause + drag));
		}
		from.current = null;
		setDrag(0);
	};
	const key = (event: KeyboardEvent) => {
		const way = { ArrowRight: 1, ArrowLeft: -1 }[event.code];
		if (!way) return;
		event.preventDefault();
		if (onMove) onMove(way * 0.01);
		else onPause(Math.max(0, pause + way * (pause < 0.1 && way > 0 ? 0.1 : STEP)));
	};
	const set = word.natural + pause;
	const gap = set + drag;
	const room = Math.max(6, word.room + drag * scale);
	const shown = word.gap > 0.14 || pause > 0;
	const pull = { onPointerDown: down, onPointerMove: move, onPointerUp: up };
	return (
		<>
			{shown || current ? (
				<button
					type="button"
					className={`melody-gap ${shown ? "shown" : ""}`}
					style={{ width: Math.max(24, room), right: room < 24 ? `calc(100% - ${(24 - room) / 2}px)` : "100%" }}
					aria-label={
						onMove
							? `Where ${word.text} begins, ${word.start.toFixed(2)} s; arrow keys move it`
							: `Pause before ${word.text}, ${set.toFixed(2)} s; arrow keys change it`
					}
					{...pull}
					onKeyDown={key}
				/>
			) : (
				// by keyboard, a gap is changed at the word with the caret
				<span className="melody-gap" style={{ width: Math.max(10, room), right: "calc(100% - 2px)" }} {...pull} />
			)}
			{shown && (
				<input
					className="melody-seconds num"
					style={{ right: `calc(100% + ${room / 2 - 18}px)` }}
					aria-label={`Seconds of pause before ${word.text}`}
					key={gap.toFixed(2)}
					defaultValue={gap.toFixed(2)}
					inputMode="decimal"
					onBlur={(event) => {
						const typed = Number(event.target.value.replace(",", "."));
						if (Number.isFinite(typed) && Math.abs(typed - set) > 0.011) onPause(Math.max(0, typed - word.natural));
						else event.target.value = set.toFixed(2);
					}}
					onKeyDown={(event) => {
						if (event.code === "Enter") event.currentTarget.blur();
					}}
				/>
			)}
		</>
	);
}
