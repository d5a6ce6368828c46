import { useQuery } from "@tanstack/react-query";
import type { Editor } from "@tiptap/core";
import { useState } from "react";
import { api, ask, type Schemas } from "../../../shared/api/client";
import { listen, useListening } from "../../../shared/sound/listening";
import { PlainButton } from "../../../shared/ui/controls";
import { useSettled } from "../../../shared/useSettled";
import type { Scene } from "../document/document";
import { Suggestion } from "../document/Suggestion";
import { isTaken, shortened, takeCues } from "../document/suggestions";

type ProposedSound = Schemas["ProposedSound"];
const SOUNDS: ReadonlySet<string> = new Set(["sound", "own-sound"]);
const NONE: ProposedSound[] = [];

/** Sounds that a scene's words could be heard with: few suggestions, each naming the word it comes from. */
export function SoundsOnWords({ editor, scene }: { editor: Editor; scene: Scene }) {
	const lines = scene.blocks.filter((block) => block.kind === "line").map(({ id, text }) => ({ id, text }));
	const settled = useSettled(JSON.stringify(lines), 400);
	const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
	const heard = useListening(({ key }) => key);
	const found = useQuery({
		queryKey: ["sounds for words", settled],
		queryFn: () => ask(api.POST("/api/staging/sounds", { body: { lines: JSON.parse(settled), every: false } })),
		enabled: lines.length > 0,
		placeholderData: (before) => before,
	});
	const open = (found.data ?? NONE).filter((one) => !left.has(keyOf(one)) && !isTaken(editor, one, SOUNDS));
	if (!open.length) return null;
	const take = (one: ProposedSound) =>
		takeCues(editor, [{ ...one, kind: "sound", parameters: { sound: one.sound }, stretch: one.goes_on }]);
	return (
		<section className="on-words" aria-label="Sounds on the words of this scene">
			<p className="small quiet on-words-head">Nothing is heard before you take it.</p>
			<ul className="prints">
				{open.map((one) => {
					const key = `sting ${one.sound}`;
					return (
						<Suggestion
							key={keyOf(one)}
							picture={
								<PlainButton small onClick={() => void listen(key, `/api/productions/stings/${one.sound}.wav`)}>
									{heard === key ? "Stop" : `Hear ${one.sound.replace("-", " ")}`}
								</PlainButton>
							}
							words={shortened(one.words)}
							note={one.goes_on ? `under these words, from “${one.word}”` : `on “${one.word}”`}
							onTake={() => take(one)}
							onLeave={() => setLeft(new Set([...left, keyOf(one)]))}
						/>
					);
				})}
			</ul>
		</section>
	);
}

function keyOf({ line, start, sound }: ProposedSound): string {
	return `${line} ${start} ${sound}`;
}
