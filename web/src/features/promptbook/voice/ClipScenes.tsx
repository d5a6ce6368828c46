import { useQueryClient } from "@tanstack/react-query";
import type { Editor } from "@tiptap/core";
import { useEffect, useRef, useState } from "react";
import { sentence } from "../../../shared/api/client";
import { JobProgress } from "../../../shared/jobs/JobProgress";
import { isWaiting, type Job, useJob } from "../../../shared/jobs/useJob";
import { ShelfChoice } from "../../../shared/shelf/ShelfChoice";
import { type ClipWords, clipWords, useHearClip, useThings } from "../../../shared/shelf/useShelf";
import { Choice, PlainButton } from "../../../shared/ui/controls";
import { addClipScene, type Tidy, tidyUp } from "../document/clips";
import type { Check } from "../document/useSceneTimes";

type Props = { editor: Editor; sceneId: string; check: Check | null };

const CLIPS = ["clip"];
const LANGUAGES = [
	["en", "English"],
	["es", "Spanish"],
	["fr", "French"],
	["it", "Italian"],
	["de", "German"],
	["pt", "Portuguese"],
	["nl", "Dutch"],
].map(([value = "", text = ""]) => ({ value, text }));

/** Clips whose words become a scene, and what could be cut from those that are there. */
export function ClipScenes({ editor, sceneId, check }: Props) {
	const [open, setOpen] = useState(false);
	const tidying = check?.tidying ?? [];
	return (
		<section className="clip-scenes" aria-label="Clips in which somebody speaks">
			<p className="say-as-way">
				<PlainButton small onClick={() => setOpen(!open)}>
					{open ? "Not now" : "A clip as a scene"}
				</PlainButton>
				<span className="small quiet">
					An interview, say: its words come into the script, and cutting them cuts it.
				</span>
			</p>
			{open && <ClipChoice editor={editor} sceneId={sceneId} onAdded={() => setOpen(false)} />}
			{tidying.length > 0 && <Tidying editor={editor} tidying={tidying} />}
		</section>
	);
}

/** A clip to choose; it is heard where it has not been yet, then its words are put into the script. */
function ClipChoice({ editor, sceneId, onAdded }: { editor: Editor; sceneId: string; onAdded: () => void }) {
	const things = useThings(CLIPS);
	const queries = useQueryClient();
	const hear = useHearClip();
	const [item, setItem] = useState("");
	const [language, setLanguage] = useState("en");
	const [text, setText] = useState("");
	const [started, setStarted] = useState<Job | null>(null);
	const [problem, setProblem] = useState("");
	const job = useJob(started).data;
	const added = useRef(false);
	const title = things.find((thing) => thing.item === item)?.title ?? "The clip";
	const add = (words: ClipWords) => {
		if (added.current || !words.heard) return;
		added.current = true;
		addClipScene(editor, sceneId, title, item, words.lines);
		onAdded();
	};
	const begin = async () => {
		setProblem("");
		try {
			const known = text.trim() ? null : await clipWords(item);
			if (known?.heard) return add(known);
			setStarted(await hear.mutateAsync({ item, language, text }));
		} catch (error) {
			setProblem(sentence(error as Error));
		}
	};
	useEffect(() => {
		if (job?.status !== "done") return;
		void queries.invalidateQueries({ queryKey: ["check"] });
		clipWords(item).then(add, (error) => setProblem(sentence(error)));
	});
	const waits = isWaiting(job);
	const needsText = language !== "en";
	return (
		<div className="clip-choice">
			<ShelfChoice
				label="Which clip"
				kinds={CLIPS}
				chosen={item ? [item] : []}
				onChoose={([one = ""]) => setItem(one)}
			/>
			{item && (
				<div className="clip-choice-row">
					<Choice label="Spoken in" value={language} options={LANGUAGES} onChange={setLanguage} />
					<PlainButton small disabled={waits || hear.isPending || (needsText && !text.trim())} onClick={begin}>
						Put its words into the script
					</PlainButton>
				</div>
			)}
			{item && needsText && (
				<label className="clip-choice-text">
					<span className="label">What is said, word for word</span>
					<textarea rows={3} value={text} onChange={(event) => setText(event.target.value)} />
					<span className="small quiet">Only English is heard by itself; these words are found in the clip.</span>
				</label>
			)}
			{job && <JobProgress job={job} label={`Hearing ${title}`} />}
			{problem && (
				<p role="alert" className="problem small">
					{problem}
				</p>
			)}
		</div>
	);
}

const KINDS: Record<Tidy["kind"], [string, string]> = {
	hesitation: ["hesitation", "hesitations"],
	restart: ["false start", "false starts"],
	pause: ["long pause", "long pauses"],
};

/** Hesitations, false starts and long pauses in clips: offered, never cut unasked. */
function Tidying({ editor, tidying }: { editor: Editor; tidying: readonly Tidy[] }) {
	const seconds = tidying.reduce((sum, one) => sum + one.seconds, 0);
	return (
		<div className="tidying">
			<p className="label">In clips there could go, {seconds.toFixed(1)} s in all</p>
			<p className="change-buttons">
				{(Object.keys(KINDS) as Tidy["kind"][]).map((kind) => {
					const these = tidying.filter((one) => one.kind === kind);
					if (!these.length) return null;
					const words = `${these.length} ${KINDS[kind][these.length === 1 ? 0 : 1]}`;
					return (
						<PlainButton small key={kind} onClick={() => tidyUp(editor, these)}>
							{kind === "pause" ? `Shorten ${words}` : `Cut ${words}`}
						</PlainButton>
					);
				})}
			</p>
			<ul>
				{tidying.slice(0, MOST_SHOWN).map((one) => (
					<li key={`${one.line} ${one.kind} ${one.start}`} className="small">
						<i className="serif">{one.kind === "pause" ? "…" : `“${one.text.trim().replace(/[,;]$/, "")}”`}</i>
						<span className="quiet num">
							{KINDS[one.kind][0]}, {one.seconds.toFixed(1)} s
						</span>
						<button type="button" className="link" onClick={() => tidyUp(editor, [one])}>
							{one.kind === "pause" ? "Shorten" : "Cut"}
						</button>
					</li>
				))}
			</ul>
			{tidying.length > MOST_SHOWN && <p className="small quiet num">and {tidying.length - MOST_SHOWN} more</p>}
		</div>
	);
}

const MOST_SHOWN = 12;
