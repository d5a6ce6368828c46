import { useCallback, useEffect, useRef, useState } from "react";
import { useLocation, useParams } from "react-router";
import { sentence } from "../../shared/api/client";
import { clock } from "../../shared/time";
import { RunningHead } from "../../shared/ui/RunningHead";
import { useVoices } from "../../shared/voices/useVoices";
import { BriefPanel } from "./brief/BriefPanel";
import { LengthGauge } from "./brief/LengthGauge";
import { DeliverPanel } from "./deliver/DeliverPanel";
import { useChoices } from "./document/catalogue";
import { choose, complete, entitle, replaceAll, type SceneChange } from "./document/choosing";
import type { CueHandle } from "./document/cueHandle";
import { wordAtCaret } from "./document/cues";
import { type Choices, type ProductionDocument, withNewSpeakers } from "./document/document";
import { SettledContext } from "./document/FileLink";
import { type Levels, levelsIn, withLevels } from "./document/musicLevels";
import { cutScenes, insertScenes, type Paste, readPaste } from "./document/pasting";
import { playhead } from "./document/playhead";
import { selectedStretch } from "./document/selection";
import { heardOtherwise } from "./document/soundChoices";
import { pasteRows } from "./document/typing";
import { useProduction } from "./document/useProduction";
import { useScenes } from "./document/useScenes";
import { useScriptEditor } from "./document/useScriptEditor";
import { HistoryButtons } from "./HistoryButtons";
import { HostPanel } from "./host/HostPanel";
import { KeySheet } from "./KeySheet";
import { Notices, OpenedNotes } from "./Notices";
import type { Loop } from "./playing/proofPlayer";
import { usePlaying } from "./playing/usePlaying";
import { Revisions } from "./Revisions";
import { Ribbon } from "./ribbon/Ribbon";
import { PasteCard } from "./script/PasteCard";
import { ScriptPage } from "./script/ScriptPage";
import { SetPanel } from "./set/SetPanel";
import { SoundLevels } from "./sound/SoundLevels";
import { SoundPanel } from "./sound/SoundPanel";
import { Stage } from "./stage/Stage";
import { CaptionColumn } from "./titles/CaptionColumn";
import { TitlesPanel } from "./titles/TitlesPanel";
import { useBookKeys } from "./useBookKeys";
import { SayAsSheet } from "./voice/SayAsSheet";
import { TakesColumn } from "./voice/TakesColumn";
import { VoicePanel } from "./voice/VoicePanel";
import { useWritingDesk } from "./writing/useWritingDesk";

const TABS = ["Brief", "Voice", "Host", "Set", "Titles", "Sound", "Deliver"] as const;
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
	return (
		<SettledContext value={production.settled}>
			<OpenBook productionId={productionId} production={production} document={production.document} />
		</SettledContext>
	);
}

type OpenProps = {
	productionId: string;
	production: ReturnType<typeof useProduction>;
	document: ProductionDocument;
};

