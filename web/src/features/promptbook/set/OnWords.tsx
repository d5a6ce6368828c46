import { useQuery } from "@tanstack/react-query";
import type { Editor } from "@tiptap/core";
import { useState } from "react";
import { api, ask } from "../../../shared/api/client";
import { useSettled } from "../../../shared/useSettled";
import type { Scene } from "../document/document";
import { type ProposedPicture, pictureSettings, SHOWN_KINDS } from "../document/pictures";
import { Suggestion } from "../document/Suggestion";
import { isTaken, shortened, takeCues } from "../document/suggestions";

/** Pictures that a scene's words could be shown with: suggestions, each naming the words it comes from. */
export function OnWords({ editor, scene }: { editor: Editor; scene: Scene }) {
	const lines = scene.blocks.filter((block) => block.kind === "line").map(({ id, text }) => ({ id, text }));
	const settled = useSettled(JSON.stringify(lines), 400);
	const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
	const found = useQuery({
		queryKey: ["pictures for words", settled],
		queryFn: () => ask(api.POST("/api/staging/pictures", { body: { lines: JSON.parse(settled), every: false } })),
		enabled: lines.length > 0,
		placeholderData: (before) => before,
	});
	const open = (found.data ?? []).filter((one) => !left.has(keyOf(one)) && !isTaken(editor, one, SHOWN_KINDS));
	const all = () => takePictures(editor, open);
	return (
		<section className="on-words" aria-label="Pictures on the words of this scene">
			<p className="on-words-head">
				<span className="small quiet">
					{open.length ? "Nothing is shown before you take it." : "Nothing more is suggested here."} For lists and
					numbers, select words and press Cue.
				</span>
				{open.length > 1 && (
					<button type="button" className="link small" onClick={all}>
						Take all {open.length}
					</button>
				)}
			</p>
			<ul className="prints">
				{open.slice(0, 8).map((one) => (
					<Suggestion
						key={keyOf(one)}
						picture={
							<img src={printOf(one)} alt={`${one.parts.map((part) => part.thing).join(", ")}: ${one.template}`} />
						}
						words={shortened(one.words)}
						note={`from ${one.parts.flatMap((part) => part.words).join(", ")}`}
						onTake={() => takePictures(editor, [one])}
						onLeave={() => setLeft(new Set([...left, keyOf(one)]))}
					/>
				))}
			</ul>
		</section>
	);
}

/** Put pictures on their words: one step to undo. */
export function takePictures(editor: Editor, these: readonly ProposedPicture[]): void {
	takeCues(
		editor,
		these.map((one) => ({ ...one, kind: "picture", parameters: pictureSettings(one), stretch: true })),
	);
}

function keyOf({ line, start, words }: ProposedPicture): string {
	return `${line} ${start} ${words}`;
}

function printOf({ parts, template, count }: ProposedPicture): string {
	return `/api/staging/picture.png?things=${parts.map((part) => part.thing).join(",")}&how=${template}&count=${count}`;
}
