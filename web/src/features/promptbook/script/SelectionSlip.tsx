import type { Editor } from "@tiptap/core";
import { useEffect, useState } from "react";

type Props = {
	editor: Editor;
	root: HTMLElement;
	onCue: () => void;
	onPut: (kind: string) => void;
	onPicture: () => void;
	onSayAs: () => void;
	onSpeak: () => void;
};

/** What can be done with selected words; hangs in the speaker's margin, never over the text. */
export function SelectionSlip({ editor, root, onCue, onPut, onPicture, onSayAs, onSpeak }: Props) {
	const [top, setTop] = useState<number | null>(null);
	useEffect(() => {
		const place = () => {
			const { selection } = editor.state;
			const inLine = selection.$from.parent.type.name === "line" && selection.$from.sameParent(selection.$to);
			if (selection.empty || !inLine || !editor.isFocused) return setTop(null);
			const at = editor.view.coordsAtPos(selection.from);
			const line = editor.view.coordsAtPos(selection.$from.start());
			const besideName = at.top - line.top < 4; // the speaker's name stands there
			setTop(at.top - root.getBoundingClientRect().top + (besideName ? 26 : 0));
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
		<div
			className="selection-slip"
			style={{ top }}
			role="toolbar"
			aria-label="Selected words"
			// the words stay selected while something is chosen for them
			onMouseDown={(event) => event.preventDefault()}
		>
			<button type="button" title="Alt+Q" onClick={onCue}>
				Cue
			</button>
			<button type="button" title="Alt+E" onClick={() => onPut("emphasis")}>
				Emphasis
			</button>
			<button type="button" onClick={onPicture}>
				Picture here
			</button>
			<button type="button" onClick={() => onPut("pause")}>
				Pause before
			</button>
			<button type="button" title="Alt+Y" onClick={onSayAs}>
				Say as…
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
