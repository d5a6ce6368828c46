import { type ReactNode, useState } from "react";
import { type ShelfThing, useThings } from "../../../shared/shelf/useShelf";
import type { SentenceChoice } from "./ChoiceSentence";
import { useChoices } from "./catalogue";
import type { ProductionDocument, Scene } from "./document";
import type { PanelProps } from "./panel";
import { type Reach, ScopeWords, together, widened } from "./reach";
import { type ChoiceValue, holds, type OwnChoice, optionsOf } from "./scope";
import { triesOf } from "./trying";
import { useProposal } from "./useProposal";

/** A choice of a sentence: its name, the words before it, what stands after it. */
export type Lead = readonly [OwnChoice, string, string];

type Order = {
	document: ProductionDocument;
	scene: Scene | undefined;
	number: number;
	change: PanelProps["change"];
	leads: readonly Lead[];
	/** For which of them things of the shelf can be chosen too, and of which kinds. */
	things?: Partial<Record<OwnChoice, readonly string[]>>;
	/** Where a small picture of a choice is, for those that have one. */
	picture?: (name: OwnChoice, value: string, now: Record<string, string>) => string | undefined;
};

const NO_KINDS: readonly string[] = [];

/** Choices as the words of a sentence, for a scene, from it on, or everywhere; wide changes are listed first. */
export function useSentence({ document, scene, number, change, leads, things = {}, picture }: Order): {
	choices: SentenceChoice[];
	choose: (name: OwnChoice, value: ChoiceValue) => void;
	/** Several choices in one step. */
	chooseAll: (values: Partial<Record<OwnChoice, ChoiceValue>>, says: string, field?: string) => void;
	now: Record<string, string>;
	scope: ReactNode;
	reach: Reach;
	/** Stands for the panel while a change waits. */
	list: ReactNode;
	propose: ReturnType<typeof useProposal>["propose"];
} {
	const { propose, list } = useProposal(change);
	const table = useChoices();
	const [reach, setReach] = useState<Reach>("scene");
	const shelf = useThings(Object.values(things).flatMap((kinds) => kinds ?? NO_KINDS));
	const now = Object.fromEntries(scene ? leads.map(([name]) => [name, String(holds(document, scene, name))]) : []);
	const optionsFor = (name: OwnChoice) => [
		...optionsOf(table.find((one) => one.name === name)),
		...ofKinds(shelf, things[name] ?? NO_KINDS),
	];
	const choose = (name: OwnChoice, value: ChoiceValue) => {
		if (!scene) return;
		const entry = table.find((one) => one.name === name);
		const options = optionsFor(name);
		const shown = (one: ChoiceValue) => options.find((option) => option.value === one)?.text ?? inWords(one);
		const wanted = widened(document, scene.id, name, value, reach, `${entry?.label}: “${shown(value)}”`, shown);
		if (reach !== "scene" && wanted.rows.length) propose(wanted);
		else change(wanted.part, wanted.own, `${name} ${scene.id}`);
	};
	const chooseAll = (values: Partial<Record<OwnChoice, ChoiceValue>>, says: string, field = "") => {
		if (!scene) return;
		const names = Object.keys(values) as OwnChoice[];
		const changes = names.map((name) =>
			widened(document, scene.id, name, values[name] ?? "", reach, says, () => "dressed in its own way"),
		);
		const wanted = together(changes, says);
		if (reach !== "scene" && wanted.rows.length) propose(wanted);
		else change(wanted.part, wanted.own, field);
	};
	const choices = leads.flatMap(([name, lead, tail]): SentenceChoice[] => {
		const entry = table.find((one) => one.name === name);
		if (!entry) return [];
		const pictured = picture?.(name, now[name] ?? "", now) !== undefined;
		return [
			{
				name,
				lead,
				tail,
				label: entry.label,
				value: now[name] ?? "",
				options: withOwn(optionsFor(name), now[name] ?? ""),
				moves: name === "transition",
				whilePointedAt: triesOf(entry, now[name] ?? ""),
				...(pictured && { picture: (value: string) => picture?.(name, value, { ...now, [name]: value }) ?? "" }),
				onChoose: (value) => choose(name, value),
			},
		];
	});
	const scenes = document.script.scenes.length;
	const scope = <ScopeWords reach={reach} number={number} scenes={scenes} onReach={setReach} />;
	return { choices, choose, chooseAll, now, scope, reach, list, propose };
}

/** A value that is no option in words: a colour of one's own. */
const inWords = (value: ChoiceValue) => (String(value).startsWith("#") ? "in a colour of their own" : String(value));

/** The options, with a colour of one's own among them while it holds. */
function withOwn(options: { value: ChoiceValue; text: string }[], now: string): SentenceChoice["options"] {
	const listed = options.map(({ value, text }) => ({ value: String(value), text }));
	return now.startsWith("#") ? [...listed, { value: now, text: inWords(now) }] : listed;
}

function ofKinds(shelf: readonly ShelfThing[], kinds: readonly string[]): { value: ChoiceValue; text: string }[] {
	return shelf.filter(({ kind }) => kinds.includes(kind)).map(({ item, title }) => ({ value: item, text: title }));
}
