import type { Editor } from "@tiptap/core";
import { useEffect, useState } from "react";
import { sentence } from "../../../shared/api/client";
import { listen, useListening } from "../../../shared/sound/listening";
import { PlainButton, WordChoice } from "../../../shared/ui/controls";
import { Scale } from "../../../shared/ui/Scale";
import { useVoices } from "../../../shared/voices/useVoices";
import { useCueKinds } from "../document/cueKinds";
import type { CueValues } from "../document/cues";
import { shownName } from "../document/document";
import { FileLink } from "../document/FileLink";
import { type CaretLine, setLineCues } from "./lineAtCaret";
import { Melody } from "./Melody";
import { type Heard, useHeard } from "./useTakes";

type Props = {
	productionId: string;
	editor: Editor;
	line: CaretLine;
	kept: boolean;
	onHear: (lineId: string, offset: number) => void;
};

/** Where a scale ends, in words. */
const ENDS: Record<string, [string, string]> = {
	strength: ["a little", "very"],
	pace: ["slower", "quicker"],
	pitch: ["lower", "higher"],
	level: ["softer", "louder"],
	steadiness: ["lively", "even"],
};
const WIDE = 556;
/** Engines whose voices take a while to read a line. */
const SLOW = ["full", "made", "matched"];

/** The line at the caret: how it goes, and how it is said, by a cue that holds for all of it. */
export function LineDelivery({ productionId, editor, line, kept, onHear }: Props) {
	const kind = useCueKinds().find((k) => k.name === "delivery");
	const heard = useHeard(productionId, line, kept);
	const voices = useVoices().data;
	const named = (id: string | undefined) => voices?.find((voice) => voice.id === id)?.name;
	const heardNow = useListening((now) => now.key === `line ${line.id}`);
	const trouble = useListening((now) => now.problem);
	const speaks = line.recording ? "" : named(heard.data?.voice);
	const standIn = heard.data?.stand_in;
	const hearAlone = useWhenKept(kept, () => listen(`line ${line.id}`, alone(productionId, line.id)));
	// what takes long to read is heard while it is read: in its scene it would come only then
	const isRead = kept && heard.data !== undefined && !heard.isPlaceholderData;
	const engine = voices?.find((voice) => voice.id === heard.data?.voice)?.engine ?? "";
	const hear = () => (standIn || (!isRead && SLOW.includes(engine)) || heardNow ? hearAlone() : onHear(line.id, 0));
	if (!kind) return null;
	const value = (name: string, usual: number | string) => line.delivery?.parameters[name] ?? usual;
	const set = (part: CueValues, field: string) =>
		setLineCues(editor, line.id, { delivery: { ...line.delivery?.parameters, ...part } }, field);
	const parameter = (name: string) => kind.parameters.find((p) => p.name === name);
	const choices = [parameter("manner"), parameter("ending"), parameter("effect")].filter((p) => p !== undefined);
	const changed = line.delivery ?? line.recording;
	return (
		<section className="line-delivery" aria-label="This line">
			<h3 className="panel-title">
				{shownName(line.speaker) || "The speaker"}, scene {line.scene}, line {line.number}
				{heard.data && (
					<span className="small quiet num">
						{heard.data.seconds.toFixed(1)} s, {heard.data.pace} words a minute
						{speaks && `, spoken by ${speaks}`}
					</span>
				)}
			</h3>
			{heard.data && !heard.error && <Melody editor={editor} line={line} heard={heard.data} width={WIDE} />}
			<Spoken heard={heard.data} />
			{heard.error && (
				<p role="alert" className="problem small">
					{sentence(heard.error)}
				</p>
			)}
			<div className="delivery-fields">
				<div>
					{choices.map((choice) => (
						<WordChoice
							key={choice.name}
							label={choice.label}
							value={String(value(choice.name, choice.default))}
							options={choice.choices.map((word) => ({
								value: word,
								text: word === "written" ? "as written" : word.replace("-", " "),
							}))}
							onChange={(word) => set({ [choice.name]: word }, "")}
						/>
					))}
					<LastsField
						key={line.id}
						lasts={Number(value("lasts", 0))}
						longest={parameter("lasts")?.high ?? 0}
						seconds={heard.isPlaceholderData ? undefined : heard.data?.seconds}
						onChange={(lasts) => set({ lasts }, `lasts ${line.id}`)}
					/>
					<div className="change-buttons">
						<PlainButton small onClick={hear}>
							{heardNow ? "Stop" : "Hear the line"}
						</PlainButton>
						{changed && (
							<PlainButton small onClick={() => setLineCues(editor, line.id, { delivery: null, recording: null })}>
								{line.recording ? "The voice instead" : "As it comes"}
							</PlainButton>
						)}
						<FileLink
							className="text-button small"
							address={`/api/productions/${productionId}/file/script.ssml?line=${line.id}`}
						>
							SSML
						</FileLink>
					</div>
					{standIn && (
						<p className="small quiet">
							Heard at once, spoken by {named(standIn)}. When it plays and in the film {speaks ?? "its own voice"}{" "}
							speaks.
						</p>
					)}
					{trouble && (
						<p role="alert" className="problem small">
							{trouble}
						</p>
					)}
				</div>
				<div>
					{kind.parameters
						.filter((p) => p.name in ENDS)
						.map((scale) => (
							<Scale
								key={scale.name}
								label={scale.label}
								low={scale.low}
								high={scale.high}
								step={scale.name === "pitch" || scale.name === "level" ? 0.5 : 0.05}
								ends={ENDS[scale.name] ?? ["", ""]}
								value={Number(value(scale.name, scale.default))}
								onChange={(number) => set({ [scale.name]: number }, `${scale.name} ${line.id}`)}
							/>
						))}
				</div>
			</div>
		</section>
	);
}

