import type { Editor } from "@tiptap/core";
import { Choice } from "../../../shared/ui/controls";
import { type ProductionDocument, shownName, speakersOf } from "../document";
import { useVoices } from "./catalogue";
import { LineDelivery } from "./LineDelivery";
import { type PanelProps, recast } from "./panel";
import { useProposal } from "./useProposal";

type Props = PanelProps & { editor: Editor; onHear: (lineId: string, offset: number) => void };

/** Which voice each speaker has, and how the line at hand is said. */
export function VoicePanel({ document, change, editor, onHear }: Props) {
	const voices = useVoices();
	const { propose, list } = useProposal(change);
	const options = (voices.data ?? []).map((v) => ({ value: v.id, text: `${v.name}, ${v.language_name}` }));
	if (list) return list;
	return (
		<div className="panel-grid">
			<div className="panel-column">
				{speakersOf(document.script).map((speaker) => {
					const voice = voices.data?.find((v) => v.id === document.cast[speaker]?.voice);
					const name = shownName(speaker) || "The speaker";
					return (
						<div key={speaker} className="voice-row">
							<Choice
								label={`${name} speaks with`}
								value={document.cast[speaker]?.voice ?? ""}
								options={options}
								onChange={(id) => {
									const wanted = voices.data?.find((v) => v.id === id)?.name ?? id;
									const says = `${name} speaks with ${wanted}`;
									const recasting = {
										says,
										rows: rowsOf(document, speaker),
										...{ part: recast(document, speaker, { voice: id }) },
									};
									if (recasting.rows.length > 1) propose({ ...recasting, own: [] });
									else change(recasting.part);
								}}
							/>
							<p className="small quiet">{voice?.description}</p>
						</div>
					);
				})}
			</div>
			<LineDelivery editor={editor} onHear={onHear} />
		</div>
	);
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
