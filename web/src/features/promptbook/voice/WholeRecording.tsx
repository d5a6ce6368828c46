import type { Editor } from "@tiptap/core";
import { useRef, useState } from "react";
import { sentence } from "../../../shared/api/client";
import { Choice, PlainButton } from "../../../shared/ui/controls";
import { setRecordings } from "./lineAtCaret";
import { useTakes } from "./useTakes";

type Props = { productionId: string; editor: Editor; sceneId: string; kept: boolean };

/** One recording of the scene or of the whole script, cut to its lines: one step to undo. */
export function WholeRecording({ productionId, editor, sceneId, kept }: Props) {
	const takes = useTakes(productionId);
	const file = useRef<HTMLInputElement>(null);
	const [all, setAll] = useState("script");
	const { recordAll } = takes;
	const made = recordAll.data ?? [];
	const looks = made.filter((take) => take.notes.length > 0).length;
	return (
		<div className="whole-recording">
			<Choice
				label="One recording of"
				value={all}
				options={[
					{ value: "script", text: "the whole script" },
					{ value: "scene", text: "this scene" },
				]}
				onChange={setAll}
			/>
			<PlainButton small disabled={!kept || recordAll.isPending} onClick={() => file.current?.click()}>
				{recordAll.isPending ? "Finding the words…" : "Choose it"}
			</PlainButton>
			<span role="status" className="small quiet">
				{made.length > 0 &&
					`${made.length} lines are heard from it${looks ? `; look at ${looks} of them` : ""}. Undo takes it away.`}
			</span>
			<input
				ref={file}
				type="file"
				hidden
				accept="audio/*,video/*"
				aria-label="A recording of several lines"
				onChange={(event) => {
					const sound = event.target.files?.[0];
					if (sound) {
						recordAll.mutate(
							{ scene: all === "scene" ? sceneId : "", sound },
							{ onSuccess: (list) => setRecordings(editor, new Map(list.map((take) => [take.line, take.recording]))) },
						);
					}
					event.target.value = "";
				}}
			/>
			{recordAll.error && (
				<p role="alert" className="problem small">
					{sentence(recordAll.error)}
				</p>
			)}
		</div>
	);
}
