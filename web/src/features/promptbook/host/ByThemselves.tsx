import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { clock } from "../../../shared/time";
import { PlainButton, Tick } from "../../../shared/ui/controls";
import { cueLabel, useCueKinds } from "../document/cueKinds";
import { type CueValues, placeCueAt } from "../document/cues";
import { newId } from "../document/document";
import type { SceneTimes } from "../document/useSceneTimes";

type Props = {
	editor: Editor;
	times: SceneTimes | undefined;
	on: boolean;
	onSwitch: (on: boolean) => void;
};

/** What hosts do by themselves where the words ask for it: to be kept as cues, or left out. */
export function ByThemselves({ editor, times, on, onSwitch }: Props) {
	const kinds = useCueKinds();
	const put = (lineId: string, offset: number, kind: string, parameters: CueValues) => {
		const placed = placeCueAt(editor.state, { lineId, offset }, { id: newId(), kind, parameters });
		if (placed) editor.view.dispatch(closeHistory(placed));
	};
	const rows = times?.lines.flatMap((line) => line.automatic.map((cue) => ({ line, cue }))) ?? [];
	return (
		<section className="by-themselves" aria-label="By themselves">
			<Tick label="Gestures by themselves, where the words ask for them" checked={on} onChange={onSwitch} />
			{on && rows.length > 0 && (
				<ul>
					{rows.map(({ line, cue }) => {
						const word = line.words.find((w) => w.offset === cue.offset);
						return (
							<li key={`${line.id} ${cue.offset}`}>
								<span className="num small quiet">{word ? clock(word.start, true) : ""}</span>
								<span>
									{cueLabel(kinds, cue)} <span className="quiet">on “{word?.text ?? ""}”</span>
								</span>
								<PlainButton
									small
									label={`Keep ${cueLabel(kinds, cue)} on ${word?.text ?? ""}`}
									onClick={() => put(line.id, cue.offset, cue.kind, cue.parameters)}
								>
									Keep
								</PlainButton>
								<PlainButton
									small
									label={`Leave out ${cueLabel(kinds, cue)} on ${word?.text ?? ""}`}
									onClick={() => put(line.id, cue.offset, "rest", {})}
								>
									Leave out
								</PlainButton>
							</li>
						);
					})}
				</ul>
			)}
			{on && !rows.length && <p className="small quiet">The words of this scene ask for none.</p>}
		</section>
	);
}
