import type { Editor } from "@tiptap/core";
import { useState } from "react";
import { PlainButton } from "../../../shared/ui/controls";
import { type ProductionDocument, shownName, speakersOf } from "../document";
import { useVoices } from "./catalogue";
import { LineDelivery } from "./LineDelivery";
import { type PanelProps, recast } from "./panel";
import { useProposal } from "./useProposal";
import { VoiceSheet } from "./VoiceSheet";
import { pitchWord } from "./voices";

type Props = PanelProps & { editor: Editor; onHear: (lineId: string, offset: number) => void };

/** Which voice each speaker has, and how the line at hand is said. */
export function VoicePanel({ document, change, editor, onHear }: Props) {
	const voices = useVoices();
	const { propose, list } = useProposal(change);
	const [sheet, setSheet] = useState(NOBODY);
	const give = (speaker: string, id: string) => {
		const name = shownName(speaker) || "The speaker";
		const says = `${name} speaks with ${voices.data?.find((v) => v.id === id)?.name ?? id}`;
		const rows = rowsOf(document, speaker);
		const part = recast(document, speaker, { voice: id });
		if (rows.length > 1) propose({ says, rows, part, own: [] });
		else change(part);
	};
	if (list) return list;
	return (
		<div className="panel-grid">
			<div className="panel-column">
				{speakersOf(document.script).map((speaker) => {
					const voice = voices.data?.find((v) => v.id === document.cast[speaker]?.voice);
					const name = shownName(speaker) || "The speaker";
					return (
						<div key={speaker} className="voice-row">
							<p className="label">{name} speaks with</p>
							<p>
								<b className="voice-name">{voice?.name ?? "…"}</b>
								<PlainButton small onClick={() => setSheet(speaker)} label={`Another voice for ${name}`}>
									Another voice
								</PlainButton>
							</p>
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
										give(speaker, id);
									}}
									onClose={() => setSheet(NOBODY)}
								/>
							)}
						</div>
					);
				})}
			</div>
			<LineDelivery editor={editor} onHear={onHear} />
		</div>
	);
}

/** No speaker is called so; the unnamed one is called "". */
const NOBODY = "\u0000";

/** What a speaker says first, to hear voices by. */
function firstSentence(document: ProductionDocument, speaker: string): string {
	const lines = document.script.scenes.flatMap((scene) => scene.blocks);
	const text = lines.find((b) => b.kind === "line" && b.speaker === speaker && b.text.trim())?.text ?? "";
	return (text.match(/^.{20,160}?[.!?](?=\s|$)/)?.[0] ?? text.slice(0, 160)).trim();
}

/** The scenes in which somebody speaks, and how many lines are read anew there. */
function rowsOf(document: ProductionDocument, speaker: string) {
	return document.script.scenes.flatMap((scene, i) => {
		const lines = scene.blocks.filter((b) => b.kind === "line" && b.text.trim() && b.speaker === speaker).length;
		if (!lines) return [];
		return [
			{ number: i + 1, heading: scene.heading, now: lines === 1 ? "1 line read anew" : `${lines} lines read anew` },
		];
	});
}
