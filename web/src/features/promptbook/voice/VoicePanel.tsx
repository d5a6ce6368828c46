import type { Editor } from "@tiptap/core";
import { useState } from "react";
import { PlainButton } from "../../../shared/ui/controls";
import { Scale } from "../../../shared/ui/Scale";
import { pitchWord } from "../../../shared/voices/finding";
import { useVoices } from "../../../shared/voices/useVoices";
import { useCueKinds } from "../document/cueKinds";
import { type ProductionDocument, shownName, speakersOf } from "../document/document";
import { EverywhereChoice } from "../document/EverywhereChoice";
import { type PanelProps, recast } from "../document/panel";
import { useProposal } from "../document/useProposal";
import type { Check } from "../document/useSceneTimes";
import { ClipScenes } from "./ClipScenes";
import { LineDelivery } from "./LineDelivery";
import { LineInClip } from "./LineInClip";
import { useLineAtCaret } from "./lineAtCaret";
import { useSayAsReport } from "./SayAsSheet";
import { VoiceSheet } from "./VoiceSheet";
import { WholeRecording } from "./WholeRecording";

type Props = PanelProps & {
	productionId: string;
	editor: Editor;
	/** Everything is kept: the server knows the line as it stands. */
	kept: boolean;
	onHear: (lineId: string, offset: number) => void;
	/** Open the say-as list. */
	onSayAs: () => void;
	check: Check | null;
};

/** How the line at hand is said, and which voice each speaker has. */
export function VoicePanel({ productionId, document, current, change, editor, kept, onHear, onSayAs, check }: Props) {
	const line = useLineAtCaret(editor);
	const voices = useVoices();
	const { propose, list } = useProposal(change);
	const [sheet, setSheet] = useState(NOBODY);
	const sayings = document.say_as ?? [];
	// asked once the text is kept, not at every key
	const unknown = useSayAsReport(document, kept).data?.names.length ?? 0;
	const speakers = speakersOf(document.script);
	const effects = useCueKinds()
		.find((kind) => kind.name === "delivery")
		?.parameters.find((parameter) => parameter.name === "effect")?.choices;
	/** Another voice or effect for a speaker, or for all; what is read anew is shown first when it is much. */
	const give = (whose: readonly string[], part: { voice?: string; effect?: string }) => {
		const name = whose.length > 1 ? "Everybody" : shownName(whose[0] ?? "") || "The speaker";
		const voice = voices.data?.find((v) => v.id === part.voice)?.name;
		const says = voice ? `${name} speaks with ${voice}` : `${name} sounds otherwise: ${part.effect?.replace("-", " ")}`;
		const rows = rowsOf(document, whose);
		const cast = recast(document, whose, part);
		if (rows.length > 1) propose({ says, rows, part: cast, own: [] });
		else change(cast);
	};
	if (list) return list;
	return (
		<div className="voice-panel">
			{line?.clip ? (
				<LineInClip {...{ editor, line, onHear }} />
			) : line ? (
				<LineDelivery {...{ productionId, editor, line, kept, onHear }} />
			) : (
				<p className="small quiet">Put the caret in a line to say how it is said, and to keep takes of it.</p>
			)}
			<p className="say-as-way">
				<PlainButton small onClick={onSayAs}>
					Say-as list
				</PlainButton>
				<span className="small quiet num">
					{sayings.length} {sayings.length === 1 ? "word" : "words"}
					{unknown > 0 && `; ${unknown} ${unknown === 1 ? "name is" : "names are"} in no dictionary`}
				</span>
			</p>
			<WholeRecording productionId={productionId} editor={editor} sceneId={current} kept={kept} />
			<ClipScenes editor={editor} sceneId={current} check={check} />
			<div className="voice-rows">
				{speakers.map((speaker) => {
					const voice = voices.data?.find((v) => v.id === document.cast[speaker]?.voice);
					const name = shownName(speaker) || "The speaker";
					return (
						<div key={speaker} className="voice-row">
							<p className="label">{name} speaks with</p>
							<p className="voice-with">
								<b className="voice-name">{voice?.name ?? "…"}</b>
								<PlainButton small onClick={() => setSheet(speaker)} label={`Another voice for ${name}`}>
									Another voice
								</PlainButton>
								{effects && (
									<select
										className="voice-effect"
										aria-label={`Effect on the voice of ${name}`}
										value={document.cast[speaker]?.effect ?? "none"}
										onChange={(event) => give([speaker], { effect: event.target.value })}
									>
										{effects.map((effect) => (
											<option key={effect} value={effect}>
												{effect === "none" ? "no effect" : effect.replace("-", " ")}
											</option>
										))}
									</select>
								)}
							</p>
							<Scale
								label="Pace"
								whose={name}
								low={0.85}
								high={1.15}
								step={0.01}
								value={document.cast[speaker]?.pace ?? 1}
								ends={["slower", "quicker"]}
								onChange={(pace) => change(recast(document, [speaker], { pace }), [], `pace ${speaker}`)}
							/>
							<p className="small quiet">
								{voice && `${voice.description}; ${voice.language_name}, ${pitchWord(voice.pitch)}`}
							</p>
							{sheet === speaker && voices.data && (
								<VoiceSheet
									speaker={name}
									sentence={firstSentence(document, speaker)}
									voices={voices.data}
									chosen={voice?.id ?? ""}
									onChoose={(id) => {
										setSheet(NOBODY);
										give([speaker], { voice: id });
									}}
									onClose={() => setSheet(NOBODY)}
								/>
							)}
						</div>
					);
				})}
				{speakers.length > 1 && (
					<p>
						<PlainButton small onClick={() => setSheet(EVERYBODY)}>
							One voice for everybody
						</PlainButton>
					</p>
				)}
				{sheet === EVERYBODY && voices.data && (
					<VoiceSheet
						speaker="everybody"
						sentence={firstSentence(document, speakers[0] ?? "")}
						voices={voices.data}
						chosen=""
						onChoose={(id) => {
							setSheet(NOBODY);
							give(speakers, { voice: id });
						}}
						onClose={() => setSheet(NOBODY)}
					/>
				)}
			</div>
			<EverywhereChoice name="hearing" document={document} change={change} />
		</div>
	);
}

/** No speaker is called so; the unnamed one is called "". */
const NOBODY = "\u0000";
const EVERYBODY = "\u0001";

/** What a speaker says first, to hear voices by. */
function firstSentence(document: ProductionDocument, speaker: string): string {
	const lines = document.script.scenes.flatMap((scene) => scene.blocks);
	const text = lines.find((b) => b.kind === "line" && b.speaker === speaker && b.text.trim())?.text ?? "";
	return (text.match(/^.{20,160}?[.!?](?=\s|$)/)?.[0] ?? text.slice(0, 160)).trim();
}

/** The scenes in which these people speak, and how many lines are read anew there. */
function rowsOf(document: ProductionDocument, whose: readonly string[]) {
	return document.script.scenes.flatMap((scene, i) => {
		const lines = scene.blocks.filter((b) => b.kind === "line" && b.text.trim() && whose.includes(b.speaker)).length;
		if (!lines) return [];
		return [
			{ number: i + 1, heading: scene.heading, now: lines === 1 ? "1 line read anew" : `${lines} lines read anew` },
		];
	});
}
