import { type Editor, EditorContent } from "@tiptap/react";
import { type ReactNode, type Ref, useEffect, useMemo, useState } from "react";
import type { CueHandle } from "../document/cueHandle";
import { type Marks, marksKey } from "../document/marks";
import { playhead, usePlayhead } from "../document/playhead";
import { readCaret } from "../document/typing";
import { useNotes } from "../document/useNotes";
import type { Check, SceneTimes } from "../document/useSceneTimes";
import { Cues } from "./Cues";
import { FindSlip } from "./FindSlip";
import { Folio } from "./Folio";
import { SceneDrag } from "./SceneDrag";
import { SceneSlip } from "./SceneSlip";

type Props = {
	editor: Editor;
	check: Check | null;
	times: Map<string, SceneTimes>;
	reading: ReadonlySet<string>;
	/** The host who plays a line's speaker. */
	hostOf: (lineId: string) => string;
	cueHandle: Ref<CueHandle>;
	/** Whether advice is numbered in the text. */
	advised: boolean;
	answers: Marks["answers"];
	/** Whether it is marked where captions end. */
	captioned: boolean;
	/** Seconds the whole may run; 0 for no limit. */
	target: number;
	/** A question about the script, in place of its text until it is answered. */
	slip: ReactNode;
	/** Whether something is looked for. */
	finding: boolean;
	onFound: () => void;
	onTry: (lineId: string, offset: number, kind: string) => void;
	/** Say the word at the caret otherwise, wherever it stands. */
	onSayAs: () => void;
	onSpeakFrom: (lineId: string, offset: number) => void;
};

const NO_ENDS: Marks["captionEnds"] = new Map();

/** Where captions end, by line. */
function endsOfCaptions(times: Props["times"]): Marks["captionEnds"] {
	const captions = [...times.values()].flatMap((scene) => scene.captions);
	const byLine = new Map<string, number[]>();
	for (const { line, last } of captions) byLine.set(line, [...(byLine.get(line) ?? []), last]);
	return byLine;
}

/** The left page: the script, always there. */
export function ScriptPage(props: Props) {
	const { editor, check, times, reading, advised, captioned, answers, target } = props;
	const notes = useNotes(check, advised);
	const [root, setRoot] = useState<HTMLElement | null>(null);
	const word = usePlayhead((p) => wordKey(times.get(p.sceneId), p.at));
	const heard = useMemo(() => (word ? (JSON.parse(word) as NonNullable<Marks["word"]>) : null), [word]);
	const captionEnds = useMemo(() => (captioned ? endsOfCaptions(times) : NO_ENDS), [captioned, times]);
	useEffect(() => {
		const marks: Marks = { word: heard, check, reading, notes, answers, captionEnds, target };
		readCaret();
		editor.view.dispatch(editor.state.tr.setMeta(marksKey, marks).setMeta("addToHistory", false));
		if (playhead.get().playing && heard) {
			editor.view.dom.querySelector(".at-playhead")?.scrollIntoView({ block: "nearest", behavior: "smooth" });
		}
	}, [editor, heard, check, reading, notes, answers, captionEnds, target]);

	return (
		<main className="page leaf" aria-label="Script page">
			{props.finding && <FindSlip editor={editor} onClose={props.onFound} />}
			{props.slip}
			<div className="script-scroll" hidden={Boolean(props.slip)}>
				<div className={`script-sheet ${advised ? "advising" : ""}`} ref={setRoot}>
					<EditorContent editor={editor} />
					{root && <SceneSlip editor={editor} root={root} />}
					{root && <SceneDrag editor={editor} root={root} />}
					{root && (
						<Cues
							editor={editor}
							root={root}
							times={times}
							heard={heard}
							hostOf={props.hostOf}
							handle={props.cueHandle}
							onTry={props.onTry}
							onSayAs={props.onSayAs}
							onSpeakFrom={props.onSpeakFrom}
						/>
					)}
				</div>
			</div>
			<Folio editor={editor} check={check} times={times} target={target} />
		</main>
	);
}

/** The word heard at `at`, as a string so that a word is only marked once. */
function wordKey(times: SceneTimes | undefined, at: number): string {
	if (!times || at <= 0) return "";
	for (const line of times.lines) {
		if (at < line.start || at > line.end + 0.25) continue;
		const heard = line.words.findLast((w) => w.start <= at);
		if (heard) return JSON.stringify({ lineId: line.id, from: heard.offset, to: heard.to });
	}
	return "";
}