/** Does something at once where the text is kept, else as soon as it is: the server knows it as it was before. */
function useWhenKept(kept: boolean, act: () => void): () => void {
	const [waiting, setWaiting] = useState(false);
	useEffect(() => {
		if (!waiting || !kept) return;
		setWaiting(false);
		act();
	});
	return () => setWaiting(true);
}

/** Where a line is heard by itself, as it is kept. */
const alone = (productionId: string, lineId: string) => `/api/productions/${productionId}/lines/${lineId}/sound.wav`;

type LastsProps = {
	lasts: number;
	longest: number;
	/** How long the line is as it is said now. */
	seconds: number | undefined;
	onChange: (lasts: number) => void;
};

/** How long the line is to last, to a hundredth of a second; nothing for as long as it comes. */
function LastsField({ lasts, longest, seconds, onChange }: LastsProps) {
	const [typed, setTyped] = useState("");
	// what was typed stands as long as it says what is chosen: an undo shows at once
	const shown = secondsOf(typed) === lasts ? typed : lasts ? String(lasts) : "";
	const choose = (text: string) => {
		const wanted = secondsOf(text);
		setTyped(text);
		if (Number.isFinite(wanted) && wanted >= 0 && wanted <= longest && wanted !== lasts) onChange(wanted);
	};
	const missed = lasts > 0 && seconds !== undefined && seconds > lasts + 0.02;
	return (
		<p className="tail-field">
			<label>
				<span className="label">Lasts exactly</span>
				<input
					inputMode="decimal"
					value={shown}
					placeholder="as it comes"
					size={9}
					onChange={(event) => choose(event.target.value)}
				/>
			</label>{" "}
			s{missed && <span className="problem small"> It cannot be said in less than {seconds.toFixed(1)} s.</span>}
		</p>
	);
}

function secondsOf(text: string): number {
	return text.trim() === "" ? 0 : Number(text.replace(",", "."));
}

/** Numbers, dates and names that are said otherwise than they are written. */
function Spoken({ heard }: { heard: Heard | undefined }) {
	const words = heard?.words.filter((word) => word.spoken) ?? [];
	if (!words.length) return null;
	return (
		<p className="small spoken">
			<span className="quiet">Spoken: </span>
			{words.map((word, index) => (
				<span key={word.offset}>
					{index > 0 && "; "}
					<b className="serif">{word.text}</b> as “{word.spoken}”
				</span>
			))}
		</p>
	);
}
