import type { Editor } from "@tiptap/core";
import { type ReactNode, useEffect, useMemo, useState } from "react";
import { listen } from "../../../shared/sound/listening";
import { MainButton, PlainButton } from "../../../shared/ui/controls";
import { Sheet } from "../../../shared/ui/Sheet";
import { auditionAddress } from "../../../shared/voices/useVoices";
import { Difference } from "../Difference";
import { choose } from "../document/choosing";
import { lineById } from "../document/cues";
import { type Brief, type ProductionDocument, speakersOf } from "../document/document";
import { quickened, sceneAt } from "../document/panel";
import { DraftsLeaf } from "./DraftsLeaf";
import { PasteUpPage } from "./PasteUpPage";
import { ProofPage } from "./ProofPage";
import { keptIn, scenesOf } from "./pasteUp";
import { ReworkPanel } from "./ReworkPanel";
import { askInScene, rewrite } from "./rewriting";
import { type Answer, useComments } from "./useComments";
import { useDrafts } from "./useDrafts";
import { useRework, type Wish } from "./useRework";
import { WordsLeaf } from "./WordsLeaf";

export type Leaf = "brief" | "words" | "drafts";
const LEAVES: { leaf: Leaf; name: string }[] = [
	{ leaf: "brief", name: "The brief" },
	{ leaf: "words", name: "In their words" },
	{ leaf: "drafts", name: "Drafts" },
];

type Props = {
	productionId: string;
	document: ProductionDocument;
	editor: Editor;
	current: string;
	/** Whether the Brief tab is open. */
	open: boolean;
};

const AS_LONG: Wish = { kind: "shorter", scope: "all", seconds: 60, tone: "plain", longest: 18 };
const NO_ANSWERS: readonly Answer[] = [];

export type WritingDesk = {
	/** In place of the script: what is kept of drafts, or the proof of a rework. */
	left: ReactNode;
	/** In place of the whole right page. */
	right: ReactNode;
	/** In place of the brief, under the stage. */
	panel: ReactNode;
	leaves: ReactNode;
	/** The sentences that answer what the audience asks, while their words are open. */
	answers: readonly Answer[];
	/** Rework the script to so many seconds. */
	shorten: (seconds: number) => void;
	/** Every voice so many times as quick as it speaks now; an undoable step. */
	quicken: (times: number) => void;
	sheet: ReactNode;
};

/** The leaves of the Brief tab beside the brief itself: the audience's words, drafts, and rework of the script. */
export function useWritingDesk({ productionId, document, editor, current, open }: Props): WritingDesk {
	const [leaf, setLeaf] = useState<Leaf>("brief");
	const [comparing, setComparing] = useState(false);
	const { scene, number } = sceneAt(document, current);
	const { brief } = document;
	const speakers = speakersOf(document.script).filter(Boolean);
	const { voice = "", pace = 1 } = Object.values(document.cast)[0] ?? {};
	const writer = { brief, speakers, voice, pace };
	const drafts = useDrafts(writer, open && leaf === "drafts");
	const rework = useRework(editor, document, writer, current);
	const comments = useComments(productionId, open && leaf === "words");
	const { end, wish } = rework;
	useEffect(() => {
		if (!open && wish) end();
	}, [open, wish, end]);
	const setBrief = (part: Partial<Brief>) => choose(editor, { brief: { ...brief, ...part } });
	const addPoint = (point: string) => {
		setBrief({ points: [...brief.points.filter((one) => one.trim()), point] });
		setLeaf("brief");
	};
	const scenes = scenesOf(drafts.pasteUp, speakers);
	const begun = document.script.scenes.some((one) => one.blocks.some((block) => block.text.trim()));
	const take = () => {
		// the parts of a draft are named for whoever writes: "Close" is nothing to be shown in the film
		rewrite(editor, scenes, begun ? {} : { titles: false });
		drafts.clear();
		setComparing(false);
		setLeaf("brief");
	};
	const showLine = (lineId: string) => {
		const line = lineById(editor.state.doc, lineId);
		if (line) editor.chain().setTextSelection(line.start).scrollIntoView().run();
	};
	const { audience } = comments;
	const answers = useMemo(
		() => (open && leaf === "words" && audience?.themes.flatMap(({ answered }) => answered ?? [])) || NO_ANSWERS,
		[open, leaf, audience],
	);
	const onLeaf = open && leaf === "drafts" && keptIn(drafts.pasteUp).length > 0;
	const right =
		open && !wish && leaf === "drafts" ? (
			<DraftsLeaf
				writer={writer}
				drafts={drafts}
				onTake={() => (begun ? setComparing(true) : take())}
				onPoint={addPoint}
				onBrief={() => setLeaf("brief")}
			/>
		) : open && !wish && leaf === "words" ? (
			<WordsLeaf
				comments={comments}
				document={document}
				scene={number}
				onBrief={(words) => setBrief({ own_words: [brief.own_words.trim(), words].filter(Boolean).join("\n") })}
				onTone={(words) => setBrief({ tone: [brief.tone.trim(), words].filter(Boolean).join("; ") })}
				onScene={(words) => scene && askInScene(editor, scene.id, `Asked: “${words}”`)}
				onShow={showLine}
			/>
		) : null;
	return {
		left: wish ? <ProofPage document={document} rework={rework} /> : onLeaf ? <PasteUpPage drafts={drafts} /> : null,
		right,
		panel: wish ? (
			<ReworkPanel
				rework={rework}
				scene={number}
				onHear={(text) => void listen(`rework ${text}`, auditionAddress(voice, text))}
			/>
		) : null,
		leaves: open && !wish && <Leaves leaf={leaf} onLeaf={setLeaf} />,
		answers,
		shorten: (seconds) => rework.begin({ ...AS_LONG, seconds: Math.max(5, Math.round(seconds)) }),
		quicken: (times) => choose(editor, quickened(document, times)),
		sheet: comparing && (
			<Sheet label="Make it the script" kind="compare" onClose={() => setComparing(false)}>
				<h2 className="panel-title">This takes the place of the script there is</h2>
				<Difference
					before={document}
					after={{ ...document, script: { ...document.script, scenes } }}
					heads={["The script now", "What is kept"]}
				/>
				<div className="change-buttons">
					<MainButton onClick={take}>Make it the script</MainButton>
					<PlainButton onClick={() => setComparing(false)}>Leave the script</PlainButton>
				</div>
			</Sheet>
		),
	};
}

function Leaves({ leaf, onLeaf }: { leaf: Leaf; onLeaf: (leaf: Leaf) => void }) {
	return (
		<nav className="leaves" aria-label="Leaves of the brief">
			{LEAVES.map((one) => (
				<button
					key={one.leaf}
					type="button"
					className={one.leaf === leaf ? "on" : ""}
					aria-current={one.leaf === leaf ? "page" : undefined}
					onClick={() => onLeaf(one.leaf)}
				>
					{one.name}
				</button>
			))}
		</nav>
	);
}
