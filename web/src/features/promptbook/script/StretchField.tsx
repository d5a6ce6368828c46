import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { type CueKind, changeCue, type PlacedCue, stretchIn } from "../document/cues";

type Props = { editor: Editor; cue: PlacedCue; kind: CueKind | undefined };

/** Up to which word of its line a cue lasts; by its word alone, or to a later one. */
export function StretchField({ editor, cue, kind }: Props) {
	if (!kind?.stretch) return null;
	const { words, first, last } = stretchIn(editor.state.doc, cue);
	const choose = (chosen: number) => {
		const [from, to] = [words[first], words[Math.max(first, chosen)]];
		if (!from || !to) return;
		const change = { stretch: chosen >= 0 };
		editor.view.dispatch(changeCue(closeHistory(editor.state.tr), cue, change, { from: from.from, to: to.to }));
	};
	return (
		<label className="cue-field">
			<span className="label">Lasts to</span>
			<select
				className="voice-effect"
				value={cue.end === null ? -1 : last}
				onChange={(event) => choose(Number(event.target.value))}
			>
				<option value={-1}>no word in particular</option>
				{words.slice(first).map((word, index) => (
					<option key={word.from} value={first + index}>
						{editor.state.doc.textBetween(word.from, word.to)}
					</option>
				))}
			</select>
		</label>
	);
}
