import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { useMemo, useState } from "react";
import { MainButton, PlainButton } from "../../../shared/ui/controls";
import { Sheet } from "../../../shared/ui/Sheet";
import { rangeOf } from "../document/places";
import type { Check } from "../document/useSceneTimes";

type Open = { text: string; times: number };

/** The open places of the script by what they ask; the same one is listed once. */
export function openPlaces(editor: Editor, check: Check | null): Open[] {
	const found = new Map<string, number>();
	for (const { kind, at } of check?.findings ?? []) {
		const range = kind === "placeholder" && at ? rangeOf(editor.state.doc, at) : null;
		if (!range) continue;
		const text = editor.state.doc.textBetween(range.from, range.to);
		found.set(text, (found.get(text) ?? 0) + 1);
	}
	return [...found].map(([text, times]) => ({ text, times }));
}

/** Fill open places wherever they stand: one step to undo. */
export function fill(editor: Editor, answers: ReadonlyMap<string, string>): void {
	const { tr } = editor.state;
	const places: { from: number; to: number; text: string }[] = [];
	tr.doc.descendants((node, position) => {
		if (node.type.name !== "line") return node.type.name === "scene";
		for (const [open, text] of answers) {
			for (let at = node.textContent.indexOf(open); at >= 0; at = node.textContent.indexOf(open, at + open.length)) {
				places.push({ from: position + 1 + at, to: position + 1 + at + open.length, text });
			}
		}
		return false;
	});
	for (const { from, to, text } of places.sort((a, b) => b.from - a.from)) tr.insertText(text, from, to);
	if (tr.docChanged) editor.view.dispatch(closeHistory(tr));
}

/** All open places in one go; one that is left empty stays open. */
export function OpenPlaces({ editor, check, onClose }: { editor: Editor; check: Check | null; onClose: () => void }) {
	const places = useMemo(() => openPlaces(editor, check), [editor, check]);
	const [answers, setAnswers] = useState<ReadonlyMap<string, string>>(new Map());
	const given = new Map([...answers].filter(([, text]) => text.trim()));
	return (
		<Sheet label="Open places" kind="open-places" onClose={onClose}>
			<h2 className="panel-title">Open places</h2>
			<p className="small quiet">What you write stands in their place; one that is left empty stays open.</p>
			<form
				onSubmit={(event) => {
					event.preventDefault();
					fill(editor, given);
					onClose();
				}}
			>
				{places.map(({ text, times }) => (
					<label key={text} className="open-answer">
						<span>
							{text.slice(1, -1)} {times > 1 && <span className="small quiet num">in {times} places</span>}
						</span>
						<textarea
							rows={1}
							value={answers.get(text) ?? ""}
							onChange={(event) =>
								setAnswers((now) => new Map([...now, [text, event.target.value.replaceAll("\n", " ")]]))
							}
						/>
					</label>
				))}
				<div className="change-buttons">
					<MainButton type="submit" disabled={!given.size}>
						Fill {given.size || "them"} in
					</MainButton>
					<PlainButton onClick={onClose}>Not now</PlainButton>
				</div>
			</form>
		</Sheet>
	);
}
