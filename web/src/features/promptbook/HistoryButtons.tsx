import type { Editor } from "@tiptap/core";
import { useEditorState } from "@tiptap/react";

/** Undo and redo of whatever was changed in the production, wherever it was changed. */
export function HistoryButtons({ editor }: { editor: Editor }) {
	const can = useEditorState({
		editor,
		selector: ({ editor: now }) => ({ undo: now.can().undo(), redo: now.can().redo() }),
	});
	return (
		<>
			<button
				type="button"
				className="head-button"
				title="Ctrl+Z"
				disabled={!can.undo}
				onClick={() => editor.commands.undo()}
			>
				Undo
			</button>
			<button
				type="button"
				className="head-button"
				title="Ctrl+Shift+Z"
				disabled={!can.redo}
				onClick={() => editor.commands.redo()}
			>
				Redo
			</button>
		</>
	);
}
