import { useMutation } from "@tanstack/react-query";
import type { Editor } from "@tiptap/core";
import { useState } from "react";
import { api, ask, type Schemas } from "../../../shared/api/client";
import type { ProductionDocument } from "../document/document";
import { type Reworked, take } from "./rewriting";
import type { Writer } from "./useDrafts";

export type Kind = Schemas["ReworkIn"]["kind"];
export type Scope = "all" | "scene" | "words";
export type Wish = { kind: Kind; scope: Scope; seconds: number; tone: string; longest: number };
type Found = Schemas["ReworkOut"];

export const keyOf = (one: Reworked) => `${one.line} ${one.start}`;
export const changes = (one: Reworked) => one.edits.length > 0;

type Decision = "taken" | "left";

/** A rework of the script: asked for, then taken or left sentence by sentence. The script changes when it is put in. */
export function useRework(editor: Editor, document: ProductionDocument, writer: Writer, sceneId: string) {
	const [wish, setWish] = useState<Wish | null>(null);
	const [decided, setDecided] = useState<ReadonlyMap<string, Decision>>(new Map());
	const [at, setAt] = useState(0);
	const [delivered, setDelivered] = useState(false);
	const asked = useMutation({
		mutationFn: (wanted: Wish) => {
			const lines = linesIn(editor, document, wanted.scope, sceneId);
			const { kind, seconds, tone, longest } = wanted;
			const body = { ...writer, script: document.script, lines, kind, seconds, tone, longest };
			return ask(api.POST("/api/writing/rework", { body }));
		},
		onSuccess: () => {
			setDecided(new Map());
			setDelivered(false);
			setAt(0);
		},
	});
	const found: Found | undefined = wish ? asked.data : undefined;
	const changed = found?.sentences.filter(changes) ?? [];
	const is = (decision: Decision) => changed.filter((one) => decided.get(keyOf(one)) === decision);
	const undecided = changed.filter((one) => !decided.has(keyOf(one)));
	const taken = is("taken");
	const won = (these: readonly Reworked[]) => these.reduce((sum, one) => sum + one.seconds, 0);
	const before = found?.before ?? 0;
	const decide = (these: readonly Reworked[], decision: Decision) =>
		setDecided((now) => new Map([...now, ...these.map((one) => [keyOf(one), decision] as const)]));
	const end = () => setWish(null);
	const saidSo = delivered && found?.delivery ? { ...found, manner: found.delivery, lines: linesOf(found) } : undefined;
	return {
		wish,
		found,
		changed,
		taken,
		undecided,
		left: is("left"),
		decision: (one: Reworked) => decided.get(keyOf(one)),
		at: Math.min(at, Math.max(0, changed.length - 1)),
		setAt,
		before,
		now: before - won(taken),
		withAll: before - won(taken) - won(undecided),
		waiting: asked.isPending,
		problem: asked.error,
		begin: (next: Wish) => {
			setWish(next);
			asked.mutate(next);
		},
		/** Whether the lines are also to be said in the manner that suits the tone. */
		delivered,
		setDelivered,
		decide,
		/** Decide the sentence at hand and go to the next. */
		decideHere: (decision: Decision) => {
			const one = changed[at];
			if (!one) return;
			decide([one], decision);
			setAt(Math.min(at + 1, changed.length - 1));
		},
		putIn: () => {
			take(editor, taken, saidSo);
			end();
		},
		end,
	};
}

export type ReworkState = ReturnType<typeof useRework>;

const linesOf = (found: Found) => [...new Set(found.sentences.map(({ line }) => line))];

/** The lines a rework is about: those of the scene at the playhead, those of the selection, or none for all. */
function linesIn(editor: Editor, document: ProductionDocument, scope: Scope, sceneId: string): string[] {
	if (scope === "all") return [];
	if (scope === "scene") {
		const scene = document.script.scenes.find(({ id }) => id === sceneId) ?? document.script.scenes[0];
		return scene?.blocks.flatMap((block) => (block.kind === "line" ? [block.id] : [])) ?? [];
	}
	const { from, to } = editor.state.selection;
	const lines: string[] = [];
	editor.state.doc.nodesBetween(from, to, (node) => {
		if (node.type.name === "line") lines.push(String(node.attrs.id));
		return node.type.name === "scene";
	});
	return lines;
}
