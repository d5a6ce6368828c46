import { type KeyboardEvent, type RefObject, useEffect, useMemo, useRef } from "react";
import { clock } from "../../../shared/time";
import type { SceneChange } from "../document/choosing";
import type { CueHandle } from "../document/cueHandle";
import type { Script } from "../document/document";
import { BLURS, type Levels } from "../document/musicLevels";
import { playhead } from "../document/playhead";
import { type LaidScene, MARGIN, tickStep, xOf } from "../document/scale";
import { USUAL_TAIL } from "../document/tail";
import type { Playing } from "../playing/usePlaying";
import { Buoys } from "./Buoys";
import { spacedWords } from "./drawing";
import { Pins } from "./Pins";
import { SceneShore, type Water } from "./SceneShore";
import { TailHandle } from "./TailHandle";
import { useShore, useWheelZoom } from "./useShore";

export type ShoreProps = {
	laid: LaidScene[];
	script: Script;
	scale: number;
	onScale: (scale: number) => void;
	cues: RefObject<CueHandle | null>;
	playing: Playing;
	/** The scenes that are looked at. */
	onSee: (ids: string[]) => void;
	onStage: (change: SceneChange, field: string) => void;
	/** The level of the music, while it is looked at. */
	levels: Levels | null;
	onLevels: (levels: Partial<Levels>) => void;
};

/** The whole production in proportion to time, as far as it is seen; dragged along, the stage follows. */
export function Shore(props: ShoreProps) {
	const { laid, script, scale, onScale, cues, playing, onSee, onStage, levels, onLevels } = props;
	const box = useRef<HTMLDivElement>(null);
	const { view, seen, current, at, x, held, momentAt, goTo } = useShore(box, laid, scale);
	useWheelZoom(box, scale, onScale);
	const names = seen.map((scene) => scene.id).join(" ");
	useEffect(() => onSee(names ? names.split(" ") : []), [names, onSee]);
	const water: Water = !levels ? "none" : levels.bed_under < BLURS ? "blurs" : "clear";
	const written = (scene: LaidScene) => script.scenes[scene.number - 1];
	const total = laid.reduce((sum, scene) => sum + scene.seconds, 0);
	const keys = (event: KeyboardEvent) => {
		const times = current?.times;
		if (event.code === "Space") playing.toggle();
		else if (event.key === "+" || event.key === "=") onScale(scale * 1.4);
		else if (event.key === "-") onScale(scale / 1.4);
		else if (current && times) {
			const starts = times.lines.flatMap((l) => (event.shiftKey ? [l.start] : l.words.map((w) => w.start)));
			const now = playhead.get().at;
			const goals: Record<string, number | undefined> = {
				ArrowRight: starts.find((s) => s > now + 0.02) ?? times.duration,
				ArrowLeft: starts.findLast((s) => s < now - 0.02) ?? 0,
				Home: 0,
				End: times.duration - 0.05,
			};
			const goal = goals[event.code];
			if (goal === undefined) return;
			playing.stop();
			goTo(current.start + goal + 0.001);
		} else return;
		event.preventDefault();
	};
	return (
		<div ref={box} className="shore">
			<div
				className="shore-slide"
				style={{ width: xOf(total, scale) + MARGIN }}
				role="slider"
				tabIndex={0}
				aria-label="Time in the scene"
				aria-valuemin={0}
				aria-valuemax={Math.round((current?.seconds ?? 0) * 10) / 10}
				aria-valuenow={Math.round(at * 10) / 10}
				aria-valuetext={`${at.toFixed(1)} seconds`}
				onPointerDown={(event) => {
					if (!current || event.button !== 0) return;
					playing.stop();
					held.current = true;
					event.currentTarget.setPointerCapture(event.pointerId);
					goTo(momentAt(event.clientX));
				}}
				onPointerMove={(event) => held.current && goTo(momentAt(event.clientX))}
				onPointerUp={() => {
					held.current = false;
				}}
				onKeyDown={keys}
			>
				{!current?.times && <p className="shore-note">The words lie here once the scene is read.</p>}
				{current?.times && <WordAtPlayhead scene={current} at={at} scale={scale} />}
				{seen.map((scene) => (
					<SceneShore key={scene.id} scene={scene} left={xOf(scene.start, scale)} scale={scale} water={water} />
				))}
				<Ticks view={view} scale={scale} total={total} />
				<svg className="playhead-mark" style={{ left: x - 6 }} width={12} height={124} aria-hidden="true">
					<path d="M1 20h10l-5 8z" className="playhead-shape" />
					<path d="M6 24V100" className="playhead-line" />
				</svg>
			</div>
			{seen.map(
				(scene) =>
					scene.times && <Pins key={scene.id} scene={scene} written={written(scene)} scale={scale} cues={cues} />,
			)}
			{current?.times && levels && <Buoys scene={current} levels={levels} scale={scale} onLevels={onLevels} />}
			{current?.times && (
				<TailHandle
					key={current.id}
					scene={current}
					tail={written(current)?.staging.tail ?? USUAL_TAIL}
					scale={scale}
					onStage={onStage}
				/>
			)}
		</div>
	);
}

function WordAtPlayhead({ scene, at, scale }: { scene: LaidScene; at: number; scale: number }) {
	const words = useMemo(() => (scene.times ? spacedWords(scene.times, scale) : []), [scene.times, scale]);
	const word = words.findLast((w) => w.start <= at && at < w.end + 0.15);
	if (!word || at <= 0) return null;
	return <span className="word-wash" style={{ left: xOf(scene.start, scale) + word.x - 3, width: word.width + 6 }} />;
}

/** The marks of time, as close as their words allow. */
function Ticks({ view, scale, total }: { view: { left: number; width: number }; scale: number; total: number }) {
	const step = tickStep(scale);
	const first = Math.max(0, Math.floor((view.left - MARGIN) / scale / step));
	const last = Math.min(Math.floor(total / step), Math.ceil((view.left + view.width) / scale / step));
	const marks = Array.from({ length: Math.max(0, last - first + 1) }, (_, i) => (first + i) * step);
	return marks.map((seconds) => (
		<span key={seconds} className="ribbon-time num" style={{ left: xOf(seconds, scale) }}>
			{clock(seconds, step < 1)}
		</span>
	));
}
