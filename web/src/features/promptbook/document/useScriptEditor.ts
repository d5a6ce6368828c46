import { type Editor, useEditor } from "@tiptap/react";
import { useRef, useState } from "react";
import { documentToEditor, editorToDocument, type ProductionDocument } from "./document";
import { scriptExtensions } from "./extensions";
import { playhead } from "./playhead";

const EDITOR_PROPS = {
	attributes: {
		"aria-label": "Script",
		role: "textbox",
		"aria-multiline": "true",
		spellcheck: "true",
		class: "script",
	},
};

/** The editor that holds the production: its script and every choice. A long paste is handed to `onManuscript`. */
export function useScriptEditor(
	document: ProductionDocument,
	title: string,
	onChange: (document: ProductionDocument, title: string) => void,
	onManuscript: (text: string, html: string) => void,
): Editor {
	const latest = useRef(document);
	latest.current = document;
	const change = useRef(onChange);
	change.current = onChange;
	const paste = useRef(onManuscript);
	paste.current = onManuscript;
	// the same objects at every render: the editor is set up anew when they differ
	const [setup] = useState(() => ({
		extensions: scriptExtensions((text, html) => paste.current(text, html)),
		content: documentToEditor(document, title),
	}));
	return useEditor({
		...setup,
		shouldRerenderOnTransaction: false,
		editorProps: EDITOR_PROPS,
		onUpdate: ({ editor, transaction }) => {
			if (transaction.docChanged) {
				const { doc } = editor.state;
				change.current(editorToDocument(doc, latest.current), String(doc.attrs.title));
			}
		},
		onSelectionUpdate: ({ editor }) => {
			const { $from } = editor.state.selection;
			const scene = $from.depth > 0 ? $from.node(1) : null;
			const id = scene ? String(scene.attrs.id) : "";
			if (id && !playhead.get().playing && playhead.get().sceneId !== id) playhead.set({ sceneId: id, at: 0 });
		},
	});
}
