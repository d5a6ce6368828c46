import type { JSONContent } from "@tiptap/core";
import type { Node as DocNode } from "@tiptap/pm/model";
import type { Schemas } from "../../../shared/api/client";
import { cuesInLine } from "./cues";
import { wordAt } from "./words";

export type ProductionDocument = Schemas["DocumentSchema"];
export type Script = Schemas["ScriptSchema"];
export type Scene = Schemas["SceneSchema"];
export type Block = Schemas["BlockSchema"];
export type Staging = Schemas["StagingSchema"];
export type Brief = Schemas["BriefSchema"];
export type Choices = Omit<ProductionDocument, "script">;

/** A scene without choices of its own. */
export const AS_EVERYWHERE: Staging = { blocking: {}, looks: {} };
/** How somebody is played who is not cast yet. */
export const NOT_PLAYED: ProductionDocument["cast"][string] = {
	host: "maren",
	voice: "",
	effect: "none",
	eye_contact: 0.5,
	blinks: 1,
	head: 1,
	pace: 1,
};
export const NO_BRIEF: Brief = {
	purpose: "",
	audience: "",
	channel: "",
	tone: "",
	topic: "",
	own_words: "",
	call_to_action: "",
	may_quote: false,
	sample: "",
	points: [],
	target: 0,
};

export function newId(): string {
	return crypto.randomUUID().replaceAll("-", "").slice(0, 10);
}

function textNodes(text: string): JSONContent[] {
	return text ? [{ type: "text", text }] : [];
}

function blockToNode(block: Block): JSONContent {
	if (block.kind === "direction") {
		return { type: "direction", attrs: { id: block.id }, content: textNodes(block.text) };
	}
	return { type: "line", attrs: { id: block.id, speaker: block.speaker ?? "" }, content: cuedText(block) };
}

/** A line's text, cut where cues begin and end, each piece with the cues that lie on it. */
function cuedText(block: Block): JSONContent[] {
	const laid = block.cues.flatMap(({ start, end = null, ...attrs }) => {
		const word = wordAt(block.text, start);
		const last = end === null ? word : wordAt(block.text, end);
		if (!word || !last) return [];
		const mark = { type: "cue", attrs: { ...attrs, stretch: end !== null } };
		return [{ from: word.from, to: Math.max(word.to, last.to), mark }];
	});
	const cuts = [...new Set([0, block.text.length, ...laid.flatMap(({ from, to }) => [from, to])])].sort(
		(a, b) => a - b,
	);
	return cuts.slice(1).flatMap((to, index) => {
		const from = cuts[index] ?? 0;
		const marks = laid.filter((cue) => cue.from <= from && cue.to >= to).map(({ mark }) => mark);
		return textNodes(block.text.slice(from, to)).map((node) => (marks.length ? { ...node, marks } : node));
	});
}

/** The cues on a line of the editor, each at the start of its word. */
function cuesOn(line: DocNode): Block["cues"] {
	return cuesInLine(line)
		.map(({ id, kind, offset, parameters, look, end }) => ({
			id,
			kind,
			start: offset,
			parameters,
			look,
			...(end === null ? {} : { end }),
		}))
		.sort((a, b) => a.start - b.start);
}

/** Everything chosen for a production but its script. */
export function choicesOf({ script: _, ...choices }: ProductionDocument): Choices {
	return choices;
}

/** The production as the editor holds it: one document, so that one history undoes everything. */
export function documentToEditor(production: ProductionDocument, title = ""): JSONContent {
	return {
		type: "doc",
		attrs: {
			title,
			choices: { ...choicesOf(production), brief: production.brief ?? NO_BRIEF, say_as: production.say_as ?? [] },
		},
		content: production.script.scenes.map(sceneToNode),
	};
}

/** A scene as the editor holds it, with a line to write in where it is empty. */
export function sceneToNode(scene: Scene): JSONContent {
	const blocks = scene.blocks.length
		? scene.blocks
		: [{ id: newId(), kind: "line" as const, text: "", speaker: "", cues: [] }];
	return {
		type: "scene",
		attrs: { id: scene.id, staging: scene.staging ?? AS_EVERYWHERE },
		content: [{ type: "sceneHeading", content: textNodes(scene.heading) }, ...blocks.map(blockToNode)],
	};
}

// a scene that did not change stays the same object: what is drawn from it need not be drawn again
const known = new WeakMap<DocNode, Scene>();

function sceneOf(node: DocNode): Scene {
	let scene = known.get(node);
	if (!scene) {
		const blocks: Block[] = [];
		node.forEach((block, _, index) => {
			if (index > 0) blocks.push(blockOf(block));
		});
		scene = {
			id: String(node.attrs.id ?? newId()),
			heading: node.firstChild?.textContent ?? "",
			blocks,
			staging: node.attrs.staging as Staging,
		};
		known.set(node, scene);
	}
	return scene;
}

function blockOf(node: DocNode): Block {
	const id = String(node.attrs.id ?? newId());
	if (node.type.name === "direction") return { id, kind: "direction", text: node.textContent, speaker: "", cues: [] };
	const speaker = String(node.attrs.speaker ?? "");
	return { id, kind: "line", text: node.textContent, speaker, cues: cuesOn(node) };
}

/** What the editor holds as a production; the script's title and notes come from `before`. */
export function editorToDocument(doc: DocNode, before: ProductionDocument): ProductionDocument {
	const scenes: Scene[] = [];
	doc.forEach((scene) => {
		scenes.push(sceneOf(scene));
	});
	return { ...(doc.attrs.choices as Choices), script: { ...before.script, scenes } };
}

/** Who speaks, in order of appearance. */
export function speakersOf(script: Script): string[] {
	return [...new Set(script.scenes.flatMap(speakersIn))];
}

/** Who speaks in a scene, in order of appearance. */
export function speakersIn(scene: Scene): string[] {
	const lines = scene.blocks.filter((block) => block.kind === "line" && block.text.trim());
	return [...new Set(lines.map((line) => line.speaker ?? ""))];
}

/** A speaker's name as shown: MAREN as Maren. */
export function shownName(speaker: string): string {
	if (!speaker || speaker !== speaker.toUpperCase()) return speaker;
	return speaker
		.toLowerCase()
		.replace(/(^|[\s'-])(\p{L})/gu, (_, gap: string, letter: string) => gap + letter.toUpperCase());
}

/** The cast with those speakers added who are new in the script, as `proposed`; null where nobody is new. */
export function withNewSpeakers(
	{ script, cast }: ProductionDocument,
	proposed: ProductionDocument["cast"],
): ProductionDocument["cast"] | null {
	const asked = Object.entries(proposed);
	if (!asked.length) return null; // at nearly every key
	const speaking = new Set(speakersOf(script));
	const added = asked.filter(([speaker]) => speaking.has(speaker) && !cast[speaker]);
	return added.length ? { ...cast, ...Object.fromEntries(added) } : null;
}
