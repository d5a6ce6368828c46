import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { useState } from "react";
import type { Schemas } from "../../../shared/api/client";
import { MainButton, PlainButton } from "../../../shared/ui/controls";
import { Sheet } from "../../../shared/ui/Sheet";
import { cueLabel, useCueKinds } from "../document/cueKinds";
import { lineById, placeCue } from "../document/cues";
import { newId } from "../document/document";
import type { Check } from "../document/useSceneTimes";
import { wordsOf } from "../document/words";

type Meant = Schemas["DirectionCueOut"];

/** Put cues on the words their directions stand before, and take the directions off: one step to undo. */
export function takeDirections(editor: Editor, these: readonly Meant[]): void {
	const { tr } = editor.state;
	for (const { line, offset, kind, parameters } of these) {
		const found = lineById(tr.doc, line);
		const word = found && wordsOf(found.node.textContent).find((one) => one.from === offset);
		if (found && word) {
			placeCue(tr, { id: newId(), kind, parameters }, found.start + word.from, found.start + word.to);
		}
	}
	// from the last to the first, so that what is left keeps its place
	for (const one of [...these].sort((a, b) => b.start - a.start)) {
		if (one.end > one.start) {
			const found = lineById(tr.doc, one.block);
			const after = found?.node.textContent.slice(one.end).match(/^\s*/)?.[0].length ?? 0;
			if (found) tr.delete(found.start + one.start, found.start + one.end + after);
			continue;
		}
		tr.doc.descendants((node, position) => {
			if (node.type.name === "direction" && node.attrs.id === one.block) {
				tr.delete(position, position + node.nodeSize);
			}
			return node.type.name === "scene";
		});
	}
	if (tr.docChanged) editor.view.dispatch(closeHistory(tr));
}

/** How many directions read like cues, and each with the cue it means. */
export function DirectionCues({ editor, check }: { editor: Editor; check: Check | null }) {
	const [shown, setShown] = useState(false);
	const kinds = useCueKinds();
	const meant = check?.directions ?? [];
	const close = () => setShown(false);
	if (!meant.length) return null;
	return (
		<p className="to-fill-in small">
			<b className="num">{meant.length}</b> {meant.length === 1 ? "direction reads" : "directions read"} like a cue.{" "}
			<button type="button" className="link" onClick={() => setShown(true)}>
				See {meant.length === 1 ? "it" : "them"}
			</button>
			{shown && (
				<Sheet label="Directions as cues" kind="open-places" onClose={close}>
					<h2 className="panel-title">Directions as cues</h2>
					<ul className="meant">
						{meant.map((one) => (
							<li key={`${one.block} ${one.start}`}>
								<i className="serif">{one.text}</i>
								<span>
									<b>{cueLabel(kinds, one)}</b> on “{wordAt(editor, one)}”
								</span>
								<button type="button" className="link" onClick={() => takeDirections(editor, [one])}>
									Put it there
								</button>
							</li>
						))}
					</ul>
					<div className="change-buttons">
						<MainButton
							onClick={() => {
								takeDirections(editor, meant);
								close();
							}}
						>
							Put {meant.length === 1 ? "it" : `all ${meant.length}`} there
						</MainButton>
						<PlainButton onClick={close}>Leave them as directions</PlainButton>
					</div>
				</Sheet>
			)}
		</p>
	);
}

function wordAt(editor: Editor, { line, offset }: Meant): string {
	const text = lineById(editor.state.doc, line)?.node.textContent ?? "";
	return wordsOf(text)
		.filter((word) => word.from === offset)
		.map((word) => text.slice(word.from, word.to))
		.join("");
}
