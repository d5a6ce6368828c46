import { useQuery } from "@tanstack/react-query";
import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { useState } from "react";
import { api, ask } from "../../../shared/api/client";
import { useSettled } from "../../../shared/useSettled";
import { cuesInLine, lineById, placeCue } from "../document/cues";
import { newId, type Scene } from "../document/document";
import { type ProposedPicture, pictureSettings, SHOWN_KINDS } from "../document/pictures";
import { wordsOf } from "../document/words";
import { Suggestion } from "./Suggestion";

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
	const open = (found.data ?? []).filter((one) => !left.has(keyOf(one)) && !isTaken(editor, one));
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
	const { tr } = editor.state;
	for (const one of these) {
		const { line, start, end } = one;
		const found = lineById(tr.doc, line);
		const words = wordsOf(found?.node.textContent ?? "").filter((word) => word.from >= start && word.to <= end);
		const [first, last] = [words[0], words.at(-1)];
		if (!found || !first || !last) continue;
		const cue = { id: newId(), kind: "picture", parameters: pictureSettings(one), stretch: words.length > 1 };
		placeCue(tr, cue, found.start + first.from, found.start + last.to);
	}
	if (tr.docChanged) editor.view.dispatch(closeHistory(tr));
}

/** Whether something is shown on some of its words already, or its line is gone. */
function isTaken(editor: Editor, { line, start, end }: ProposedPicture): boolean {
	const found = lineById(editor.state.doc, line);
	if (!found || end > found.node.textContent.length) return true;
	return cuesInLine(found.node).some((cue) => SHOWN_KINDS.has(cue.kind) && cue.offset < end && cue.until > start);
}

function keyOf({ line, start, words }: ProposedPicture): string {
	return `${line} ${start} ${words}`;
}

function printOf({ parts, template, count }: ProposedPicture): string {
	return `/api/staging/picture.png?things=${parts.map((part) => part.thing).join(",")}&how=${template}&count=${count}`;
}

function shortened(words: string): string {
	return words.length > 44 ? `${words.slice(0, 42).trimEnd()}…` : words;
}
