import type { Editor } from "@tiptap/core";
import { useEditorState } from "@tiptap/react";
import { clock } from "../../../shared/time";
import type { Check, SceneTimes } from "../document/useSceneTimes";
import { wordsOf } from "../document/words";

type Props = { editor: Editor; check: Check | null; times: Map<string, SceneTimes>; target: number };

/** The foot of the script page: how long it is, and how long what is selected. */
export function Folio({ editor, check, times, target }: Props) {
	const selected = useEditorState({ editor, selector: ({ editor: now }) => selectedWords(now) });
	const chosen = JSON.parse(selected) as Chosen;
	const seconds = chosen.words ? heardSeconds(chosen, times, check) : null;
	const dot = <span aria-hidden="true"> · </span>;
	return (
		<p className="folio num">
			{check && (
				<>
					{check.scenes.length} {check.scenes.length === 1 ? "scene" : "scenes"}
					{dot}
					{check.words} {check.words === 1 ? "word" : "words"}
					{dot}
					{check.estimated ? "about " : ""}
					{clock(check.seconds)}
					{target > 0 && <LengthLeft seconds={check.seconds} target={target} />}
					{seconds && (
						<span className="folio-selected">
							{dot}
							selected: {chosen.words} {chosen.words === 1 ? "word" : "words"}, {seconds.measured ? "" : "about "}
							{clock(seconds.seconds, true)}
						</span>
					)}
				</>
			)}
		</p>
	);
}

/** How far the script is from the length that is wished for. */
function LengthLeft({ seconds, target }: { seconds: number; target: number }) {
	const over = seconds - target;
	if (Math.abs(over) <= 0.5) return <span>, as long as wished</span>;
	return over > 0 ? <b className="over"> {clock(over)} over</b> : <span>, {clock(-over)} to spare</span>;
}

type Chosen = { words: number; lines: { id: string; from: number; to: number }[] };

/** The spoken words of the selection, as a string so that nothing is drawn again while they stay the same. */
function selectedWords(editor: Editor): string {
	const { selection, doc } = editor.state;
	const chosen: Chosen = { words: 0, lines: [] };
	if (!selection.empty) {
		doc.nodesBetween(selection.from, selection.to, (node, position) => {
			if (node.type.name !== "line") return node.type.name === "scene";
			const from = selection.from - position - 1;
			const to = selection.to - position - 1;
			const words = wordsOf(node.textContent).filter((word) => word.to > from && word.from < to).length;
			chosen.words += words;
			if (words) chosen.lines.push({ id: String(node.attrs.id), from, to });
			return false;
		});
	}
	return JSON.stringify(chosen);
}

/** From the first selected word to the last where they have been read, else at the script's pace. */
function heardSeconds(chosen: Chosen, times: Map<string, SceneTimes>, check: Check | null) {
	const lines = [...times.values()].flatMap((scene) => scene.lines);
	let seconds = 0;
	for (const { id, from, to } of chosen.lines) {
		const words = lines.find((line) => line.id === id)?.words.filter((w) => w.to > from && w.offset < to);
		const [first, last] = [words?.[0], words?.at(-1)];
		if (!first || !last) {
			const pace = check?.words ? check.seconds / check.words : 0.44;
			return { seconds: chosen.words * pace, measured: false };
		}
		seconds += last.end - first.start;
	}
	return { seconds, measured: true };
}
