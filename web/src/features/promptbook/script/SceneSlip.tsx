import type { Editor } from "@tiptap/core";
import { useEffect, useState } from "react";
import { isFolded } from "../document/folding";
import { sceneAtCaret } from "../document/scenes";

/** What can be done with the scene whose heading holds the caret; hangs in the margin beside it. */
export function SceneSlip({ editor, root }: { editor: Editor; root: HTMLElement }) {
	const [at, setAt] = useState<{ top: number; number: number; count: number; folded: boolean } | null>(null);
	useEffect(() => {
		const place = () => {
			const { selection, doc } = editor.state;
			const scene = sceneAtCaret(editor.state);
			const inHeading = selection.empty && selection.$from.parent.type.name === "sceneHeading";
			if (!scene || !inHeading || !editor.isFocused) return setAt(null);
			const top = editor.view.coordsAtPos(scene.start + 2).top - root.getBoundingClientRect().top + 38;
			const folded = isFolded(editor.state, String(scene.node.attrs.id));
			setAt({ top, number: scene.index + 1, count: doc.childCount, folded });
		};
		editor.on("transaction", place);
		editor.on("focus", place);
		editor.on("blur", place);
		return () => {
			editor.off("transaction", place);
			editor.off("focus", place);
			editor.off("blur", place);
		};
	}, [editor, root]);
	if (!at) return null;
	const { commands } = editor;
	return (
		<div
			className="selection-slip"
			style={{ top: at.top }}
			role="toolbar"
			aria-label={`Scene ${at.number}`}
			onMouseDown={(event) => event.preventDefault()}
		>
			<button
				type="button"
				title={at.folded ? "Alt+Shift+Right" : "Alt+Shift+Left"}
				onClick={() => commands.foldScene(!at.folded)}
			>
				{at.folded ? "Unfold" : "Fold"}
			</button>
			<button type="button" onClick={() => commands.foldAll(!at.folded)}>
				{at.folded ? "Unfold all" : "Fold all"}
			</button>
			{at.number > 1 && (
				<button type="button" title="Alt+Shift+Up" onClick={() => commands.moveScene(-1)}>
					Move up
				</button>
			)}
			{at.number < at.count && (
				<button type="button" title="Alt+Shift+Down" onClick={() => commands.moveScene(1)}>
					Move down
				</button>
			)}
			<button type="button" title="Alt+Shift+D" onClick={() => commands.duplicateScene()}>
				Duplicate
			</button>
			{at.number > 1 && (
				<button type="button" onClick={() => commands.joinScene()}>
					Join to {at.number - 1}
				</button>
			)}
			<button type="button" onClick={() => commands.deleteScene()}>
				Delete scene
			</button>
		</div>
	);
}
