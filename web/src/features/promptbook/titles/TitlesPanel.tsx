import type { Editor } from "@tiptap/core";
import { Tick } from "../../../shared/ui/controls";
import { OwnColour } from "../../../shared/ui/OwnColour";
import { ChoiceSentence } from "../document/ChoiceSentence";
import { type PanelProps, sceneAt } from "../document/panel";
import { holds, type OwnChoice } from "../document/scope";
import type { SceneTimes } from "../document/useSceneTimes";
import { type Lead, useSentence } from "../document/useSentence";
import { Corrections } from "./Corrections";

type Props = PanelProps & { editor: Editor; times: SceneTimes | undefined; productionId: string; kept: boolean };

const LEADS: readonly Lead[] = [
	["caption_style", "Captions are", ","],
	["caption_size", "", ","],
	["caption_type", "", ","],
	["caption_colour", "", ","],
	["caption_case", "", ","],
	["caption_lines", "", ","],
	["caption_place", "", "."],
];

/** How captions look and where they are, and which titles come by themselves. */
export function TitlesPanel({ document, current, change, editor, times, productionId, kept }: Props) {
	const { scene, number } = sceneAt(document, current);
	const sentence = useSentence({ document, scene, number, change, leads: LEADS, picture: captionPicture });
	if (sentence.list || !scene) return sentence.list;
	const shown = Boolean(holds(document, scene, "captions"));
	return (
		<div className="set-panel">
			<div className="set-top">
				<h3 className="panel-title">Captions</h3>
				{sentence.scope}
			</div>
			{shown && <ChoiceSentence choices={sentence.choices} />}
			{!shown && <p className="small quiet">Scene {number} has no captions in its picture.</p>}
			<div className="set-more">
				{shown && (
					<OwnColour
						label={`A colour of their own, scene ${number}`}
						without={{ value: "usual", says: "the usual one" }}
						value={String(holds(document, scene, "caption_colour"))}
						onChoose={(colour) => sentence.choose("caption_colour", colour)}
					/>
				)}
				<Tick
					label={`Captions in the picture, scene ${number}`}
					checked={shown}
					onChange={(on) => sentence.choose("captions", on)}
				/>
				<Tick
					label={`Its heading as a title, scene ${number}`}
					checked={Boolean(holds(document, scene, "titles"))}
					onChange={(on) => sentence.choose("titles", on)}
				/>
				<Tick
					label={`Its heading on a card first, scene ${number}`}
					checked={Boolean(holds(document, scene, "title_card"))}
					onChange={(on) => sentence.choose("title_card", on)}
				/>
				<Tick
					label="They name the speaker, everywhere"
					checked={document.caption_names}
					onChange={(caption_names) => change({ caption_names })}
				/>
				<Tick
					label="They say what else is heard, everywhere"
					checked={document.caption_sounds}
					onChange={(caption_sounds) => change({ caption_sounds })}
				/>
			</div>
			<Corrections {...{ editor, times, number, productionId, kept }} />
			<p className="small quiet">For a title or a name on a word, select it and press Cue.</p>
		</div>
	);
}

function captionPicture(name: OwnChoice, value: string) {
	return name === "caption_style" ? `/api/staging/captions/${value}.png` : undefined;
}
