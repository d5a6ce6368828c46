import { useQuery } from "@tanstack/react-query";
import type { Editor } from "@tiptap/core";
import { useState } from "react";
import { api, ask } from "../../../shared/api/client";
import { BringFile } from "../../../shared/shelf/BringFile";
import { isThing } from "../../../shared/shelf/useShelf";
import { listen, useListening } from "../../../shared/sound/listening";
import { Icon } from "../../../shared/ui/icons";
import { ChoiceSentence } from "../document/ChoiceSentence";
import { EverywhereChoice } from "../document/EverywhereChoice";
import { type PanelProps, sceneAt } from "../document/panel";
import { playhead } from "../document/playhead";
import { type ChoiceValue, holds, type OwnChoice } from "../document/scope";
import { type Lead, useSentence } from "../document/useSentence";
import { SoundsOnWords } from "./SoundsOnWords";

const COMPOSED: readonly Lead[] = [
	["bed", "The music is", ","],
	["bed_style", "played on", ";"],
	["bed_ends", "it ends", "."],
];
const OTHER: readonly Lead[] = [["bed", "The music is", "."]];
const BEDS = { bed: ["sound"] };

/** The music under the words: what it is, how loud it lies, and three of its kind to hear under one's own line. */
export function SoundPanel(props: PanelProps & { productionId: string; editor: Editor }) {
	const { document, current, change } = props;
	const { scene, number } = sceneAt(document, current);
	const bed = scene ? String(holds(document, scene, "bed")) : "none";
	const composed = bed !== "none" && !isThing(bed);
	const leads = composed ? COMPOSED : OTHER;
	const sentence = useSentence({ document, scene, number, change, leads, things: BEDS });
	const trouble = useListening((heard) => heard.problem);
	if (sentence.list || !scene) return sentence.list;
	const { choose } = sentence;
	return (
		<div className="set-panel">
			<div className="set-top">
				<h3 className="panel-title">The bed</h3>
				{sentence.scope}
			</div>
			<ChoiceSentence choices={sentence.choices} />
			{trouble && (
				<p role="alert" className="problem small">
					{trouble}
				</p>
			)}
			<div className="sound-columns">
				{composed ? (
					<Three {...props} sceneId={scene.id} mood={bed} scene={scene} choose={choose} />
				) : (
					<OwnMusic onBrought={(item) => choose("bed", item)} />
				)}
				{composed && <OwnMusic onBrought={(item) => choose("bed", item)} />}
			</div>
			<SoundsOnWords editor={props.editor} scene={scene} />
			<EverywhereChoice name="loudness" document={document} change={change} />
			<p className="small quiet">
				For a bell, rain or silence on words, select them and press Cue. Scenes with the same music have one bed.
			</p>
		</div>
	);
}

type ThreeProps = PanelProps & {
	productionId: string;
	sceneId: string;
	mood: string;
	scene: Parameters<typeof holds>[1];
	choose: (name: OwnChoice, value: ChoiceValue) => void;
};

/** Three beds of the kind that is chosen, each heard under the line at the playhead. */
function Three({ document, productionId, sceneId, mood, scene, choose }: ThreeProps) {
	const style = String(holds(document, scene, "bed_style"));
	const chosen = Number(holds(document, scene, "bed_seed"));
	const [first, setFirst] = useState(() => Math.max(1, chosen - ((chosen - 1) % 3)));
	const found = useQuery({
		queryKey: ["beds", mood, style, first],
		queryFn: () => ask(api.GET("/api/productions/beds", { params: { query: { mood, style, first } } })),
		staleTime: Number.POSITIVE_INFINITY,
		placeholderData: (before) => before,
	});
	const heard = useListening((h) => h.key);
	const loading = useListening((h) => h.loading);
	const hear = (seed: number) => {
		const query = new URLSearchParams({ bed: mood, style, seed: String(seed), at: playhead.get().at.toFixed(2) });
		return listen(`bed ${seed}`, `/api/productions/${productionId}/scenes/${sceneId}/bed.wav?${query}`);
	};
	return (
		<section className="three-beds" aria-label="Three, heard under your line">
			<p className="small quiet">Three, heard under your line</p>
			<ol>
				{found.data?.map(({ seed, name, tempo, key }) => (
					<li key={seed} className={seed === chosen ? "on" : ""}>
						<button
							type="button"
							className="three-hear"
							aria-label={`${heard === `bed ${seed}` ? "Stop" : "Hear"} ${name}`}
							onClick={() => void hear(seed)}
						>
							<Icon name={heard === `bed ${seed}` ? "stop" : "play"} size={12} />
						</button>
						<button
							type="button"
							className="three-take"
							aria-pressed={seed === chosen}
							onClick={() => choose("bed_seed", seed)}
						>
							<b>{name}</b>
							<span className="small quiet num">
								{tempo} a minute, in {key}
								{heard === `bed ${seed}` && loading && ", being played in…"}
							</span>
						</button>
					</li>
				))}
			</ol>
			<p className="small">
				<button type="button" className="link" onClick={() => setFirst((now) => (now + 3 > 9990 ? 1 : now + 3))}>
					Three others
				</button>
				{first > 1 && (
					<>
						{" "}
						<button type="button" className="link" onClick={() => setFirst((now) => Math.max(1, now - 3))}>
							The three before
						</button>
					</>
				)}
			</p>
		</section>
	);
}

/** Music of one's own from a file. */
function OwnMusic({ onBrought }: { onBrought: (item: string) => void }) {
	return (
		<div className="bring-behind">
			<BringFile says="Music of your own…" label="Music of your own" accept="audio/*" onBrought={onBrought} />
		</div>
	);
}
