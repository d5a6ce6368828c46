import { type ReactNode, type RefObject, useEffect, useRef, useState } from "react";
import { series } from "../../../shared/words";
import { shownName } from "../document/document";
import { playhead, usePlayhead } from "../document/playhead";
import { trying, useTried } from "../document/trying";
import type { SceneTimes } from "../document/useSceneTimes";
import { StageGrip } from "./StageGrip";

type Props = {
	productionId: string;
	revision: number;
	shape: string;
	videoRef: RefObject<HTMLVideoElement | null>;
	times: SceneTimes | undefined;
	/** The scene at the playhead, or that would be there if anything were written in it. */
	sceneId: string;
	sceneNumber: number;
	small: boolean;
	problem: string;
	/** What to do first, while nothing is spoken. */
	hint: string;
	reading: boolean;
	/** What stands beside the small stage. */
	beside?: ReactNode;
};

/** The picture at the playhead: the same painter as the film's. */
export function Stage(props: Props) {
	const playing = usePlayhead((p) => p.playing);
	const box = useRef<HTMLDivElement>(null);
	const [loaded, setLoaded] = useState(false);
	const moving = playing && loaded; // until the first frame is here the still stays
	const still = useStill(props, props.times?.fingerprint ?? "");
	return (
		<section className={`stage ${props.small ? "small-stage" : ""}`} aria-label="Stage">
			<div className="stage-row">
				<div ref={box} className="stage-box" data-shape={props.shape}>
					{still && <img src={still} alt={caption(props)} hidden={moving} />}
					<video
						ref={props.videoRef}
						hidden={!moving}
						playsInline
						aria-label="The scene, playing"
						onLoadedData={() => setLoaded(true)}
						onEmptied={() => setLoaded(false)}
					>
						<track kind="captions" />
					</video>
					{still && !moving && <StageGrip shape={props.shape} />}
					{!still && !props.problem && <p className="stage-note">Drawing…</p>}
					{props.problem && (
						<p className="stage-note problem" role="alert">
							{props.problem}
						</p>
					)}
				</div>
				{props.beside}
			</div>
			<p className="figure">
				<FigureText {...props} />
				<span className="reading-note">{props.reading ? "reading…" : ""}</span>
				<button
					type="button"
					className="link small"
					title="Alt+Shift+F; Esc leaves it"
					onClick={() => box.current?.requestFullscreen?.()}
				>
					Full screen
				</button>
			</p>
		</section>
	);
}

function caption({ sceneNumber }: Props): string {
	return `Picture at the playhead, scene ${sceneNumber}`;
}

function FigureText({ times, sceneNumber, hint }: Props) {
	const tried = useTried();
	const waiting = usePlayhead((p) => p.playing && p.waiting);
	const line = usePlayhead((p) => times?.lines.findLastIndex((l) => l.start <= p.at + 0.01) ?? -1);
	if (tried?.words) return <span aria-live="polite">Only tried. {tried.words}.</span>;
	if (hint) return <span>{hint}</span>;
	if (waiting) return <span aria-live="polite">Being read; it plays as soon as there is enough of it.</span>;
	if (!times) return <span>Scene {sceneNumber}.</span>;
	const current = times.lines[Math.max(0, line)];
	const speaker = shownName(current?.speaker ?? "");
	const others = [...new Set(times.lines.map((l) => shownName(l.speaker)))].filter((n) => n && n !== speaker);
	const listens = others.length ? `, ${series(others)} ${others.length === 1 ? "listens" : "listen"}` : "";
	return (
		<span>
			Scene {sceneNumber}, line {Math.max(0, line) + 1}.{speaker && ` ${speaker} speaks${listens}.`}
		</span>
	);
}

/**
 * The still at the playhead: one request at a time, the latest wish wins, the last picture stays meanwhile.
 * Before the scene is read it is the scene's opening, which needs no reading.
 */
function useStill({ productionId, revision, sceneId }: Props, fingerprint: string): string {
	const [shown, setShown] = useState("");
	const wish = useRef("");
	const busy = useRef(false);
	const moment = usePlayhead((p) => (p.playing ? -1 : Math.round(p.at * 30) / 30));
	const choices = useTried()?.choices;
	// biome-ignore lint/correctness/useExhaustiveDependencies: another picture is what was waited for
	useEffect(() => trying.settled(), [fingerprint]);
	const tried = choices ? `&tried=${encodeURIComponent(JSON.stringify(choices))}` : "";
	useEffect(() => {
		if (!sceneId || !revision || moment < 0) return;
		const scene = `/pictures/${productionId}/${sceneId}`;
		wish.current = fingerprint
			? `${scene}/still.jpg?at=${moment.toFixed(3)}&r=${revision}&f=${fingerprint}${tried}`
			: `${scene}/opening.jpg?r=${revision}${tried}`;
		const fetchNext = () => {
			const address = wish.current;
			busy.current = true;
			const image = new Image();
			const settled = (worked: boolean) => {
				busy.current = false;
				if (worked) setShown(address);
				if (wish.current !== address && !playhead.get().playing) fetchNext();
			};
			image.onload = () => settled(true);
			image.onerror = () => settled(false);
			image.src = address;
		};
		if (!busy.current) fetchNext();
	}, [productionId, revision, fingerprint, sceneId, moment, tried]);
	return shown;
}
