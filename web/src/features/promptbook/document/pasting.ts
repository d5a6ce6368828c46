import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { type Node as DocNode, Fragment, type Schema } from "@tiptap/pm/model";
import { TextSelection } from "@tiptap/pm/state";
import { api, ask, type Schemas } from "../../../shared/api/client";
import { type Block, newId, type Scene, sceneToNode } from "./document";

export type Paste = Schemas["PasteOut"];
export type Piece = Paste["pieces"][number];

/** A page's or a word processor's text with its headings and paragraphs, as Markdown; the rest is dropped. */
export function textOfHtml(html: string): string {
	const page = new DOMParser().parseFromString(html, "text/html");
	for (const unread of page.querySelectorAll("style, script, head, title")) unread.remove();
	const rows: string[] = [];
	const walk = (element: Element) => {
		for (const child of element.children) {
			const text = child.textContent?.replace(/\s+/g, " ").trim() ?? "";
			if (!text) continue;
			if (/^H[1-6]$/.test(child.tagName)) rows.push(`# ${text}`);
			else if (child.querySelector("p, div, li, h1, h2, h3, h4, h5, h6, td, blockquote")) walk(child);
			else rows.push(text);
		}
	};
	walk(page.body);
	return rows.join("\n\n");
}

/** Whether a paste needs a reader who knows scripts: it has headings, or is long. */
export function isManuscript(text: string, html: string): boolean {
	return /<h[1-6][\s>]/i.test(html) || /^(#|\.[A-Z]|INT\.|EXT\.|Title:)/m.test(text) || text.split(/\s+/).length >= 60;
}

/** What the server reads in a paste; null when it does not answer. */
export async function readPaste(text: string, html: string, language: string): Promise<Paste | null> {
	const headed = /<h[1-6][\s>]/i.test(html);
	const body = headed
		? { text: textOfHtml(html), kind: "markdown" as const, language }
		: { text, kind: "" as const, language };
	try {
		return await ask(api.POST("/api/productions/paste", { body }));
	} catch {
		return null;
	}
}

/** The only scene of a paste as several: a new one begins at each of the pieces in `cuts`. */
export function cutScenes(scene: Scene, pieces: readonly Piece[], cuts: readonly number[]): Scene[] {
	const groups = [0, ...cuts].map((from, i) => pieces.slice(from, cuts[i] ?? pieces.length));
	let unplaced = 0; // directions go with the line that follows them
	return groups.map((group, i): Scene => {
		const blocks: Block[] = [];
		const lastGroup = i === groups.length - 1;
		for (const piece of group) {
			for (; unplaced < piece.block; unplaced += 1) {
				const direction = scene.blocks[unplaced];
				if (direction?.kind === "direction") blocks.push(direction);
			}
			const line = scene.blocks[piece.block];
			if (!line) continue;
			unplaced = piece.block + 1;
			const before = blocks.at(-1);
			const text = line.text.slice(piece.start, piece.end);
			const cuesFrom = (shift: number) =>
				line.cues
					.filter((cue) => cue.start >= piece.start && cue.start < piece.end)
					.map((cue) => ({ ...cue, start: cue.start - piece.start + shift }));
			if (before && before.kind === "line" && !piece.opens) {
				before.cues.push(...cuesFrom(before.text.length + 1));
				before.text += ` ${text}`;
			} else blocks.push({ ...line, id: newId(), text, cues: cuesFrom(0) });
		}
		if (lastGroup) blocks.push(...scene.blocks.slice(unplaced).filter((block) => block.kind === "direction"));
		return { ...scene, id: newId(), blocks };
	});
}

/** Put scenes in at the caret: the first goes on in the scene there unless it has a heading. One step to undo. */
export function insertScenes(editor: Editor, scenes: readonly Scene[]): void {
	const { state } = editor;
	const { $from, $to } = state.selection;
	if ($from.depth < 2 || !scenes.length) return;
	// what names nobody is said by who speaks at the caret
	const speaker = String($from.parent.attrs.speaker ?? "");
	const spoken = (block: Block) => (block.kind === "line" && !block.speaker ? { ...block, speaker } : block);
	const nodes = scenes.map((scene) =>
		state.schema.nodeFromJSON(sceneToNode({ ...scene, blocks: scene.blocks.map(spoken) })),
	);
	const whole = $from.node(1);
	const { before, after } = aroundSelection(whole, $from.index(1), $to.index(1), $from.parentOffset, $to);
	const [first, ...rest] = nodes as [DocNode, ...DocNode[]];
	const made: DocNode[] = [];
	const headed = first.firstChild?.content.size;
	const heading = whole.firstChild as DocNode;
	if (headed && (before.length || heading.content.size)) {
		made.push(
			whole.type.create(whole.attrs, [heading, ...(before.length ? before : [emptyLine(state.schema)])]),
			first,
		);
	} else {
		const content = [headed ? (first.firstChild as DocNode) : heading, ...before, ...blocksOf(first)];
		made.push(whole.type.create(whole.attrs, content));
	}
	made.push(...rest);
	const last = made.at(-1) as DocNode;
	if (after.length) made[made.length - 1] = last.copy(last.content.append(Fragment.fromArray(after)));
	const at = $from.before(1);
	const end = $to.depth > 1 ? $to.after(1) : at + whole.nodeSize;
	const tr = state.tr.replaceWith(at, end, made);
	const size = made.reduce((sum, node) => sum + node.nodeSize, 0);
	const afterSize = after.reduce((sum, node) => sum + node.nodeSize, 0);
	tr.setSelection(TextSelection.near(tr.doc.resolve(at + size - 1 - afterSize), -1)).scrollIntoView();
	editor.view.dispatch(closeHistory(tr));
	editor.view.focus();
}

const emptyLine = (schema: Schema) => schema.node("line", { id: newId() });

function blocksOf(scene: DocNode): DocNode[] {
	const blocks: DocNode[] = [];
	scene.forEach((block, _, index) => {
		if (index > 0) blocks.push(block);
	});
	return blocks;
}

/** What of the scene stays before and after the selection; a line that would be empty is left out. */
function aroundSelection(
	scene: DocNode,
	fromIndex: number,
	toIndex: number,
	fromOffset: number,
	$to: { parentOffset: number; parent: DocNode; node: (depth: number) => DocNode },
) {
	const before: DocNode[] = [];
	const after: DocNode[] = [];
	scene.forEach((block, _, index) => {
		if (index > 0 && index < fromIndex) before.push(block);
		if (index === fromIndex && index > 0 && fromOffset > 0) before.push(block.cut(0, fromOffset));
	});
	$to.node(1).forEach((block, _, index) => {
		if (index === toIndex && index > 0 && $to.parentOffset < $to.parent.content.size)
			after.push(block.type.create({ ...block.attrs, id: newId() }, block.cut($to.parentOffset).content));
		if (index > toIndex && index > 0) after.push(block);
	});
	return { before, after };
}
