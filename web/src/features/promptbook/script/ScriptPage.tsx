import { EditorContent, useEditor } from "@tiptap/react";
import { type Ref, useEffect, useMemo, useRef, useState } from "react";
import { clock } from "../../../shared/time";
import { editorToScript, type Script, scriptToEditor } from "../document";
import { playhead, usePlayhead } from "../playhead";
import type { Check, SceneTimes } from "../useSceneTimes";
import { type CueHandle, Cues } from "./Cues";
import { scriptExtensions } from "./extensions";
import { type Marks, marksKey } from "./marks";
import { SceneSlip } from "./SceneSlip";
import { readCaret } from "./typing";

type Props = {
	script: Script;
	/** Counts up when the script came from elsewhere than this editor. */
	generation: number;
	check: Check | null;
	times: Map<string, SceneTimes>;
	reading: ReadonlySet<string>;
	/** The host who plays a line's speaker. */
	hostOf: (lineId: string) => string;
	cueHandle: Ref<CueHandle>;
	onChange: (script: Script) => void;
	onSpeakFrom: (lineId: string, offset: number) => void;
};

const EDITOR_PROPS = {
	attributes: {
		"aria-label": "Script",
		role: "textbox",
		"aria-multiline": "true",
		spellcheck: "true",
		class: "script",
	},
};

/** The left page: the script, always there. */
export function ScriptPage(props: Props) {
	const { script, generation, check, times, reading, onChange } = props;
	const [root, setRoot] = useState<HTMLElement | null>(null);
	const latest = useRef(script);
	latest.current = script;
	const change = useRef(onChange);
	change.current = onChange;
	// the same objects at every render: the editor is set up anew when they differ
	const [setup] = useState(() => ({ extensions: scriptExtensions(), content: scriptToEditor(script) }));
	const editor = useEditor({
		...setup,
		shouldRerenderOnTransaction: false,
		editorProps: EDITOR_PROPS,
		onUpdate: ({ editor: changed, transaction }) => {
			if (transaction.docChanged) change.current(editorToScript(changed.getJSON(), latest.current));
		},
		onSelectionUpdate: ({ editor: changed }) => {
			const { $from } = changed.state.selection;
			const scene = $from.depth > 0 ? $from.node(1) : null;
			const id = scene ? String(scene.attrs.id) : "";
			if (id && !playhead.get().playing && playhead.get().sceneId !== id) playhead.set({ sceneId: id, at: 0 });
		},
	});

	// only a script from elsewhere replaces the text
	useEffect(() => {
		if (editor && generation > 0) editor.commands.setContent(scriptToEditor(latest.current), { emitUpdate: false });
	}, [editor, generation]);

	const word = usePlayhead((p) => wordKey(times.get(p.sceneId), p.at));
	const heard = useMemo(() => (word ? (JSON.parse(word) as NonNullable<Marks["word"]>) : null), [word]);
	useEffect(() => {
		if (!editor) return;
		const marks: Marks = { word: heard, check, reading };
		readCaret();
		editor.view.dispatch(editor.state.tr.setMeta(marksKey, marks).setMeta("addToHistory", false));
		if (playhead.get().playing && heard) {
			editor.view.dom.querySelector(".at-playhead")?.scrollIntoView({ block: "nearest", behavior: "smooth" });
		}
	}, [editor, heard, check, reading]);

	return (
		<main className="page leaf" aria-label="Script page">
			<div className="script-scroll">
				<div className="script-sheet" ref={setRoot}>
					<EditorContent editor={editor} />
					{editor && root && <SceneSlip editor={editor} root={root} />}
					{editor && root && (
						<Cues
							editor={editor}
							root={root}
							times={times}
							heard={heard}
							hostOf={props.hostOf}
							handle={props.cueHandle}
							onSpeakFrom={props.onSpeakFrom}
						/>
					)}
				</div>
			</div>
			<p className="folio num">
				{check && (
					<>
						{check.scenes.length} {check.scenes.length === 1 ? "scene" : "scenes"}
						<span aria-hidden="true"> · </span>
						{check.words} words
						<span aria-hidden="true"> · </span>
						{check.estimated ? "about " : ""}
						{clock(check.seconds)}
					</>
				)}
			</p>
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
