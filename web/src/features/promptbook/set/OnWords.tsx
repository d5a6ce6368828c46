import { useQuery } from "@tanstack/react-query";
import type { Editor } from "@tiptap/core";
import { useState } from "react";
import { api, ask } from "../../../shared/api/client";
import { useSettled } from "../../../shared/useSettled";
import type { ProductionDocument, Scene } from "../document/document";
import { instead, type ProposedPicture, pictureSettings, runnersUp, SHOWN_KINDS } from "../document/pictures";
import { type Reach, scenesWithin } from "../document/reach";
import { Suggestion } from "../document/Suggestion";
import { isTaken, shortened, takeCues } from "../document/suggestions";

type Props = { editor: Editor; document: ProductionDocument; scene: Scene; reach: Reach };
type Asked = { id: string; text: string };

/** As many lines as are looked at in one go. */
const MOST_LINES = 200;
const NONE: ProposedPicture[] = [];

/** Pictures that words could be shown with, of a scene, from it on or of the whole script: suggestions, each naming the
 * words it comes from, and what else could be shown for them. */
export function OnWords({ editor, document, scene, reach }: Props) {
	const { scenes } = document.script;
	const lines = linesOf(scenesWithin(scenes, scene.id, reach));
	const settled = useSettled(JSON.stringify(lines.slice(0, MOST_LINES)), 400);
	const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
	const [others, setOthers] = useState<Readonly<Record<string, string>>>({});
	const found = useQuery({
		queryKey: ["pictures for words", settled],
		queryFn: () => ask(api.POST("/api/staging/pictures", { body: { lines: JSON.parse(settled), every: false } })),
		enabled: lines.length > 0,
		placeholderData: (before) => before,
	});
	const open = (found.data ?? NONE)
		.filter((one) => !left.has(keyOf(one)) && !isTaken(editor, one, SHOWN_KINDS))
		.map((one) => ({ first: one, one: instead(one, others[keyOf(one)]) }));
	const sceneOf = (line: string) => 1 + scenes.findIndex(({ blocks }) => blocks.some(({ id }) => id === line));
	return (
		<section className="on-words" aria-label="Pictures on words">
			<p className="on-words-head small">
				{open.length > 1 && (
					<button
						type="button"
						className="link"
						onClick={() =>
							takePictures(
								editor,
								open.map(({ one }) => one),
							)
						}
					>
						Take all {open.length}
					</button>
				)}
				<span className="quiet">
					{open.length ? "Nothing is shown before you take it." : "Nothing more is suggested here."}
					{lines.length > MOST_LINES && ` These are of the first ${MOST_LINES} lines.`}
				</span>
			</p>
			<ul className="prints">
				{open.map(({ first, one }) => (
					<Suggestion
						key={keyOf(first)}
						picture={
							<img
								src={printOf(one)}
								alt={`${one.parts.map((part) => part.thing).join(", ")}: ${one.template}`}
								loading="lazy"
							/>
						}
						words={shortened(one.words)}
						note={`${reach === "scene" ? "" : `scene ${sceneOf(one.line)}, `}from ${one.parts.flatMap((part) => part.words).join(", ")}`}
						others={runnersUp(first).map((thing) => ({ thing, picture: `/api/staging/things/${thing}.png` }))}
						other={others[keyOf(first)] ?? ""}
						onOther={(thing) => setOthers({ ...others, [keyOf(first)]: thing })}
						onTake={() => takePictures(editor, [one])}
						onLeave={() => setLeft(new Set([...left, keyOf(first)]))}
					/>
				))}
			</ul>
			<p className="small quiet">For lists and numbers, select words and press Cue.</p>
		</section>
	);
}

function linesOf(scenes: readonly Scene[]): Asked[] {
	return scenes.flatMap(({ blocks }) =>
		blocks.filter((block) => block.kind === "line").map(({ id, text }) => ({ id, text })),
	);
}

/** Put pictures on their words: one step to undo. */
export function takePictures(editor: Editor, these: readonly ProposedPicture[]): void {
	takeCues(
		editor,
		these.map((one) => ({ ...one, kind: "picture", parameters: pictureSettings(one), stretch: true })),
	);
}

function keyOf({ line, start, words }: ProposedPicture): string {
	return `${line} ${start} ${words}`;
}

function printOf({ parts, template, count }: ProposedPicture): string {
	return `/api/staging/picture.png?things=${parts.map((part) => part.thing).join(",")}&how=${template}&count=${count}`;
}
