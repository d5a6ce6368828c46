import type { KeyboardEvent, PointerEvent } from "react";
import { thumbnailOf } from "./useShelf";

/** A place in a picture: its middle, in parts of width and height, and how many times nearer it is. */
export type Place = { x: number; y: number; near: number };

/** What of a picture is seen there, in parts of it: its left, top and side. */
export function partAt({ x, y, near }: Place): { left: number; top: number; side: number } {
	const side = 1 / Math.max(1, near);
	const bounded = (middle: number) => Math.max(0, Math.min(1 - side, middle - side / 2));
	return { left: bounded(x), top: bounded(y), side };
}

/** A thing of the shelf with a place in it marked. */
export function PlacePrint({ item, at }: { item: string; at: Place }) {
	const { left, top, side } = partAt(at);
	return (
		<span className="place-print">
			<img src={thumbnailOf(item)} alt="" />
			<svg viewBox="0 0 100 100" preserveAspectRatio="none" aria-hidden="true">
				<path d={`M0 0H100V100H0ZM${left * 100} ${top * 100}v${side * 100}h${side * 100}v${-side * 100}Z`} />
				<rect x={left * 100} y={top * 100} width={side * 100} height={side * 100} />
			</svg>
		</span>
	);
}

type FieldProps = { item: string; at: Place; onChange: (x: number, y: number) => void };

const STEP = 0.02;
const MOVES: Record<string, [number, number]> = {
	ArrowLeft: [-STEP, 0],
	ArrowRight: [STEP, 0],
	ArrowUp: [0, -STEP],
	ArrowDown: [0, STEP],
};

/** A place in a thing of the shelf, to be dragged, or moved by arrows. */
export function PlaceField({ item, at, onChange }: FieldProps) {
	const put = (x: number, y: number) => onChange(tidy(x), tidy(y));
	const drag = (event: PointerEvent<HTMLButtonElement>) => {
		if (event.type === "pointerdown") event.currentTarget.setPointerCapture(event.pointerId);
		else if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
		const box = event.currentTarget.getBoundingClientRect();
		put((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height);
	};
	const keys = (event: KeyboardEvent) => {
		const by = MOVES[event.key];
		if (!by) return;
		event.preventDefault();
		put(at.x + by[0], at.y + by[1]);
	};
	return (
		<div className="place-field">
			<button
				type="button"
				aria-label={`The place: ${Math.round(at.x * 100)} of 100 across, ${Math.round(at.y * 100)} down; arrows move it`}
				onPointerDown={drag}
				onPointerMove={drag}
				onKeyDown={keys}
			>
				<PlacePrint item={item} at={at} />
			</button>
		</div>
	);
}

function tidy(part: number): number {
	return Math.round(Math.max(0, Math.min(1, part)) * 100) / 100;
}
