import type { Editor } from "@tiptap/core";
import { thumbnailOf, useThings } from "../../../shared/shelf/useShelf";
import { PlainButton, WordChoice } from "../../../shared/ui/controls";
import { asOneStep } from "../document/choosing";
import { CLIP, changeClip } from "../document/clips";
import { useCueKinds } from "../document/cueKinds";
import { removeCue } from "../document/cues";
import { shownName } from "../document/document";
import type { CaretLine } from "./lineAtCaret";

type Props = { editor: Editor; line: CaretLine; onHear: (lineId: string, offset: number) => void };

const CLIPS = ["clip"];

/** The line at the caret where it is said in a clip: which one, and how it is seen there. */
export function LineInClip({ editor, line, onHear }: Props) {
	const things = useThings(CLIPS);
	const kind = useCueKinds().find(({ name }) => name === CLIP);
	const { clip } = line;
	if (!clip || !kind) return null;
	const item = String(clip.parameters.items ?? "");
	const title = things.find((thing) => thing.item === item)?.title;
	const set = (name: string, value: string) => {
		const { tr } = editor.state;
		changeClip(tr, line.id, { [name]: value });
		asOneStep(editor, tr, "");
	};
	const bySomebody = () => {
		const { tr } = editor.state;
		removeCue(tr, clip.id);
		asOneStep(editor, tr, "");
	};
	return (
		<section className="line-in-clip" aria-label="This line">
			<h3 className="panel-title">
				{shownName(line.speaker) || "The speaker"}, scene {line.scene}, line {line.number}
			</h3>
			<div className="line-in-clip-row">
				<img src={thumbnailOf(item)} alt="" width={144} height={81} />
				<div>
					<p>
						Said in the clip <b className="serif">{title ?? "that is not on this shelf"}</b>. Words you delete are cut
						from it; words you write otherwise are only read otherwise.
					</p>
					<p className="change-buttons">
						<PlainButton small onClick={() => onHear(line.id, 0)}>
							Hear the line
						</PlainButton>
						<PlainButton small onClick={bySomebody}>
							Let the host say it
						</PlainButton>
					</p>
				</div>
			</div>
			<div className="line-in-clip-fields">
				{kind.parameters
					.filter((parameter) => parameter.choices.length > 0)
					.map((parameter) => (
						<WordChoice
							key={parameter.name}
							label={parameter.label}
							value={String(clip.parameters[parameter.name] ?? parameter.default)}
							options={parameter.choices.map((word) => ({ value: word, text: WORDS[word] ?? word }))}
							onChange={(word) => set(parameter.name, word)}
						/>
					))}
			</div>
		</section>
	);
}

/** What choices say beside their label. */
const WORDS: Record<string, string> = {
	fill: "fills",
	whole: "is whole",
	nearer: "comes nearer",
	stays: "stays as it is",
};