function OpenBook({ productionId, production, document }: OpenProps) {
	const asked = (useLocation().state as { tab?: Tab } | null)?.tab;
	const [tab, setTab] = useState<Tab>(asked ?? "Host");
	const [keysShown, setKeysShown] = useState(false);
	const [finding, setFinding] = useState(false);
	const voices = useVoices();
	const { revision, change, keeping, unsaved } = production;
	const { check, spoken, current, times, revisionOf, reading, problem, see } = useScenes(
		productionId,
		document,
		revision,
		unsaved,
	);
	const scenes = document.script.scenes;

	const choices = useChoices();
	const changed = (next: ProductionDocument, title: string) => {
		// two whole documents are compared: not at every key, but while something is heard
		const chosen = playhead.get().playing ? heardOtherwise(document, next, choices) : null;
		if (chosen) playing.hearOtherwise(chosen);
		else playing.stop();
		change({ document: next, title });
	};
	const [paste, setPaste] = useState<Paste | null>(null);
	const editor = useScriptEditor(document, production.title, changed, async (text, html) => {
		const voice = Object.values(document.cast)[0]?.voice;
		const read = await readPaste(text, html, voices.data?.find((v) => v.id === voice)?.language ?? "en");
		if (!read) pasteRows(editor.view, text);
		else if (read.by_length.length || read.by_paragraph.length) setPaste(read);
		else insertScenes(editor, read.scenes);
	});
	const putIn = (cuts: number[]) => {
		const [scene] = paste?.scenes ?? [];
		setPaste(null);
		if (scene && paste) insertScenes(editor, cuts.length ? cutScenes(scene, paste.pieces, cuts) : [scene]);
	};
	const edit = useCallback(
		(part: Partial<Choices>, own: SceneChange[] = [], field = "") => choose(editor, part, own, field),
		[editor],
	);
	const replaced = (theirs: Parameters<typeof production.takeTheirs>[0]) => {
		production.takeTheirs(theirs);
		replaceAll(editor, theirs.document, theirs.title);
	};

	const desk = useWritingDesk({ productionId, document, editor, current, open: tab === "Brief" });
	const cueHandle = useRef<CueHandle>(null);
	const hostOf = useCallback(
		(lineId: string) => {
			const line = scenes.flatMap((scene) => scene.blocks).find((block) => block.id === lineId);
			return document.cast[line?.speaker ?? ""]?.host ?? "maren";
		},
		[scenes, document.cast],
	);
	const loop = useCallback((): Loop | null => {
		const known = times.get(current);
		if (!known) return null;
		const stretch = selectedStretch(editor.state);
		const words = known.lines.flatMap((l) => l.words.map((w) => ({ ...w, line: l.id })));
		const first = words.find((w) => w.line === stretch?.from.lineId && w.to > stretch.from.offset);
		const last = words.findLast((w) => w.line === stretch?.to.lineId && w.offset < stretch.to.offset);
		const whole = !first || !last || last.end <= first.start;
		return whole
			? { sceneId: current, from: 0, to: known.duration - 0.05 }
			: { sceneId: current, from: Math.max(0, first.start - 0.05), to: last.end + 0.1 };
	}, [editor, times, current]);
	const playing = usePlaying({ productionId, revision, spoken, current, times, loop });
	const { toggle, speakFrom } = playing;
	const play = useCallback(
		(writing: boolean) => {
			const caret = writing && !playhead.get().playing && !playing.looping ? cueHandle.current?.caret() : null;
			if (caret && times.get(current)?.lines.some((line) => line.id === caret.lineId)) {
				speakFrom(caret.lineId, caret.offset);
			} else toggle();
		},
		[current, times, speakFrom, toggle, playing.looping],
	);
	const { setLooping } = playing;
	const [saying, setSaying] = useState<{ word: string; lineId: string } | null>(null);
	const sayAs = useCallback(() => {
		const word = wordAtCaret(editor.state);
		setSaying({ word: word?.text.replace(/['’]s?$/, "") ?? "", lineId: word?.lineId ?? "" });
	}, [editor]);
	const voiceOf = (lineId: string) => {
		const speaker = scenes.flatMap((scene) => scene.blocks).find((block) => block.id === lineId)?.speaker;
		return (document.cast[speaker ?? ""] ?? Object.values(document.cast)[0])?.voice ?? "";
	};
	useBookKeys({
		onCue: useCallback(() => cueHandle.current?.ask(), []),
		onPut: useCallback((kind: string) => cueHandle.current?.put(kind), []),
		onSayAs: sayAs,
		onPlay: play,
		onUndo: useCallback((redo: boolean) => (redo ? editor.commands.redo() : editor.commands.undo()), [editor]),
		onFind: useCallback(() => setFinding(true), []),
		onTab: useCallback((number: number) => setTab((now) => TABS[number - 1] ?? now), []),
		onFullScreen: useCallback(() => window.document.querySelector(".stage-box")?.requestFullscreen?.(), []),
		onLoop: useCallback(() => setLooping((on) => !on), [setLooping]),
	});

	useEffect(() => {
		const cast = check && withNewSpeakers(document, check.cast);
		if (cast) complete(editor, { cast });
	}, [editor, document, check]);
	useEffect(() => {
		if (asked === "Brief") window.document.querySelector<HTMLElement>(".brief textarea")?.focus();
	}, [asked]);

	const stageScene = useCallback((own: SceneChange, field: string) => edit({}, [own], field), [edit]);
	const readProblem = problem ? sentence(problem) : "";
	const small = tab === "Deliver" || tab === "Voice" || tab === "Brief" || tab === "Titles" || tab === "Sound";
	const counts: Partial<Record<Tab, number>> = {
		Brief: check?.advice.filter((a) => !a.settled).length ?? 0,
		Deliver: spoken.length ? (check?.findings.length ?? 0) : 0, // nothing is missing before anything was written
	};
	const panel = { document, current, change: edit };
	const onStage = current || (scenes[0]?.id ?? "");
	const sceneOnStage = scenes.find(({ id }) => id === onStage);
	const setLevels = (levels: Partial<Levels>) => {
		if (sceneOnStage) edit(...withLevels(sceneOnStage, levels), Object.keys(levels).join(" "));
	};
	const kept = keeping.state === "kept";

	return (
		<>
			<RunningHead>
				<input
					className="title-field"
					aria-label="Title of the production"
					value={production.title}
					onChange={(event) => entitle(editor, event.target.value)}
				/>
				<span className="quiet num head-time">
					{check && `${check.estimated ? "about " : ""}${clock(check.seconds)}`}
					{document.brief.target > 0 && ` of ${clock(document.brief.target)}`}
				</span>
				<button type="button" className="head-button for-keys" title="Ctrl+F" onClick={() => setFinding(true)}>
					Find
				</button>
				<button type="button" className="head-button for-keys" onClick={() => setKeysShown(true)}>
					Keys
				</button>
				<Revisions {...{ productionId, revision, document, keeping }} onRestored={replaced} />
				<HistoryButtons editor={editor} />
			</RunningHead>
			<div className="book">
				<ScriptPage
					editor={editor}
					check={check}
					times={times}
					reading={reading}
					hostOf={hostOf}
					cueHandle={cueHandle}
					advised={tab === "Brief"}
					captioned={tab === "Titles"}
					answers={desk.answers}
					target={document.brief.target}
					slip={paste ? <PasteCard paste={paste} onCut={putIn} onWhole={() => putIn([])} /> : desk.left}
					finding={finding}
					onFound={() => setFinding(false)}
					onTry={playing.tryCue}
					onSayAs={sayAs}
					onSpeakFrom={speakFrom}
				/>
				<div className="spine" aria-hidden="true" />
				<section className={`page face ${small ? "small" : ""} ${desk.right ? "whole" : ""}`} aria-label="Stage page">
					<Stage
						productionId={productionId}
						revision={current ? revisionOf(current) : revision}
						shape={document.shape}
						videoRef={playing.video}
						times={times.get(current)}
						sceneId={onStage}
						sceneNumber={scenes.findIndex((s) => s.id === onStage) + 1}
						small={small}
						problem={playing.problem || readProblem}
						hint={spoken.length ? "" : "Write a line, and it is said here."}
						reading={reading.size > 0 && !readProblem}
						beside={
							tab === "Brief" ? (
								<LengthGauge check={check} target={document.brief.target} onRework={desk.shorten} />
							) : (
								(tab === "Voice" && <TakesColumn productionId={productionId} editor={editor} kept={kept} />) ||
								(tab === "Titles" && <CaptionColumn editor={editor} times={times.get(current)} cues={cueHandle} />) ||
								(tab === "Sound" && <SoundLevels {...panel} />)
							)
						}
					/>
					<div className="panel" role="tabpanel" id="panel" aria-label={tab}>
						{desk.leaves}
						{desk.right ?? desk.panel}
						{tab === "Brief" && !desk.right && !desk.panel && (
							<BriefPanel {...panel} check={check} editor={editor} onShorten={desk.shorten} onQuicken={desk.quicken} />
						)}
						{tab === "Host" && <HostPanel {...panel} editor={editor} times={times.get(current)} />}
						{tab === "Voice" && (
							<VoicePanel
								{...panel}
								productionId={productionId}
								editor={editor}
								kept={kept}
								check={check}
								onHear={speakFrom}
								onSayAs={() => setSaying({ lineId: wordAtCaret(editor.state)?.lineId ?? "", word: "" })}
							/>
						)}
						{tab === "Set" && <SetPanel {...panel} {...{ editor, productionId, revision }} />}
						{tab === "Titles" && (
							<TitlesPanel {...panel} {...{ editor, productionId, kept }} times={times.get(current)} />
						)}
						{tab === "Sound" && <SoundPanel {...panel} {...{ productionId, editor }} />}
						{tab === "Deliver" && <DeliverPanel {...{ productionId, revision, document, check, kept, editor }} />}
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
							{Boolean(counts[name]) && <b className="count">{counts[name]}</b>}
						</button>
					))}
				</div>
			</div>
			<Ribbon
				script={document.script}
				check={check}
				times={times}
				cues={cueHandle}
				playing={playing}
				onSee={see}
				onStage={stageScene}
				levels={tab === "Sound" && sceneOnStage ? levelsIn(document, sceneOnStage) : null}
				onLevels={setLevels}
			/>
			{saying && (
				<SayAsSheet
					productionId={productionId}
					document={document}
					word={saying.word}
					voice={voiceOf(saying.lineId)}
					onChange={(say_as, field) => edit({ say_as }, [], field)}
					onClose={() => setSaying(null)}
				/>
			)}
			{desk.sheet}
			{keysShown && <KeySheet onClose={() => setKeysShown(false)} />}
			<OpenedNotes />
			<Notices
				keeping={keeping}
				document={document}
				onTryNow={production.save}
				onMine={production.takeMine}
				onTheirs={replaced}
			/>
		</>
	);
}
