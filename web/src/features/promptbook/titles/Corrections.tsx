import type { Editor } from "@tiptap/core";
import { TextSelection } from "@tiptap/pm/state";
import { useEditorState } from "@tiptap/react";
import { PlainButton } from "../../../shared/ui/controls";
import { type Corrected, correctedIn, nudgeCaptions, takeOffCorrection } from "../document/captions";
import { lineById } from "../document/cues";
import type { SceneTimes } from "../document/useSceneTimes";

/** What is corrected by hand in all captions, and what of this scene is read too quickly. */
export function Corrections({
	editor,
	times,
	number,
}: {
	editor: Editor;
	times: SceneTimes | undefined;
	number: number;
}) {
	const text = useEditorState({ editor, selector: ({ editor: now }) => JSON.stringify(correctedIn(now.state.doc)) });
	const corrected = JSON.parse(text) as Corrected[];
	const hasty = (times?.captions ?? []).filter((one) => one.hasty);
	const mendable = hasty.filter((one) => one.mend >= 0.05);
	const show = (one: Corrected) => {
		const line = lineById(editor.state.doc, one.line);
		if (!line) return;
		const { tr } = editor.state;
		tr.setSelection(TextSelection.create(tr.doc, line.start + one.from)).scrollIntoView();
		editor.view.dispatch(tr);
		editor.view.focus();
	};
	return (
		<section className="corrections" aria-label="Corrected captions">
			{hasty.length > 0 && (
				<p className="small warning-text corrections-hasty">
					{hasty.length === 1 ? "A caption" : `${hasty.length} captions`} of scene {number}{" "}
					{hasty.length === 1 ? "is" : "are"} too quick to read.
					{mendable.length > 0 && (
						<PlainButton
							small
							onClick={() =>
								nudgeCaptions(
									editor,
									mendable.map((caption) => ({ caption, ends: caption.mend })),
								)
							}
						>
							Let {mendable.length === hasty.length ? "them" : mendable.length} stay longer
						</PlainButton>
					)}
				</p>
			)}
			<p className="label">
				{corrected.length
					? "Corrected by hand, kept when the script changes"
					: "Put the caret in a line to correct its caption."}
			</p>
			<ul>
				{corrected.map((one) => (
					<li key={one.id} className="small">
						<span className="num quiet">{one.scene}</span>
						<button type="button" className="corrections-shown" onClick={() => show(one)}>
							<span className="serif">{one.shown}</span>
						</button>
						<span className="quiet">
							{one.look ? "its words are gone; now on " : "said: "}“{one.said}”
						</span>
						<button
							type="button"
							className="link"
							aria-label={`As said: ${one.said}`}
							onClick={() => takeOffCorrection(editor, one.id)}
						>
							As said
						</button>
					</li>
				))}
			</ul>
		</section>
	);
}
