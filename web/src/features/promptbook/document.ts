import type { JSONContent } from "@tiptap/core";
import type { Schemas } from "../../shared/api/client";
import { wordAt } from "./script/words";

export type ProductionDocument = Schemas["DocumentSchema"];
export type Script = Schemas["ScriptSchema"];
export type Scene = Schemas["SceneSchema"];
export type Block = Schemas["BlockSchema"];

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

/** A line's text, each word with the cues that lie on it. */
function cuedText(block: Block): JSONContent[] {
	const nodes: JSONContent[] = [];
	let done = 0;
	const words = new Map<number, { to: number; marks: JSONContent["marks"] }>();
	for (const { start, ...attrs } of block.cues) {
		const word = wordAt(block.text, start);
		if (!word) continue;
		const known = words.get(word.from) ?? { to: word.to, marks: [] };
		known.marks?.push({ type: "cue", attrs });
		words.set(word.from, known);
	}
	for (const [from, { to, marks }] of [...words].sort((a, b) => a[0] - b[0])) {
		nodes.push(...textNodes(block.text.slice(done, from)), { type: "text", text: block.text.slice(from, to), marks });
		done = to;
	}
	return [...nodes, ...textNodes(block.text.slice(done))];
}

/** The cues on a line of the editor, each at the start of its word. */
function cuesOn(line: JSONContent): Block["cues"] {
	const text = textOf(line);
	const found = new Map<string, Block["cues"][number]>();
	let offset = 0;
	for (const child of line.content ?? []) {
		for (const mark of child.marks ?? []) {
			const { id, kind, parameters, look } = mark.attrs ?? {};
			const start = wordAt(text, offset)?.from ?? offset;
			if (mark.type === "cue" && !found.has(id)) found.set(id, { id, kind, start, parameters, look: Boolean(look) });
		}
		offset += child.text?.length ?? 0;
	}
	return [...found.values()].sort((a, b) => a.start - b.start);
}

/** The script as the editor holds it. */
export function scriptToEditor(script: Script): JSONContent {
	return {
		type: "doc",
		content: script.scenes.map((scene) => ({
			type: "scene",
			attrs: { id: scene.id },
			content: [
				{ type: "sceneHeading", content: textNodes(scene.heading) },
				...(scene.blocks.length
					? scene.blocks
					: [{ id: newId(), kind: "line" as const, text: "", speaker: "", cues: [] }]
				).map(blockToNode),
			],
		})),
	};
}

function textOf(node: JSONContent): string {
	return (node.content ?? []).map((child) => child.text ?? "").join("");
}

/** What the editor holds as a script; title and notes come from `before`. */
export function editorToScript(doc: JSONContent, before: Script): Script {
	const scenes = (doc.content ?? []).map((scene): Scene => {
		const [heading, ...blocks] = scene.content ?? [];
		return {
			id: String(scene.attrs?.id ?? newId()),
			heading: heading ? textOf(heading) : "",
			blocks: blocks.map((block) => ({
				id: String(block.attrs?.id ?? newId()),
				kind: block.type === "direction" ? "direction" : "line",
				text: textOf(block),
				speaker: block.type === "direction" ? "" : String(block.attrs?.speaker ?? ""),
				cues: block.type === "direction" ? [] : cuesOn(block),
			})),
		};
	});
	return { ...before, scenes };
}

/** Who speaks, in order of appearance. */
export function speakersOf(script: Script): string[] {
	const names = script.scenes.flatMap((s) =>
		s.blocks.filter((b) => b.kind === "line" && b.text.trim()).map((b) => b.speaker ?? ""),
	);
	return [...new Set(names)];
}

/** A speaker's name as shown: MAREN as Maren. */
export function shownName(speaker: string): string {
	if (!speaker || speaker !== speaker.toUpperCase()) return speaker;
	return speaker
		.toLowerCase()
		.replace(/(^|[\s'-])(\p{L})/gu, (_, gap: string, letter: string) => gap + letter.toUpperCase());
}

/** Every speaker of the script has an entry, new ones a free host and the first voice. */
export function withFullCast(
	document: ProductionDocument,
	hosts: readonly { id: string; name: string }[],
	voices: readonly { id: string }[],
): ProductionDocument {
	const cast = { ...document.cast };
	for (const speaker of speakersOf(document.script)) {
		if (cast[speaker]) continue;
		const taken = new Set(Object.values(cast).map((entry) => entry.host));
		const host = hosts.find((h) => h.name.split(" ")[0]?.toLowerCase() === speaker.toLowerCase() && !taken.has(h.id));
		const free = host ?? hosts.find((h) => !taken.has(h.id)) ?? hosts[0];
		const voice = Object.values(document.cast)[0]?.voice ?? voices[0]?.id ?? "";
		if (free) cast[speaker] = { host: free.id, voice };
	}
	return { ...document, cast };
}
