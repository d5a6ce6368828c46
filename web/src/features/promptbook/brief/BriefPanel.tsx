import type { Editor } from "@tiptap/core";
import { Fragment, type KeyboardEvent, useEffect, useRef, useState } from "react";
import { parseLength, shownLength } from "../../../shared/time";
import { Tick } from "../../../shared/ui/controls";
import { FileInput } from "../../../shared/ui/FileInput";
import { Icon } from "../../../shared/ui/icons";
import type { Brief } from "../document/document";
import { type PanelProps, sceneAt } from "../document/panel";
import { showPlace } from "../document/places";
import { type Advice, numbered } from "../document/useNotes";
import type { Check } from "../document/useSceneTimes";
import { DirectionCues } from "../writing/DirectionCues";
import { DocumentPoints, DocumentProblem, useDocumentPoints } from "../writing/DocumentPoints";
import { OpenPlaces, openPlaces } from "../writing/OpenPlaces";
import { LengthWays } from "./LengthWays";

type Props = PanelProps & {
	check: Check | null;
	editor: Editor;
	/** Rework the script to so many seconds. */
	onShorten: (seconds: number) => void;
	/** Have every voice speak so many times as quickly. */
	onQuicken: (times: number) => void;
};

/** What the production is for, and what in the script does not serve it yet. */
export function BriefPanel({ document, current, check, editor, change, onShorten, onQuicken }: Props) {
	const { brief } = document;
	const { scene, number } = sceneAt(document, current);
	const several = document.script.scenes.length > 1;
	const set = (part: Partial<Brief>) => change({ brief: { ...brief, ...part } }, [], Object.keys(part)[0] ?? "");
	const text = (
		name: "topic" | "audience" | "purpose" | "channel" | "tone" | "call_to_action" | "own_words" | "sample",
	) => ({
		value: brief[name],
		note: noteOn(check, name),
		onChange: (value: string) => set({ [name]: value }),
	});
	return (
		<div className="panel-grid brief">
			<div>
				<Answer label="About" hint="what it is, in a few words" {...text("topic")} />
				<Answer label="For" hint="who watches it" {...text("audience")} />
				<Answer label="They should" hint="know or do what, afterwards" {...text("purpose")} />
				<Points points={brief.points} check={check} onChange={(points) => set({ points })} />
				<FromDocument onTake={(points) => set({ points: [...brief.points.filter((one) => one.trim()), ...points] })} />
				<Answer label="Call to action" hint="what you ask of them" {...text("call_to_action")} />
				<Answer label="Shown" hint="where it will run" {...text("channel")} />
				<Length
					label="Length"
					target={brief.target}
					note={noteOn(check, "target")}
					onChange={(target) => set({ target })}
				/>
				{scene && several && (
					<Length
						key={scene.id}
						label={`Scene ${number}`}
						target={scene.staging.target ?? 0}
						onChange={(target) =>
							change({}, [{ sceneId: scene.id, staging: { target: target || null } }], `target ${scene.id}`)
						}
					/>
				)}
				<Answer label="Tone" hint="dry, warm, brisk" {...text("tone")} />
				<Answer label="Sounds like" hint="a text of your own, to write like it" serif {...text("sample")} />
				<Answer label="Their words" hint="what they say about it themselves" serif {...text("own_words")} />
				{brief.own_words.trim() && (
					<div className="may-quote">
						<Tick
							label="They may be quoted word for word"
							checked={brief.may_quote}
							onChange={(may_quote) => set({ may_quote })}
						/>
					</div>
				)}
			</div>
			<div>
				<LengthWays ways={check?.ways ?? []} onRework={onShorten} onQuicker={onQuicken} />
				<ToFillIn editor={editor} check={check} />
				<DirectionCues editor={editor} check={check} />
				<Findings check={check} onShow={(advice) => showPlace(editor, advice.at)} />
			</div>
		</div>
	);
}

/** Points taken from a document. */
function FromDocument({ onTake }: { onTake: (points: string[]) => void }) {
	const read = useDocumentPoints();
	const files = useRef<HTMLInputElement>(null);
	return (
		<div className="from-document small">
			<button type="button" className="link" disabled={read.isPending} onClick={() => files.current?.click()}>
				{read.isPending ? "Reading the document…" : "Points from a document"}
			</button>
			<FileInput
				input={files}
				label="Document to take points from"
				accept=".html,.htm,.docx,.pdf,.md,.txt,.srt,.vtt,text/plain,text/html"
				onFile={(file) => read.mutate(file)}
			/>
			<DocumentProblem error={read.error} />
			{read.data && (
				<DocumentPoints
					found={read.data}
					onTake={(points) => {
						onTake(points);
						read.reset();
					}}
					onClose={read.reset}
				/>
			)}
		</div>
	);
}

/** How many places of the script are open, and all of them in one go. */
function ToFillIn({ editor, check }: { editor: Editor; check: Check | null }) {
	const [shown, setShown] = useState(false);
	const count = openPlaces(editor, check).length;
	if (!count) return null;
	return (
		<p className="to-fill-in small">
			<b className="num">{count}</b> {count === 1 ? "place is" : "places are"} open in the script.{" "}
			<button type="button" className="link" onClick={() => setShown(true)}>
				Fill {count === 1 ? "it" : "them"} in
			</button>
			{shown && <OpenPlaces editor={editor} check={check} onClose={() => setShown(false)} />}
		</p>
	);
}

