import { UndoRedo } from "@tiptap/extensions";
import { MarksExtension } from "./marks";
import { DirectionNode, LineNode, SceneHeadingNode, SceneNode, ScriptDocument, ScriptText } from "./nodes";
import { Typing } from "./typing";

/** Everything the script editor is made of. */
export const scriptExtensions = () => [
	ScriptDocument,
	ScriptText,
	SceneNode,
	SceneHeadingNode,
	LineNode,
	DirectionNode,
	Typing,
	MarksExtension,
	UndoRedo.configure({ depth: 400 }),
];
