import { type KeyboardEvent, useEffect, useRef, useState } from "react";
import { clock } from "../../../shared/time";
import { MainButton, PlainButton } from "../../../shared/ui/controls";
import type { Paste } from "../document/pasting";

type Props = { paste: Paste; onCut: (cuts: number[]) => void; onWhole: () => void };

/** A long paste before it is put in: where it would be cut into scenes. Cuts are set, taken off and moved. */
export function PasteCard({ paste, onCut, onWhole }: Props) {
	const { pieces, by_paragraph, by_length, scenes } = paste;
	const paragraphs = by_paragraph.length > 0;
	const [cuts, setCuts] = useState<number[]>(paragraphs ? by_paragraph : by_length);
	const card = useRef<HTMLElement>(null);
	useEffect(() => {
		card.current?.querySelector("button")?.focus();
	}, []);
	const blocks = scenes[0]?.blocks ?? [];
	const same = (other: number[]) => other.join() === cuts.join();
	const toggle = (at: number) =>
		setCuts((now) => (now.includes(at) ? now.filter((cut) => cut !== at) : [...now, at].sort((a, b) => a - b)));
	const keys = (event: KeyboardEvent, at: number) => {
		const step = event.code === "ArrowLeft" ? -1 : event.code === "ArrowRight" ? 1 : 0;
		const to = at + step;
		if (!step || !cuts.includes(at) || to < 1 || to >= pieces.length || cuts.includes(to)) return;
		event.preventDefault();
		setCuts((now) => now.map((cut) => (cut === at ? to : cut)).sort((a, b) => a - b));
		requestAnimationFrame(() => card.current?.querySelector<HTMLElement>(`[data-cut="${to}"]`)?.focus());
	};
	const secondsFrom = (from: number) => {
		const until = cuts.find((cut) => cut > from) ?? pieces.length;
		return pieces.slice(from, until).reduce((sum, piece) => sum + piece.seconds, 0);
	};
	const sceneHead = (number: number, from: number) => (
		<span className="cut-scene num">
			Scene {number}, about {clock(secondsFrom(from))}
		</span>
	);
	return (
		<section
			ref={card}
			className="paste-card"
			aria-label="Cut the pasted text into scenes"
			onKeyDown={(event) => event.key === "Escape" && onWhole()}
		>
			<h2 className="panel-title">A long text. Cut it into scenes?</h2>
			<p className="small quiet">
				Click between two sentences to set or take off a cut; arrow keys move the one at hand. Shorter scenes are heard
				sooner after a change.
			</p>
			<div className="paste-ways">
				{paragraphs && (
					<PlainButton small onClick={() => setCuts(by_paragraph)} disabled={same(by_paragraph)}>
						By paragraph, {by_paragraph.length + 1}
					</PlainButton>
				)}
				<PlainButton small onClick={() => setCuts(by_length)} disabled={same(by_length)}>
					By length, {by_length.length + 1}
				</PlainButton>
			</div>
			<div className="paste-text">
				{sceneHead(1, 0)}
				{pieces.map((piece, i) => {
					const cut = cuts.indexOf(i);
					return (
						<span key={`${piece.block} ${piece.start}`}>
							{i > 0 && (
								<button
									type="button"
									data-cut={i}
									className={cut >= 0 ? "cut on" : piece.opens ? "cut opens" : "cut"}
									aria-pressed={cut >= 0}
									aria-label={cut >= 0 ? `Cut: scene ${cut + 2} begins here` : "Cut here"}
									onClick={() => toggle(i)}
									onKeyDown={(event) => keys(event, i)}
								/>
							)}
							{cut >= 0 && sceneHead(cut + 2, i)}
							{blocks[piece.block]?.text.slice(piece.start, piece.end)}{" "}
						</span>
					);
				})}
			</div>
			<div className="change-buttons">
				<MainButton onClick={() => onCut(cuts)} disabled={!cuts.length}>
					{cuts.length ? `Make ${cuts.length + 1} scenes` : "No cut is set"}
				</MainButton>
				<PlainButton onClick={onWhole}>Put it in as one</PlainButton>
			</div>
		</section>
	);
}
