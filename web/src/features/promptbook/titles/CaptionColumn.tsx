import type { Editor } from "@tiptap/core";
import { useEditorState } from "@tiptap/react";
import { type RefObject, useEffect, useRef, useState } from "react";
import { PlainButton } from "../../../shared/ui/controls";
import {
	asSaid,
	type Caption,
	correctCaption,
	correctionsFor,
	correctionsIn,
	cutAt,
	cutCaption,
	nudgeCaptions,
	OTHERWISE,
	otherwiseIn,
	type SaidWord,
	selectWords,
} from "../document/captions";
import type { CueHandle } from "../document/cueHandle";
import { lineAt, lineById } from "../document/cues";
import { playhead } from "../document/playhead";
import type { SceneTimes } from "../document/useSceneTimes";

type Props = { editor: Editor; times: SceneTimes | undefined; cues: RefObject<CueHandle | null> };

const STEP = 0.1;
/** Seconds after it begins at which a caption is looked at. */
const SEEN = 0.2;
const LONGEST = 76;

/** The caption of the words at the caret: what it shows, where it is cut, when it comes and goes. */
export function CaptionColumn({ editor, times, cues }: Props) {
	const captions = times?.captions ?? [];
	const caret = useEditorState({ editor, selector: ({ editor: now }) => caretOf(now), equalityFn: same });
	const own = captions.findLastIndex((one) => one.line === caret.line && one.first <= caret.offset);
	const index = own >= 0 ? own : captions.findIndex((one) => one.line === caret.line);
	const at = index >= 0 ? index : 0;
	const caption = captions[at];
	const [sceneId, start] = [times?.id ?? "", caption?.start ?? 0];
	// it is seen in the picture as soon as the caret comes into its words
	useEffect(() => {
		if (sceneId && caret.line && !playhead.get().playing) playhead.set({ sceneId, at: start + SEEN });
	}, [sceneId, start, caret.line]);
	if (!caption) return <aside className="caption-column" aria-label="Caption" />;
	const next = captions[at + 1];
	const otherwise = otherwiseIn(editor.state.doc, caption);
	const choose = () => {
		if (otherwise) return cues.current?.open(otherwise.id);
		selectWords(editor, caption);
		cues.current?.put(OTHERWISE);
	};
	return (
		<aside className="caption-column" aria-label="Caption">
			<h3 className="panel-title num">
				Caption {at + 1} of {captions.length}
			</h3>
			<Correcting key={`${caption.line} ${caption.first} ${caption.rows.join(" ")}`} {...{ editor, caption, next }} />
			<p className="small">
				<button type="button" className="link" onClick={choose}>
					{otherwise ? "Its own style" : "Another style for it"}
				</button>
			</p>
		</aside>
	);
}

type Place = { line: string; offset: number };

function caretOf(editor: Editor): Place {
	const { from } = editor.state.selection;
	const line = lineAt(editor.state.doc, from);
	return line ? { line: String(line.node.attrs.id), offset: from - line.start } : { line: "", offset: 0 };
}

function same(a: Place, b: Place | null): boolean {
	return a.line === b?.line && a.offset === b.offset;
}

function Correcting({ editor, caption, next }: { editor: Editor; caption: Caption; next: Caption | undefined }) {
	const shown = caption.rows.join(" ");
	const [text, setText] = useState(shown);
	const box = useRef<HTMLTextAreaElement>(null);
	const line = lineById(editor.state.doc, caption.line);
	const isCorrected = line ? correctionsIn(line.node, caption).length > 0 : false;
	const nudged = cutAt(editor.state.doc, caption.line, caption.first)?.parameters ?? {};
	const put = () => {
		if (text.trim() && text.trim() !== shown) correctCaption(editor, caption, text);
		else setText(shown);
	};
	// what was typed is not lost where another caption is looked at, or another tab opened
	const leaving = useRef(put);
	leaving.current = put;
	useEffect(() => () => leaving.current(), []);
	const cutHere = () => {
		const word = wordAtCaret(caption.words, text, box.current?.selectionStart ?? 0);
		if (word > 0) cutCaption(editor, caption.line, caption.words[word]?.offset ?? 0, "begins");
	};
	const joins = next?.line === caption.line && `${shown} ${next.rows.join(" ")}`.length <= LONGEST;
	const nudge = (by: { begins?: number; ends?: number }) => nudgeCaptions(editor, [{ caption, ...by }]);
	return (
		<>
			<textarea
				ref={box}
				aria-label="What the caption shows"
				rows={3}
				value={text}
				onChange={(event) => setText(event.target.value)}
				onBlur={put}
				onKeyDown={(event) => {
					if (event.key === "Enter") {
						event.preventDefault();
						put();
					} else if (event.key === "Escape") setText(shown);
				}}
			/>
			<p className={`small num ${caption.hasty ? "warning-text" : "quiet"}`}>
				{Math.round(caption.letters_a_second)} letters a second{caption.hasty && ", too quick to read"}
				{caption.wide && "; a row is too long"}
			</p>
			{isCorrected && (
				<p className="small caption-said">
					<i className="serif">Said: “{caption.said}”</i>{" "}
					<button type="button" className="link" onClick={() => correctCaption(editor, caption, asSaid(caption))}>
						As said
					</button>
				</p>
			)}
			<div className="caption-buttons">
				<PlainButton
					small
					disabled={!joins}
					onClick={() => next && cutCaption(editor, next.line, next.first, "goes-on")}
				>
					Join next
				</PlainButton>
				<PlainButton small onClick={cutHere}>
					Cut here
				</PlainButton>
			</div>
			<Nudge label="Begins" by={Number(nudged.begins ?? 0)} onNudge={(step) => nudge({ begins: step })} />
			<Nudge label="Ends" by={Number(nudged.ends ?? 0)} onNudge={(step) => nudge({ ends: step })} />
		</>
	);
}

/** Earlier or later, a tenth of a second at a time. */
function Nudge({ label, by, onNudge }: { label: string; by: number; onNudge: (step: number) => void }) {
	const says = by === 0 ? "as said" : `${Math.abs(by).toFixed(1)} s ${by > 0 ? "later" : "earlier"}`;
	return (
		<p className="caption-nudge small">
			<span className="label">{label}</span>
			<button type="button" className="link" aria-label={`${label} earlier`} onClick={() => onNudge(-STEP)}>
				−
			</button>
			<span className="num">{says}</span>
			<button type="button" className="link" aria-label={`${label} later`} onClick={() => onNudge(STEP)}>
				+
			</button>
		</p>
	);
}

/** The word of the line that is shown at a place of the caption's text; what stands for several words begins with their first. */
function wordAtCaret(words: readonly SaidWord[], text: string, at: number): number {
	const place = text.slice(0, at).split(/\s+/).filter(Boolean).length - (/\S$/.test(text.slice(0, at)) ? 1 : 0);
	let [said, shown] = [0, 0];
	for (const { first, last, text: corrected } of [...correctionsFor(words, text), NO_MORE]) {
		if (place < shown + first - said) return said + place - shown;
		shown += first - said + corrected.split(" ").length;
		said = last + 1;
		if (place < shown) return first;
	}
	return said;
}

const NO_MORE = { first: Number.POSITIVE_INFINITY, last: Number.POSITIVE_INFINITY, text: "" };
