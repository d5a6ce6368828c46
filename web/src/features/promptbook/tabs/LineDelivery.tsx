import type { Editor } from "@tiptap/core";
import { useEditorState } from "@tiptap/react";
import { PlainButton, WordChoice } from "../../../shared/ui/controls";
import { newId, shownName } from "../document";
import { asOneStep } from "../script/choosing";
import { useCueKinds } from "../script/cueKinds";
import { type CueValues, changeCue, cuesOf, lineById, type PlacedCue, placeCue, removeCue } from "../script/cues";
import { wordsOf } from "../script/words";

type Props = { editor: Editor; onHear: (lineId: string, offset: number) => void };

/** Where a scale ends, in words. */
const ENDS: Record<string, [string, string]> = {
	strength: ["a little", "very"],
	pace: ["slower", "quicker"],
	pitch: ["lower", "higher"],
	level: ["softer", "louder"],
};

type Current = { id: string; speaker: string; text: string; cue: PlacedCue | null };

/** The line at the caret, and how it is said: by a cue on its first word that holds for all of it. */
export function LineDelivery({ editor, onHear }: Props) {
	const kind = useCueKinds().find((k) => k.name === "delivery");
	const line = JSON.parse(
		useEditorState({ editor, selector: ({ editor: now }) => lineAtCaret(now) }),
	) as Current | null;
	if (!kind) return null;
	if (!line) {
		return (
			<div>
				<h3 className="panel-title">This line</h3>
				<p className="small quiet">Put the caret in a line, and say how it should be said.</p>
			</div>
		);
	}
	const value = (name: string, usual: number | string) => line.cue?.parameters[name] ?? usual;
	const set = (part: CueValues, field: string) => {
		const { tr } = editor.state;
		const parameters = { ...line.cue?.parameters, ...part };
		const now = cuesOf(editor.state.doc).find((cue) => cue.id === line.cue?.id);
		const placed = lineById(editor.state.doc, line.id);
		const word = placed && wordsOf(placed.node.textContent)[0];
		if (now) changeCue(tr, now, { parameters });
		else if (placed && word) {
			placeCue(tr, { id: newId(), kind: "delivery", parameters }, placed.start + word.from, placed.start + word.to);
		}
		asOneStep(editor, tr, field);
	};
	const manner = kind.parameters.find((p) => p.name === "manner");
	return (
		<div className="line-delivery">
			<h3 className="panel-title">This line</h3>
			<p className="serif delivery-line-text">
				<b>{shownName(line.speaker)}</b> {line.text}
			</p>
			{manner && (
				<WordChoice
					label={manner.label}
					value={String(value("manner", manner.default))}
					options={manner.choices.map((choice) => ({ value: choice, text: choice }))}
					onChange={(choice) => set({ manner: choice }, "")}
				/>
			)}
			{kind.parameters
				.filter((p) => p.kind === "number")
				.map((parameter) => (
					<label key={parameter.name} className="scale">
						<span className="label">{parameter.label}</span>
						<span className="small quiet">{ENDS[parameter.name]?.[0]}</span>
						<input
							type="range"
							min={parameter.low}
							max={parameter.high}
							step={parameter.name === "pitch" || parameter.name === "level" ? 0.5 : 0.05}
							value={Number(value(parameter.name, parameter.default))}
							onChange={(event) =>
								set({ [parameter.name]: event.target.valueAsNumber }, `${parameter.name} ${line.id}`)
							}
						/>
						<span className="small quiet">{ENDS[parameter.name]?.[1]}</span>
					</label>
				))}
			<div className="change-buttons">
				<PlainButton small onClick={() => onHear(line.id, 0)}>
					Hear the line
				</PlainButton>
				{line.cue && (
					<PlainButton small onClick={() => line.cue && asOneStep(editor, removeCue(editor.state.tr, line.cue.id), "")}>
						As it comes
					</PlainButton>
				)}
			</div>
		</div>
	);
}

/** The line that holds the caret, as a string so that nothing is drawn again while it stays the same. */
function lineAtCaret(editor: Editor): string {
	const { $from } = editor.state.selection;
	const node = $from.parent;
	if (node.type.name !== "line" || !wordsOf(node.textContent).length) return "null";
	const id = String(node.attrs.id);
	const cue = cuesOf(editor.state.doc).findLast((c) => c.lineId === id && c.kind === "delivery") ?? null;
	return JSON.stringify({ id, speaker: String(node.attrs.speaker ?? ""), text: node.textContent, cue });
}
