import type { Editor } from "@tiptap/core";
import { redoDepth, undoDepth } from "@tiptap/pm/history";
import { useEditorState } from "@tiptap/react";

const WAYS = [
	{ name: "Undo", keys: "Ctrl+Z", depth: undoDepth, go: (editor: Editor) => editor.commands.undo() },
	{ name: "Redo", keys: "Ctrl+Shift+Z", depth: redoDepth, go: (editor: Editor) => editor.commands.redo() },
];

/** Undo and redo of whatever was changed in the production, wherever it was changed. */
export function HistoryButtons({ editor }: { editor: Editor }) {
	// the depth alone: it is looked at on every key
	const can = useEditorState({ editor, selector: ({ editor: now }) => WAYS.map(({ depth }) => depth(now.state) > 0) });
	return WAYS.map(({ name, keys, go }, index) => (
		<button
			key={name}
			type="button"
			className="head-button"
			title={keys}
			disabled={!can[index]}
			onClick={() => go(editor)}
		>
			{name}
		</button>
	));
}
