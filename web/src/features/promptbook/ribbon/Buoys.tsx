import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import type { Levels } from "../document/musicLevels";
import { type LaidScene, xOf } from "../document/scale";
import { buoyPlaces, heightOf, levelAt } from "./water";

type Props = {
	scene: LaidScene;
	levels: Levels;
	scale: number;
	onLevels: (levels: Partial<Levels>) => void;
};

/** The level of the music, on its water: one buoy under the words and one in the pauses, dragged up and down. */
export function Buoys({ scene, levels, scale, onLevels }: Props) {
	const { bed_under, bed_pause } = levels;
	const places = buoyPlaces(scene.times?.water ?? [], bed_under, bed_pause);
	return (
		<>
			{places.under !== undefined && (
				<Buoy
					label="Music under words"
					left={xOf(scene.start + places.under, scale)}
					level={bed_under}
					lowest={6}
					onLevel={(level) => onLevels({ bed_under: level })}
				/>
			)}
			{places.pause !== undefined && (
				<Buoy
					label="Music in pauses"
					left={xOf(scene.start + places.pause, scale)}
					level={bed_pause}
					lowest={3}
					onLevel={(level) => onLevels({ bed_pause: level })}
				/>
			)}
		</>
	);
}

type BuoyProps = { label: string; left: number; level: number; lowest: number; onLevel: (level: number) => void };

function Buoy({ label, left, level, lowest, onLevel }: BuoyProps) {
	const [wished, setWished] = useState<number | null>(null);
	const top = useRef(0);
	const shown = wished ?? level;
	const put = (next: number) => onLevel(Math.min(40, Math.max(lowest, next)));
	const keys = (event: KeyboardEvent) => {
		const by: Record<string, number> = { ArrowUp: -1, ArrowDown: 1, PageUp: -5, PageDown: 5 };
		const step = by[event.code];
		if (step === undefined) return;
		put(level + step);
		event.preventDefault();
		event.stopPropagation();
	};
	const move = (event: PointerEvent) => Math.max(lowest, levelAt(event.clientY - top.current));
	return (
		<button
			type="button"
			className={wished === null ? "buoy" : "buoy on"}
			style={{ left: left - 12, top: heightOf(shown) - 14 }}
			role="slider"
			aria-orientation="vertical"
			aria-label={`${label}, LU below them`}
			aria-valuemin={lowest}
			aria-valuemax={40}
			aria-valuenow={shown}
			onPointerDown={(event) => {
				event.stopPropagation();
				event.currentTarget.setPointerCapture(event.pointerId);
				top.current = event.currentTarget.parentElement?.getBoundingClientRect().top ?? 0;
				setWished(level);
			}}
			onPointerMove={(event) => wished !== null && setWished(move(event))}
			onPointerUp={() => {
				if (wished !== null && wished !== level) put(wished);
				setWished(null);
			}}
			onPointerCancel={() => setWished(null)}
			onKeyDown={keys}
		>
			<svg viewBox="0 0 14 13" width={14} height={13} aria-hidden="true">
				<path d="M4 0h6l2 7H2zM0 8.5h14v2.5H0z" />
			</svg>
			<span className="num">{shown} below</span>
		</button>
	);
}
