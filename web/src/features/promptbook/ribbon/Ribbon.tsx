import { type KeyboardEvent, type PointerEvent, type RefObject, useEffect, useMemo, useRef } from "react";
import { clock } from "../../../shared/time";
import { Icon } from "../../../shared/ui/icons";
import type { Script } from "../document";
import { playhead, usePlayhead } from "../playhead";
import type { CueHandle } from "../script/Cues";
import type { Playing } from "../stage/usePlaying";
import type { Check, SceneTimes } from "../useSceneTimes";
import { Pins } from "./Pins";
import { MARGIN, PIXELS_A_SECOND } from "./scale";

const GLYPH_GAP = 13;
const WATERLINE = 63;

type Props = {
	scenes: readonly { id: string; heading: string }[];
	check: Check | null;
	times: SceneTimes | undefined;
	/** Where the current scene starts in the whole, in seconds. */
	before: number;
	total: number;
	estimated: boolean;
	script: Script;
	cues: RefObject<CueHandle | null>;
	playing: Playing;
	onScene: (sceneId: string) => void;
};

/** A shore along the foot: speech rises above the waterline, mouths hang below, then the words at their times. */
export function Ribbon(props: Props) {
	const { playing, toggle, stop } = props.playing;
	return (
		<section className="ribbon" aria-label="Ribbon">
			<div className="ribbon-controls">
				<Clock before={props.before} />
				<div className="ribbon-play">
					<button
						type="button"
						className="play"
						onClick={playing ? stop : toggle}
						aria-label={playing ? "Stop" : "Play"}
						title="Alt+Enter"
						disabled={!props.times}
					>
						<Icon name={playing ? "stop" : "play"} size={18} />
					</button>
					<span className="small quiet num">
						of {props.estimated && "about "}
						<br />
						{clock(props.total)}
					</span>
				</div>
			</div>
			<Shore {...props} />
			<SceneFoot {...props} />
		</section>
	);
}

function Clock({ before }: { before: number }) {
	const text = usePlayhead((p) => clock(before + p.at, true));
	return (
		<p className="clock num" role="timer">
			{text}
		</p>
	);
}

function moveTo(times: SceneTimes, at: number): void {
	playhead.set({ at: Math.min(Math.max(0, at), Math.max(0, times.duration - 0.04)) });
}

function Shore({ times, script, cues, playing: { playing, stop, toggle } }: Props) {
	const box = useRef<HTMLDivElement>(null);
	const dragging = useRef(false);
	const at = usePlayhead((p) => p.at);

	useEffect(() => {
		const element = box.current;
		if (!element || dragging.current) return;
		const x = MARGIN + at * PIXELS_A_SECOND;
		const room = element.clientWidth;
		const shown = x - element.scrollLeft;
		if (shown < 60 || shown > room * 0.72) element.scrollLeft = playing ? x - room * 0.3 : x - room * 0.5;
	}, [at, playing]);

	const momentOf = (event: PointerEvent) => {
		const element = box.current;
		if (!element) return 0;
		return (event.clientX - element.getBoundingClientRect().left + element.scrollLeft - MARGIN) / PIXELS_A_SECOND;
	};
	const down = (event: PointerEvent) => {
		if (!times || event.button !== 0) return;
		stop();
		dragging.current = true;
		event.currentTarget.setPointerCapture(event.pointerId);
		moveTo(times, momentOf(event));
	};
	const move = (event: PointerEvent) => {
		if (dragging.current && times) moveTo(times, momentOf(event));
	};
	const keys = (event: KeyboardEvent) => {
		if (!times) return;
		const starts = times.lines.flatMap((l) => (event.shiftKey ? [l.start] : l.words.map((w) => w.start)));
		const now = playhead.get().at;
		const goals: Record<string, number | undefined> = {
			ArrowRight: starts.find((s) => s > now + 0.02) ?? times.duration,
			ArrowLeft: starts.findLast((s) => s < now - 0.02) ?? 0,
			Home: 0,
			End: times.duration,
		};
		if (event.code === "Space") {
			toggle();
		} else {
			const goal = goals[event.code];
			if (goal === undefined) return;
			stop();
			moveTo(times, goal + 0.001);
		}
		event.preventDefault();
	};
	return (
		<div ref={box} className="shore">
			<div
				className="shore-slide"
				role="slider"
				tabIndex={0}
				aria-label="Time in the scene"
				aria-valuemin={0}
				aria-valuemax={times ? Math.round(times.duration * 10) / 10 : 0}
				aria-valuenow={Math.round(at * 10) / 10}
				aria-valuetext={`${at.toFixed(1)} seconds`}
				onPointerDown={down}
				onPointerMove={move}
				onPointerUp={() => {
					dragging.current = false;
				}}
				onKeyDown={keys}
			>
				{times ? (
					<ShoreDrawing times={times} at={at} />
				) : (
					<p className="shore-note">The words lie here once the scene is read.</p>
				)}
			</div>
			{times && <Pins times={times} script={script} cues={cues} />}
		</div>
	);
}

