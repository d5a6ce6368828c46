import { UndoRedo } from "@tiptap/extensions";
import { CueMark } from "./cueMark";
import { Finding } from "./finding";
import { Folding } from "./folding";
import { MarksExtension } from "./marks";
import { DirectionNode, LineNode, SceneHeadingNode, SceneNode, ScriptDocument, ScriptText } from "./nodes";
import { Typing } from "./typing";

/** Everything the script editor is made of. */
export const scriptExtensions = (onManuscript: ((text: string, html: string) => void) | null = null) => [
	ScriptDocument,
	ScriptText,
	SceneNode,
	SceneHeadingNode,
	LineNode,
	DirectionNode,
	CueMark,
	Typing.configure({ onManuscript }),
	MarksExtension,
	Finding,
	Folding,
	UndoRedo.configure({ depth: 400 }),
];