/** What must be said, a point a row: Enter makes another, Backspace in an empty one takes it off. */
function Points(props: { points: string[]; check: Check | null; onChange: (points: string[]) => void }) {
	const { points, check, onChange } = props;
	const rows = useRef<HTMLFieldSetElement>(null);
	const shown = points.length ? points : [""];
	const goTo = (row: number) =>
		requestAnimationFrame(() => rows.current?.querySelectorAll("textarea")[Math.max(0, row)]?.focus());
	const keys = (event: KeyboardEvent, row: number) => {
		if (event.code === "Enter") {
			onChange(shown.toSpliced(row + 1, 0, ""));
			goTo(row + 1);
		} else if (event.code === "Backspace" && !shown[row] && shown.length > 1) {
			onChange(shown.toSpliced(row, 1));
			goTo(row - 1);
		} else return;
		event.preventDefault();
	};
	return (
		<fieldset className="answer points" ref={rows}>
			<legend className="unseen">What must be said</legend>
			<span>Must be said</span>
			<div>
				{shown.map((point, row) => (
					// biome-ignore lint/suspicious/noArrayIndexKey: a point has no other name than its row
					<Fragment key={row}>
						<textarea
							rows={1}
							aria-label={`Point ${row + 1}`}
							value={point}
							placeholder="a point; Enter for another"
							onChange={(event) => onChange(shown.with(row, event.target.value.replaceAll("\n", " ")))}
							onKeyDown={(event) => keys(event, row)}
						/>
						<Note text={point && noteOn(check, "points", row)} />
					</Fragment>
				))}
			</div>
		</fieldset>
	);
}

/** What is wrong with an answer, or "". */
function noteOn(check: Check | null, field: string, index = 0): string {
	return check?.brief.find((note) => note.field === field && note.index === index)?.message ?? "";
}

function Note({ text }: { text: string }) {
	return text ? <em className="brief-note">{text}</em> : null;
}

type AnswerProps = {
	note: string;
	label: string;
	hint: string;
	value: string;
	onChange: (value: string) => void;
	serif?: boolean;
};

function Answer({ label, hint, value, note, onChange, serif }: AnswerProps) {
	return (
		<label className="answer">
			<span>{label}</span>
			<textarea
				rows={1}
				value={value}
				placeholder={hint}
				className={serif ? "serif" : ""}
				onChange={(event) => onChange(event.target.value)}
			/>
			<Note text={note} />
		</label>
	);
}

/** A length as "3:00" or "60 s"; kept once it can be read as one. */
function Length(props: { label: string; target: number; note?: string; onChange: (seconds: number) => void }) {
	const { label, target, note = "", onChange } = props;
	const [text, setText] = useState(shownLength(target));
	const wrong = parseLength(text) === null;
	useEffect(() => setText((now) => (parseLength(now) === target ? now : shownLength(target))), [target]);
	return (
		<label className="answer">
			<span>{label}</span>
			<span>
				<input
					value={text}
					placeholder="3:00 or 60 s, at most"
					aria-invalid={wrong}
					onChange={(event) => {
						setText(event.target.value);
						const seconds = parseLength(event.target.value);
						if (seconds !== null) onChange(seconds);
					}}
				/>
				{wrong && <em className="problem small">Write minutes and seconds, as 3:00, or seconds, as 60 s.</em>}
				{!wrong && <Note text={note} />}
			</span>
		</label>
	);
}

function Findings({ check, onShow }: { check: Check | null; onShow: (advice: Advice) => void }) {
	const found = numbered(check);
	const open = found.filter(({ advice }) => !advice.settled).length;
	const ease = check?.readability;
	return (
		<div className="findings">
			<div className="findings-head">
				<h3 className="panel-title">Findings</h3>
				<span className="small quiet num">{check && `${open} open, ${found.length - open} settled`}</span>
			</div>
			{ease && (
				<p className="small quiet num">
					Reads {ease.words}: ease {Math.min(100, Math.max(0, Math.round(ease.ease)))} of 100, school year{" "}
					{Math.max(1, Math.round(ease.grade))}.
				</p>
			)}
			<ol>
				{found.map(({ advice, number }) => (
					<li key={`${advice.kind}${advice.title}`} className={advice.settled ? "settled" : ""}>
						<b className="num">{advice.settled ? <Icon name="tick" /> : number}</b>
						<div>
							<strong>{advice.title}</strong>
							<p className="small quiet">{advice.detail}</p>
						</div>
						{advice.at && (
							<button
								type="button"
								className="link small"
								onClick={() => onShow(advice)}
								aria-label={`Show the line: ${advice.title}`}
							>
								Show
							</button>
						)}
					</li>
				))}
			</ol>
			{check && found.length === 0 && (
				<p className="small quiet">Write a few lines, and what must be said; what is missing will stand here.</p>
			)}
		</div>
	);
}
