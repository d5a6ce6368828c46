import { useMutation } from "@tanstack/react-query";
import type { Editor } from "@tiptap/core";
import { TextSelection } from "@tiptap/pm/state";
import { useEditorState } from "@tiptap/react";
import { useRef } from "react";
import { type Schemas, sendFile, sentence } from "../../../shared/api/client";
import { PlainButton } from "../../../shared/ui/controls";
import { FileInput } from "../../../shared/ui/FileInput";
import {
	type Corrected,
	correctedIn,
	nudgeCaptions,
	putCaptions,
	READS,
	takeOffCorrection,
} from "../document/captions";
import { lineById } from "../document/cues";
import type { SceneTimes } from "../document/useSceneTimes";

type Props = {
	editor: Editor;
	times: SceneTimes | undefined;
	number: number;
	productionId: string;
	/** The server knows the script as it stands. */
	kept: boolean;
};

/** What is corrected by hand in all captions, and what of this scene is read too quickly. */
export function Corrections({ editor, times, number, productionId, kept }: Props) {
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
			<CaptionFile editor={editor} productionId={productionId} kept={kept} />
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

/** Captions that were written elsewhere, opened as corrections of this script. */
function CaptionFile({ editor, productionId, kept }: { editor: Editor; productionId: string; kept: boolean }) {
	const input = useRef<HTMLInputElement>(null);
	const read = useMutation({
		mutationFn: (file: File) =>
			sendFile<Schemas["CaptionsReadOut"]>(`/api/productions/${productionId}/captions`, file, file.name),
		onSuccess: ({ cues }) => putCaptions(editor, cues),
	});
	const { data } = read;
	const corrections = data?.cues.filter((cue) => cue.kind === READS).length ?? 0;
	const moved = data?.cues.filter(({ parameters }) => "begins" in parameters || "ends" in parameters).length ?? 0;
	return (
		<div className="caption-file small">
			<PlainButton small disabled={!kept || read.isPending} onClick={() => input.current?.click()}>
				Open captions from a file
			</PlainButton>
			<FileInput label="An SRT or WebVTT file" accept=".srt,.vtt" input={input} onFile={(file) => read.mutate(file)} />
			<span role="status" className="quiet num">
				{data && `${corrections} words or stretches are shown otherwise, ${moved} captions come or go otherwise.`}
				{data?.other_times && " Its times are those of another recording: the script's stay."}
				{data?.unread &&
					" When they come and go was not looked at: go through the scenes once, then open the file again."}
				{data && " Undo takes it away."}
				{read.isPending && "Looking when its words are said…"}
				{data && data.left.length > 0 && ` Not in the script: ${data.left.slice(0, 3).join("; ")}`}
			</span>
			{read.error && (
				<span role="alert" className="problem">
					{sentence(read.error)}
				</span>
			)}
		</div>
	);
}
