import type { Editor } from "@tiptap/core";
import { useEffect, useState } from "react";

type Props = {
	editor: Editor;
	root: HTMLElement;
	onCue: () => void;
	onSpeak: () => void;
};

/** What can be done with selected words; hangs in the speaker's margin, never over the text. */
export function SelectionSlip({ editor, root, onCue, onSpeak }: Props) {
	const [top, setTop] = useState<number | null>(null);
	useEffect(() => {
		const place = () => {
			const { selection } = editor.state;
			const inLine = selection.$from.parent.type.name === "line" && selection.$from.sameParent(selection.$to);
			if (selection.empty || !inLine || !editor.isFocused) return setTop(null);
			const at = editor.view.coordsAtPos(selection.from);
			setTop(at.top - root.getBoundingClientRect().top + 24);
		};
		const leave = () => setTimeout(() => !root.contains(document.activeElement) && setTop(null));
		editor.on("transaction", place);
		editor.on("blur", leave);
		return () => {
			editor.off("transaction", place);
			editor.off("blur", leave);
		};
	}, [editor, root]);
	if (top === null) return null;
	return (
		<div className="selection-slip" style={{ top }} role="toolbar" aria-label="Selected words">
			<button type="button" title="Alt+Q" onClick={onCue}>
				Cue
			</button>
			<button type="button" title="Alt+U" onClick={() => editor.chain().focus().toggleSpoken().run()}>
				Leave unsaid
			</button>
			<button type="button" onClick={onSpeak}>
				Speak from here
			</button>
		</div>
	);
}
