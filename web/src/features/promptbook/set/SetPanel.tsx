import type { Editor } from "@tiptap/core";
import { useState } from "react";
import { isThing } from "../../../shared/shelf/useShelf";
import { ChoiceSentence } from "../document/ChoiceSentence";
import { EverywhereChoice } from "../document/EverywhereChoice";
import { type PanelProps, sceneAt } from "../document/panel";
import { holds, type OwnChoice } from "../document/scope";
import { type Lead, useSentence } from "../document/useSentence";
import { ColoursAndLogo } from "./ColoursAndLogo";
import { Dressing } from "./Dressing";
import { Looks } from "./Looks";
import { OnWords } from "./OnWords";
import { BehindThem, BringBehind } from "./OwnPicture";
import { pictureOfSet } from "./pictureOfSet";
import { Tail } from "./Tail";
import { Zooms } from "./Zooms";

const LEAVES = ["The set", "Dressing", "Fit", "On words", "Looks", "Colours, logo", "Frame"] as const;
const LEADS: readonly Lead[] = [
	["set", "The set is", ","],
	["daylight", "its light", ","],
	["weather", "the weather", ","],
	["palette", "its colours", "."],
	["layout", "Who speaks stands", ";"],
	["transition", "it begins with", "."],
];
const BOARD: readonly Lead[] = [["board", "What is shown on words is", "."]];
const DRAWN: readonly Lead[] = [
	["board", "What is shown on words is", ","],
	["pen", "", ";"],
	["board_camera", "the camera", "."],
];
const BEHIND = { set: ["picture", "clip"] };

type Props = PanelProps & { editor: Editor; productionId: string; revision: number };

/** What is behind the hosts, where they stand, how scenes begin and end, and what is shown on words. */
export function SetPanel(props: Props) {
	const { document, current, change, editor, productionId, revision } = props;
	const [leaf, setLeaf] = useState<(typeof LEAVES)[number]>("The set");
	const { scene, number } = sceneAt(document, current);
	const sentence = useSentence({ document, scene, number, change, leads: LEADS, things: BEHIND, picture: setPicture });
	const { choose } = sentence;
	const cut = !scene || holds(document, scene, "board") === "none";
	const board = useSentence({ document, scene, number, change, leads: cut ? BOARD : DRAWN });
	if (sentence.list || board.list || !scene) return sentence.list ?? board.list;
	const own = isThing(sentence.now.set ?? "");
	return (
		<div className="set-panel">
			<div className="set-top">
				<div className="set-leaves" role="tablist" aria-label="Leaves of the set">
					{LEAVES.filter((name) => name !== (own ? "Dressing" : "Fit")).map((name) => (
						<button type="button" key={name} role="tab" aria-selected={name === leaf} onClick={() => setLeaf(name)}>
							{name}
						</button>
					))}
				</div>
				{["The set", "Dressing", "Fit"].includes(leaf) && sentence.scope}
				{leaf === "On words" && board.scope}
			</div>
			{leaf === "The set" && <ChoiceSentence choices={sentence.choices} />}
			{leaf === "The set" && <BringBehind onBrought={(item) => choose("set", item)} />}
			{leaf === "Dressing" && !own && (
				<Dressing document={document} scene={scene} choose={choose} chooseAll={sentence.chooseAll} />
			)}
			{leaf === "Fit" && own && (
				<BehindThem document={document} scene={scene} choose={choose} chooseAll={sentence.chooseAll} />
			)}
			{leaf === "On words" && <ChoiceSentence choices={board.choices} closed />}
			{leaf === "On words" && <Zooms {...{ editor, productionId, revision }} sceneId={scene.id} />}
			{leaf === "On words" && <OnWords editor={editor} document={document} scene={scene} reach={board.reach} />}
			{leaf === "Looks" && <Looks document={document} change={change} onPropose={sentence.propose} />}
			{leaf === "Colours, logo" && <ColoursAndLogo document={document} change={change} />}
			{leaf === "Frame" && (
				<div className="set-more">
					<EverywhereChoice name="shape" document={document} change={change} />
					<Tail scene={scene} number={number} change={change} />
				</div>
			)}
		</div>
	);
}

const PICTURED: readonly OwnChoice[] = ["set", "daylight", "weather", "palette"];

/** Where a small picture of a set is, as it would be with a choice; of a transition, its frames. */
function setPicture(name: OwnChoice, value: string, chosen: Record<string, string>) {
	if (name === "transition") return `/api/staging/transitions/${value}.png`;
	return PICTURED.includes(name) ? pictureOfSet(chosen) : undefined;
}
