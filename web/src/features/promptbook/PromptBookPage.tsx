import { useCallback, useEffect, useMemo, useRef, useState } from "react";
import { useParams } from "react-router";
import { sentence } from "../../shared/api/client";
import { clock } from "../../shared/time";
import { RunningHead } from "../../shared/ui/RunningHead";
import { type ProductionDocument, type Script, withFullCast } from "./document";
import { KeySheet } from "./KeySheet";
import { Notices } from "./Notices";
import { playhead, usePlayhead } from "./playhead";
import { Revisions } from "./Revisions";
import { nextRegion } from "./regions";
import { Ribbon } from "./ribbon/Ribbon";
import type { CueHandle } from "./script/Cues";
import { ScriptPage } from "./script/ScriptPage";
import { ProofPlayer } from "./stage/proofPlayer";
import { Stage } from "./stage/Stage";
import { DeliverPanel } from "./tabs/DeliverPanel";
import { HostPanel, SetPanel, useHosts, useVoices, VoicePanel } from "./tabs/panels";
import { useProduction } from "./useProduction";
import { type SceneTimes, useCheck, useSceneTimes } from "./useSceneTimes";

const TABS = ["Voice", "Host", "Set", "Deliver"] as const;
type Tab = (typeof TABS)[number];

export function PromptBookPage() {
	const { productionId = "" } = useParams();
	return <PromptBook key={productionId} productionId={productionId} />;
}

function PromptBook({ productionId }: { productionId: string }) {
	const production = useProduction(productionId);
	if (production.loaded.isError) {
		return (
			<>
				<RunningHead />
				<p className="waiting" role="alert">
					{sentence(production.loaded.error)} Go back to the Desk and try again.
				</p>
			</>
		);
	}
	if (!production.document) return <p className="waiting">Opening the prompt book…</p>;
	return <OpenBook productionId={productionId} production={production} document={production.document} />;
}

type OpenProps = {
	productionId: string;
	production: ReturnType<typeof useProduction>;
	document: ProductionDocument;
};

