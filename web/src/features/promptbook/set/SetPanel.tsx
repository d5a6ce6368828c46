import type { Editor } from "@tiptap/core";
import { useState } from "react";
import { isThing, thumbnailOf, useThings } from "../../../shared/shelf/useShelf";
import { Tick } from "../../../shared/ui/controls";
import { useChoices } from "../document/catalogue";
import { EverywhereChoice } from "../document/EverywhereChoice";
import { type PanelProps, sceneAt } from "../document/panel";
import { type ChoiceValue, holds, type OwnChoice, optionsOf } from "../document/scope";
import { useProposal } from "../document/useProposal";
import { ChoiceSentence, type SentenceChoice } from "./ChoiceSentence";
import { Looks } from "./Looks";
import { OnWords } from "./OnWords";
import { BehindThem, BringBehind } from "./OwnPicture";
import { type Reach, ScopeWords, widened } from "./reach";
import { Tail } from "./Tail";

const BEHIND = ["picture", "clip"];
const LEAVES = ["The set", "Fit", "On words", "Looks", "Frame"] as const;
const LEADS: readonly [OwnChoice, string, string][] = [
	["set", "The set is", ","],
	["daylight", "its light", ","],
	["weather", "the weather", ","],
	["palette", "its colours", "."],
	["layout", "Who speaks stands", ";"],
	["transition", "it begins with", "."],
];

/** What is behind the hosts, where they stand, how scenes begin and end, and what is shown on words. */
export function SetPanel({ document, current, change, editor }: PanelProps & { editor: Editor }) {
	const { propose, list } = useProposal(change);
	const table = useChoices();
	const [leaf, setLeaf] = useState<(typeof LEAVES)[number]>("The set");
	const things = useThings(BEHIND);
	const [reach, setReach] = useState<Reach>("scene");
	const { scene, number } = sceneAt(document, current);
	if (list || !scene) return list;
	const now = Object.fromEntries(LEADS.map(([name]) => [name, String(holds(document, scene, name))]));
	const own = isThing(now.set ?? "");
	const choose = (name: OwnChoice, value: ChoiceValue) => {
		const entry = table.find((one) => one.name === name);
		const options = withThings(name, optionsOf(entry), things);
		const shown = (one: ChoiceValue) => options.find((option) => option.value === one)?.text ?? String(one);
		const wanted = widened(document, scene.id, name, value, reach, `${entry?.label}: “${shown(value)}”`, shown);
		if (reach !== "scene" && wanted.rows.length) propose(wanted);
		else change(wanted.part, wanted.own, `${name} ${scene.id}`);
	};
	const choices = LEADS.flatMap(([name, lead, tail]): SentenceChoice[] => {
		const entry = table.find((one) => one.name === name);
		if (!entry) return [];
		const options = withThings(name, optionsOf(entry), things).map(({ value, text }) => ({
			value: String(value),
			text,
		}));
		const shown = ["set", "daylight", "weather", "palette"].includes(name);
		return [
			{
				name,
				lead,
				tail,
				label: entry.label,
				value: now[name] ?? "",
				options,
				...(shown && { picture: (value: string) => setPicture({ ...now, [name]: value }) }),
				onChoose: (value) => choose(name, value),
			},
		];
	});
	return (
		<div className="set-panel">
			<div className="set-top">
				<div className="set-leaves" role="tablist" aria-label="Leaves of the set">
					{LEAVES.filter((name) => own || name !== "Fit").map((name) => (
						<button type="button" key={name} role="tab" aria-selected={name === leaf} onClick={() => setLeaf(name)}>
							{name}
						</button>
					))}
				</div>
				{(leaf === "The set" || leaf === "Fit") && (
					<ScopeWords reach={reach} number={number} scenes={document.script.scenes.length} onReach={setReach} />
				)}
			</div>
			{leaf === "The set" && <ChoiceSentence choices={choices} />}
			{leaf === "The set" && <BringBehind onBrought={(item) => choose("set", item)} />}
			{leaf === "Fit" && own && <BehindThem document={document} scene={scene} choose={choose} />}
			{leaf === "On words" && <OnWords editor={editor} scene={scene} />}
			{leaf === "Looks" && <Looks document={document} change={change} onPropose={propose} />}
			{leaf === "Frame" && (
				<div className="set-more">
					<EverywhereChoice name="shape" document={document} change={change} />
					<Tail scene={scene} number={number} change={change} />
					<Tick
						label={`Captions in the picture, scene ${number}`}
						checked={Boolean(holds(document, scene, "captions"))}
						onChange={(on) => choose("captions", on)}
					/>
					<Tick
						label="Headings as titles, everywhere"
						checked={document.titles}
						onChange={(titles) => change({ titles })}
					/>
					<Tick
						label="Captions name the speaker, everywhere"
						checked={document.caption_names}
						onChange={(caption_names) => change({ caption_names })}
					/>
				</div>
			)}
		</div>
	);
}

/** What can be chosen, and for the set the pictures and clips of the shelf too. */
function withThings(
	name: OwnChoice,
	options: { value: ChoiceValue; text: string }[],
	things: ReturnType<typeof useThings>,
): { value: ChoiceValue; text: string }[] {
	if (name !== "set") return options;
	return [...options, ...things.map(({ item, title }) => ({ value: item, text: title }))];
}

function setPicture({ set, palette, daylight, weather }: Record<string, string>): string {
	if (set && isThing(set)) return thumbnailOf(set);
	return `/api/staging/sets/${set}.png?palette=${palette}&daylight=${daylight}&weather=${weather}`;
}
