import { memo, type RefObject, useCallback, useEffect, useMemo, useRef, useState } from "react";
import { clock } from "../../../shared/time";
import { Icon } from "../../../shared/ui/icons";
import type { SceneChange } from "../document/choosing";
import type { CueHandle } from "../document/cueHandle";
import type { Script } from "../document/document";
import type { Levels } from "../document/musicLevels";
import { playhead, usePlayhead } from "../document/playhead";
import { fitting, type LaidScene, layScenes, USUAL, within } from "../document/scale";
import type { Check, SceneTimes } from "../document/useSceneTimes";
import type { Playing } from "../playing/usePlaying";
import { Shore } from "./Shore";

type Props = {
	script: Script;
	check: Check | null;
	times: Map<string, SceneTimes>;
	cues: RefObject<CueHandle | null>;
	playing: Playing;
	onSee: (ids: string[]) => void;
	onStage: (change: SceneChange, field: string) => void;
	/** The level of the music, while it is looked at. */
	levels: Levels | null;
	onLevels: (levels: Partial<Levels>) => void;
};

const SPEEDS = [0.5, 0.75, 1, 1.25, 1.5, 2];

/** A shore along the foot: speech rises above the waterline, mouths hang below, then the words at their times. */
export function Ribbon(props: Props) {
	const { script, check, times, cues, playing, onSee, onStage, levels, onLevels } = props;
	const outline = useOutline(script);
	const laid = useMemo(() => layScenes(outline, check, times), [outline, check, times]);
	const [scale, setScale] = useState(USUAL);
	const zoom = useCallback((wished: number) => setScale(within(wished)), []);
	return (
		<section className="ribbon" aria-label="Ribbon">
			<Controls laid={laid} check={check} playing={playing} />
			<Shore {...{ laid, script, scale, cues, playing, onSee, onStage, levels, onLevels }} onScale={zoom} />
			<SceneFoot laid={laid} onScene={playing.stop} />
			<Zoom laid={laid} scale={scale} onScale={zoom} />
		</section>
	);
}

/** The scenes' headings; the same as long as no heading changed, whatever is written under them. */
function useOutline(script: Script): { id: string; heading: string }[] {
	const kept = useRef<{ id: string; heading: string }[]>([]);
	const same =
		kept.current.length === script.scenes.length &&
		script.scenes.every((s, i) => s.id === kept.current[i]?.id && s.heading === kept.current[i]?.heading);
	if (!same) kept.current = script.scenes.map(({ id, heading }) => ({ id, heading }));
	return kept.current;
}

function Controls({ laid, check, playing }: { laid: LaidScene[]; check: Check | null; playing: Playing }) {
	const starts = useMemo(() => new Map(laid.map((scene) => [scene.id, scene])), [laid]);
	const moment = usePlayhead((p) => clock((starts.get(p.sceneId)?.start ?? 0) + p.at, true));
	const ready = usePlayhead((p) => Boolean(starts.get(p.sceneId)?.times));
	const total = laid.reduce((sum, scene) => sum + scene.seconds, 0);
	return (
		<div className="ribbon-controls">
			<p className="clock num" role="timer">
				{moment}
			</p>
			<div className="ribbon-play">
				<button
					type="button"
					className="play"
					onClick={playing.toggle}
					aria-label={playing.playing ? "Stop" : "Play"}
					title="Alt+Enter"
					disabled={!ready}
				>
					<Icon name={playing.playing ? "stop" : "play"} size={18} />
				</button>
				<span className="small quiet num">
					of {check?.estimated && "about "}
					<br />
					{clock(total)}
				</span>
			</div>
			<div className="ribbon-how">
				<select
					aria-label="Speed of playing"
					value={playing.speed}
					onChange={(event) => playing.setSpeed(Number(event.target.value))}
				>
					{SPEEDS.map((speed) => (
						<option key={speed} value={speed}>
							{speed}×
						</option>
					))}
				</select>
				<button
					type="button"
					aria-pressed={playing.looping}
					title="The selected words, or the scene, over and over (Alt+Shift+L)"
					onClick={() => playing.setLooping(!playing.looping)}
				>
					Repeat
				</button>
			</div>
		</div>
	);
}

/** How much of the production is seen at once. */
function Zoom({ laid, scale, onScale }: { laid: LaidScene[]; scale: number; onScale: (scale: number) => void }) {
	const current = usePlayhead((p) => p.sceneId);
	const width = () => document.querySelector(".shore")?.clientWidth ?? 1100;
	const scene = laid.find((s) => s.id === current);
	const steps: [string, string, () => number][] = [
		["word", "A word", () => 520],
		["line", "A line", () => USUAL],
		["scene", "The scene", () => fitting(scene?.seconds ?? 30, width())],
		[
			"all",
			"The whole production",
			() =>
				fitting(
					laid.reduce((sum, s) => sum + s.seconds, 0),
					width(),
				),
		],
	];
	return (
		<div className="zoom" role="toolbar" aria-label="Seen at once">
			{steps.map(([word, label, wished]) => (
				<button
					type="button"
					key={word}
					title={`${label} (Ctrl and wheel, or + and - on the ribbon)`}
					aria-pressed={Math.abs(wished() - scale) < scale * 0.02}
					onClick={() => onScale(wished())}
				>
					{word}
				</button>
			))}
		</div>
	);
}

const SceneFoot = memo(function SceneFoot({ laid, onScene }: { laid: LaidScene[]; onScene: () => void }) {
	const current = usePlayhead((p) => p.sceneId);
	const foot = useRef<HTMLElement>(null);
	useEffect(() => {
		if (current)
			foot.current?.querySelector("[aria-current=true]")?.scrollIntoView({ block: "nearest", inline: "nearest" });
	}, [current]);
	return (
		<nav ref={foot} className="ribbon-foot" aria-label="Scenes">
			{laid.map((scene) => (
				<button
					type="button"
					key={scene.id}
					className={scene.id === current ? "on" : ""}
					style={{ flexGrow: scene.seconds }}
					onClick={() => {
						onScene();
						playhead.set({ sceneId: scene.id, at: 0 });
					}}
					aria-current={scene.id === current}
				>
					<b>{scene.number}</b> {scene.heading}
				</button>
			))}
		</nav>
	);
});