function OpenBook({ productionId, production, document }: OpenProps) {
	const [tab, setTab] = useState<Tab>("Host");
	const [generation, setGeneration] = useState(0);
	const [problem, setProblem] = useState("");
	const [keysShown, setKeysShown] = useState(false);
	const hosts = useHosts();
	const voices = useVoices();
	const { revision, change, keeping } = production;
	const check = useCheck(productionId, document, revision).data ?? null;

	const scenes = document.script.scenes;
	const spoken = useMemo(
		() => scenes.filter((s) => check?.scenes.some((c) => c.id === s.id && c.words > 0)).map((s) => s.id),
		[scenes, check],
	);
	const sceneId = usePlayhead((p) => p.sceneId);
	const current = spoken.includes(sceneId) ? sceneId : (spoken[0] ?? "");
	useEffect(() => {
		if (current && playhead.get().sceneId !== current) playhead.set({ sceneId: current, at: 0, playing: false });
	}, [current]);
	useEffect(() => () => playhead.set({ sceneId: "", at: 0, playing: false }), []);

	const asked = useMemo(() => {
		const next = spoken[spoken.indexOf(current) + 1];
		return current ? [current, ...(next ? [next] : [])] : [];
	}, [current, spoken]);
	const answers = useSceneTimes(productionId, asked, revision);
	const times = useMemo(() => {
		const known = new Map<string, SceneTimes>();
		answers.forEach((answer, i) => {
			if (answer.data && asked[i]) known.set(asked[i], answer.data);
		});
		return known;
	}, [answers, asked]);
	const first = answers[0];
	const fresh = first !== undefined && !first.isPlaceholderData && !first.isFetching && production.unsaved === 0;
	const reading = useMemo(() => new Set(fresh || !current ? [] : [current]), [fresh, current]);

	const cueHandle = useRef<CueHandle>(null);
	const hostOf = useCallback(
		(lineId: string) => {
			const line = scenes.flatMap((scene) => scene.blocks).find((block) => block.id === lineId);
			return document.cast[line?.speaker ?? ""]?.host ?? "maren";
		},
		[scenes, document.cast],
	);

	const video = useRef<HTMLVideoElement>(null);
	const player = useRef<ProofPlayer>(null);
	const play = useCallback(
		(scene: string, at: number) => {
			if (!scene) return;
			setProblem("");
			const address = `/pictures/${productionId}/${scene}/proof.mp4?at=${at.toFixed(3)}&r=${revision}`;
			player.current?.play(address, scene, at);
		},
		[productionId, revision],
	);
	const advance = useRef<(scene: string) => void>(() => {});
	advance.current = (scene) => {
		const next = spoken[spoken.indexOf(scene) + 1];
		if (next) play(next, 0);
		else playhead.set({ playing: false });
	};
	useEffect(() => {
		if (!video.current) return;
		player.current = new ProofPlayer(video.current, (scene) => advance.current(scene), setProblem);
		return () => player.current?.stop();
	}, []);
	const stop = useCallback(() => {
		if (playhead.get().playing) player.current?.stop();
	}, []);
	const toggle = useCallback(() => {
		const { playing, at } = playhead.get();
		if (playing) return stop();
		const duration = times.get(current)?.duration ?? 0;
		play(current, at >= duration - 0.3 ? 0 : at);
	}, [current, play, stop, times]);

	const speakFrom = useCallback(
		(lineId: string, offset: number) => {
			for (const [scene, known] of times) {
				const line = known.lines.find((l) => l.id === lineId);
				const word = line?.words.find((w) => w.to > offset);
				if (word) return play(scene, Math.max(0, word.start - 0.05));
			}
		},
		[times, play],
	);

	useEffect(() => {
		const keys = (event: KeyboardEvent) => {
			if (event.code === "F6") {
				event.preventDefault();
				nextRegion(event.shiftKey ? -1 : 1);
			}
			if (event.altKey && event.code === "KeyQ") {
				event.preventDefault();
				cueHandle.current?.ask();
			}
			const typing = (event.target as HTMLElement).closest(
				"[contenteditable=true], input, select, textarea, button, [role=slider]",
			);
			if ((event.altKey && event.code === "Enter") || (event.code === "Space" && !typing)) {
				event.preventDefault();
				const writing = (event.target as HTMLElement).closest(".script") && !playhead.get().playing;
				const caret = writing ? cueHandle.current?.caret() : null;
				if (caret && times.get(current)?.lines.some((line) => line.id === caret.lineId)) {
					speakFrom(caret.lineId, caret.offset);
				} else toggle();
			}
			const number = event.altKey && event.shiftKey ? Number(event.code.replace("Digit", "")) : 0;
			const wanted = TABS[number - 1];
			if (wanted) {
				event.preventDefault();
				setTab(wanted);
			}
		};
		window.addEventListener("keydown", keys);
		return () => window.removeEventListener("keydown", keys);
	}, [toggle, speakFrom, times, current]);

	const edit = useCallback(
		(part: Partial<ProductionDocument>) => {
			stop();
			change({ document: withFullCast({ ...document, ...part }, hosts.data ?? [], voices.data ?? []) });
		},
		[change, document, hosts.data, voices.data, stop],
	);
	const replaced = () => setGeneration((g) => g + 1);
	const before = spoken
		.slice(0, Math.max(0, spoken.indexOf(current)))
		.reduce((sum, id) => sum + (check?.scenes.find((c) => c.id === id)?.seconds ?? 0), 0);
	// a scene that is not kept yet cannot be read yet
	const readProblem = first?.isError && production.unsaved === 0 ? sentence(first.error) : "";
	const small = tab === "Deliver" || tab === "Voice";

	return (
		<>
			<RunningHead>
				<input
					className="title-field"
					aria-label="Title of the production"
					value={production.title}
					onChange={(event) => change({ title: event.target.value })}
				/>
				<span className="quiet num head-time">
					{check && `${check.estimated ? "about " : ""}${clock(check.seconds)}`}
				</span>
				<button type="button" className="head-button" onClick={() => setKeysShown(true)}>
					Keys
				</button>
				<Revisions
					productionId={productionId}
					revision={revision}
					keeping={keeping}
					onRestored={(restored) => {
						production.takeTheirs(restored);
						replaced();
					}}
				/>
			</RunningHead>
			<div className="book">
				<ScriptPage
					script={document.script}
					generation={generation}
					check={check}
					times={times}
					reading={reading}
					hostOf={hostOf}
					cueHandle={cueHandle}
					onSpeakFrom={speakFrom}
					onChange={(script: Script) => edit({ script })}
				/>
				<div className="spine" aria-hidden="true" />
				<section className={`page face ${small ? "small" : ""}`} aria-label="Stage page">
					<Stage
						productionId={productionId}
						revision={revision}
						shape={document.shape}
						videoRef={video}
						times={times.get(current)}
						sceneNumber={scenes.findIndex((s) => s.id === current) + 1}
						small={small}
						problem={problem || readProblem || (spoken.length ? "" : "Write a line, and the host will say it here.")}
						reading={reading.size > 0 && !readProblem}
					/>
					<div className="panel" role="tabpanel" id="panel" aria-label={tab}>
						{tab === "Host" && <HostPanel document={document} change={edit} />}
						{tab === "Voice" && <VoicePanel document={document} change={edit} />}
						{tab === "Set" && <SetPanel document={document} change={edit} />}
						{tab === "Deliver" && (
							<DeliverPanel
								productionId={productionId}
								document={document}
								check={check}
								kept={keeping.state === "kept"}
							/>
						)}
					</div>
				</section>
				<div className="tabs" role="tablist" aria-label="Index tabs" aria-orientation="vertical">
					{TABS.map((name) => (
						<button
							type="button"
							key={name}
							role="tab"
							aria-selected={tab === name}
							aria-controls="panel"
							className={`tab ${tab === name ? "on" : ""}`}
							onClick={() => setTab(name)}
						>
							<span>{name}</span>
							{name === "Deliver" && (check?.findings.length ?? 0) > 0 && (
								<b className="count">{check?.findings.length}</b>
							)}
						</button>
					))}
				</div>
			</div>
			<Ribbon
				scenes={scenes}
				check={check}
				times={times.get(current)}
				before={before}
				total={check?.seconds ?? 0}
				estimated={check?.estimated ?? true}
				cues={cueHandle}
				script={document.script}
				onPlay={toggle}
				onStop={stop}
				onScene={(id) => {
					stop();
					playhead.set({ sceneId: id, at: 0 });
				}}
			/>
			{keysShown && <KeySheet onClose={() => setKeysShown(false)} />}
			<Notices
				keeping={keeping}
				document={document}
				onTryNow={production.save}
				onMine={production.takeMine}
				onTheirs={(theirs) => {
					production.takeTheirs(theirs);
					replaced();
				}}
			/>
		</>
	);
}
