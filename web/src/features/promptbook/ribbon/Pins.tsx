import { memo, type PointerEvent, type RefObject, useMemo, useState } from "react";
import type { CueHandle } from "../document/cueHandle";
import { cueLabel, FLAG_SHAPES, familyOf, useCueKinds } from "../document/cueKinds";
import type { Scene } from "../document/document";
import { type LaidScene, xOf } from "../document/scale";

type Word = { lineId: string; from: number; to: number; start: number };
type Pin = { id: string; at: number; label: string; kind: string; left: number; row: number; shown: boolean };

const PIN_GAP = 6;
/** Pixels a second from which on pins have room for words. */
const LABELLED = 12;
const LETTER = 6.6;

type Props = {
	scene: LaidScene;
	written: Scene | undefined;
	scale: number;
	cues: RefObject<CueHandle | null>;
};

/** Cues as pins over the shore; a pin dragged along takes the word it is let go on. */
export const Pins = memo(function Pins({ scene, written, scale, cues }: Props) {
	const { times } = scene;
	const x = (seconds: number) => xOf(scene.start + seconds, scale);
	const kinds = useCueKinds();
	const [drag, setDrag] = useState<{ id: string; x: number; dx: number } | null>(null);
	const words = useMemo<Word[]>(
		() =>
			(times?.lines ?? []).flatMap((l) =>
				l.words.map((w) => ({ lineId: l.id, from: w.offset, to: w.to, start: w.start })),
			),
		[times],
	);
	const pins = useMemo(() => {
		const known = new Map(written?.blocks.flatMap((b) => b.cues).map((cue) => [cue.id, cue]));
		const found = (times?.lines ?? []).flatMap((line) =>
			line.cues.flatMap(({ id, at }) => {
				const cue = known.get(id);
				return cue ? [{ id, at, kind: cue.kind, label: cueLabel(kinds, cue) }] : [];
			}),
		);
		return inRows(
			found.sort((a, b) => a.at - b.at),
			scene.start,
			scale,
		);
	}, [times, written, kinds, scene.start, scale]);
	const wordNear = (place: number) => {
		const at = (place - x(0)) / scale;
		return words.reduce(
			(best, word) => (Math.abs(word.start - at) < Math.abs(best.start - at) ? word : best),
			words[0] as Word,
		);
	};
	const down = (event: PointerEvent<HTMLButtonElement>, pin: Pin) => {
		event.stopPropagation();
		event.currentTarget.setPointerCapture(event.pointerId);
		setDrag({ id: pin.id, x: event.clientX, dx: 0 });
	};
	const up = (pin: Pin) => {
		if (drag && Math.abs(drag.dx) > 4 && words.length) {
			const word = wordNear(x(pin.at) + drag.dx);
			cues.current?.move(pin.id, word.lineId, word.from, word.to);
		} else if (drag) cues.current?.open(pin.id);
		setDrag(null);
	};
	const ropes = useMemo(() => ropesOf(times, written), [times, written]);
	return (
		<div className="pins">
			<svg className="ropes" aria-hidden="true">
				{ropes.map(({ id, from, to }) => (
					<path key={id} d={ropePath(x(from), x(to), scale >= LABELLED)} />
				))}
			</svg>
			{pins.map((pin) => {
				const dx = drag?.id === pin.id ? drag.dx : 0;
				const shown = dx && words.length ? x(wordNear(x(pin.at) + dx).start) : pin.left;
				return (
					<button
						type="button"
						tabIndex={-1}
						key={pin.id}
						className={`pin row-${pin.row} ${dx ? "on" : ""} ${pin.shown ? "" : "bare"}`}
						style={{ left: shown }}
						onPointerDown={(event) => down(event, pin)}
						onPointerMove={(event) => drag?.id === pin.id && setDrag({ ...drag, dx: event.clientX - drag.x })}
						onPointerUp={() => up(pin)}
						aria-label={`${pin.label}, at ${pin.at.toFixed(1)} seconds`}
					>
						<svg viewBox="0 0 11 12" width={10} height={11} aria-hidden="true">
							<path d={FLAG_SHAPES[familyOf(kinds, pin.kind)]} />
						</svg>
						{pin.shown && <span>{pin.label}</span>}
					</button>
				);
			})}
		</div>
	);
});

type Rope = { id: string; from: number; to: number };

/** From when to when stretches last, in scene time; the longer first, so that the shorter hangs over it. */
function ropesOf(times: LaidScene["times"], written: Scene | undefined): Rope[] {
	const ends = new Map(written?.blocks.flatMap((b) => b.cues).map((cue) => [cue.id, cue.end ?? null]));
	const ropes = (times?.lines ?? []).flatMap((line) =>
		line.cues.flatMap(({ id, at }) => {
			const end = ends.get(id) ?? null;
			const last = end === null ? undefined : line.words.find((word) => word.to > end);
			return last ? [{ id, from: at, to: last.end }] : [];
		}),
	);
	return ropes.sort((a, b) => b.to - b.from - (a.to - a.from));
}

/** A rope between two posts, hanging over the shore; far off, two posts and a straight line. */
function ropePath(left: number, right: number, near: boolean): string {
	const [post, head] = [48, 38];
	const sag = near ? Math.min(14, 4 + (right - left) / 24) : 0;
	const middle = (left + right) / 2;
	return `M${left} ${post}V${head}Q${middle} ${head + 2 * sag} ${right} ${head}V${post}`;
}

/** Labels that would touch go one row down; where no row is free the flag stands without its words. */
function inRows(cues: { id: string; at: number; kind: string; label: string }[], start: number, scale: number): Pin[] {
	const free = [-1, -1];
	return cues.map((cue) => {
		const left = xOf(start + cue.at, scale);
		const width = 16 + cue.label.length * LETTER;
		const row = scale < LABELLED ? -1 : free.findIndex((end) => left >= end + PIN_GAP);
		if (row >= 0) free[row] = left + width;
		return { ...cue, left, row: Math.max(0, row), shown: row >= 0 };
	});
}