function ShoreDrawing({ times, at }: { times: SceneTimes; at: number }) {
	const width = MARGIN * 2 + times.duration * PIXELS_A_SECOND;
	const words = useMemo(() => spacedWords(times), [times]);
	const still = useMemo(() => <StillShore times={times} words={words} width={width} />, [times, words, width]);
	const x = MARGIN + at * PIXELS_A_SECOND;
	const word = words.findLast((w) => w.start <= at && at < w.end + 0.15);
	return (
		<svg width={width} height={124} aria-hidden="true">
			{word && at > 0 && (
				<g>
					<rect x={word.x - 3} y={82} width={word.width + 6} height={20} className="word-wash" />
					<rect x={word.x - 3} y={101} width={word.width + 6} height={2} className="word-rule" />
				</g>
			)}
			{still}
			<path d={`M${x - 5} 20h10l-5 8z`} className="playhead-shape" />
			<path d={`M${x} 24V100`} className="playhead-line" />
		</svg>
	);
}

function StillShore({ times, words, width }: { times: SceneTimes; words: PlacedWord[]; width: number }) {
	const seconds = Array.from({ length: Math.floor(times.duration) + 1 }, (_, i) => i);
	return (
		<g>
			{times.lines.map((line) => (
				<path key={line.id} d={envelope(line)} className="swell" />
			))}
			<path d={`M0 ${WATERLINE}.5H${width}`} className="waterline" />
			{spacedMouths(times).map((mouth) => (
				<MouthGlyph key={mouth.at} {...mouth} />
			))}
			{words.map((word) => (
				<text key={word.key} x={word.x} y={97} className="ribbon-word">
					{word.text}
				</text>
			))}
			{seconds.map((s) => (
				<g key={s}>
					<path d={`M${MARGIN + s * PIXELS_A_SECOND + 0.5} 106v5`} className="tick-line" />
					<text x={MARGIN + s * PIXELS_A_SECOND + 5} y={116} className="ribbon-time num">
						{clock(s)}
					</text>
				</g>
			))}
		</g>
	);
}

const ruler = document.createElement("canvas").getContext?.("2d");

/** Pixels a word takes in the ribbon's type. */
function widthOf(text: string): number {
	if (!ruler) return text.length * 8;
	ruler.font = `14px ${getComputedStyle(document.documentElement).getPropertyValue("--serif") || "serif"}`;
	return ruler.measureText(text).width;
}

type PlacedWord = { key: string; x: number; width: number; text: string; start: number; end: number };

/** Words at their times, nudged to the right where they would touch. */
function spacedWords(times: SceneTimes): PlacedWord[] {
	let free = 0;
	return times.lines.flatMap((line) =>
		line.words.map((word) => {
			const x = Math.max(MARGIN + word.start * PIXELS_A_SECOND, free);
			const width = widthOf(word.text);
			free = x + width + 5;
			return { key: `${line.id}${word.offset}`, x, width, text: word.text, start: word.start, end: word.end };
		}),
	);
}

/** Mouths far enough apart to be told from each other; closed lips go before open ones. */
function spacedMouths(times: SceneTimes): SceneTimes["mouths"] {
	const kept: SceneTimes["mouths"] = [];
	for (const mouth of times.mouths) {
		const last = kept.at(-1);
		if (!last || (mouth.at - last.at) * PIXELS_A_SECOND >= GLYPH_GAP) kept.push(mouth);
		else if (mouth.closed && !last.closed) kept[kept.length - 1] = mouth;
	}
	return kept;
}

function envelope(line: SceneTimes["lines"][number]): string {
	const { rate, values } = line.loudness;
	const points = values.map((v, i) => {
		const x = MARGIN + (line.start + i / rate) * PIXELS_A_SECOND;
		return `${x.toFixed(1)} ${(WATERLINE - 34 * v * v).toFixed(1)}`;
	});
	const left = MARGIN + line.start * PIXELS_A_SECOND;
	const right = MARGIN + line.end * PIXELS_A_SECOND;
	return `M${left} ${WATERLINE}L${points.join("L")}L${right} ${WATERLINE}Z`;
}

/** The outline of the lips; closed lips are a thick bar. */
function MouthGlyph({ at, open, wide, round, closed }: SceneTimes["mouths"][number]) {
	const x = MARGIN + at * PIXELS_A_SECOND;
	if (closed) return <rect x={x - 4} y={WATERLINE + 9} width={8} height={2.4} className="mouth-bar" />;
	return (
		<ellipse cx={x} cy={WATERLINE + 10} rx={4.2 + 1.6 * wide - 1.8 * round} ry={1.1 + 5 * open} className="mouth" />
	);
}

function SceneFoot({ scenes, check, onScene }: Props) {
	const current = usePlayhead((p) => p.sceneId);
	const spoken = scenes
		.map((scene, i) => ({
			...scene,
			number: i + 1,
			seconds: check?.scenes.find((c) => c.id === scene.id)?.seconds ?? 0,
		}))
		.filter((scene) => scene.seconds > 0);
	return (
		<nav className="ribbon-foot" aria-label="Scenes">
			{spoken.map((scene) => (
				<button
					type="button"
					key={scene.id}
					className={scene.id === current ? "on" : ""}
					style={{ flexGrow: scene.seconds }}
					onClick={() => onScene(scene.id)}
					aria-current={scene.id === current}
				>
					<b>{scene.number}</b> {scene.heading}
				</button>
			))}
		</nav>
	);
}
