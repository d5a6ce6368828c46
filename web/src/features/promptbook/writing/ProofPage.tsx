import { type KeyboardEvent, useEffect, useRef } from "react";
import type { ProductionDocument } from "../document/document";
import { shownName } from "../document/document";
import { wordsDiffering } from "./proofMarks";
import type { Reworked } from "./rewriting";
import { changes, keyOf, type ReworkState } from "./useRework";

type Props = { document: ProductionDocument; rework: ReworkState };

/** The script as a proof: a sentence a row, what goes struck through, what comes written above. */
export function ProofPage({ document, rework }: Props) {
	const page = useRef<HTMLElement>(null);
	const { changed, at } = rework;
	const here = changed[at];
	useEffect(() => {
		const row = here && page.current?.querySelector<HTMLElement>(`[data-row="${keyOf(here)}"]`);
		row?.scrollIntoView({ block: "nearest" });
		row?.focus({ preventScroll: true });
	}, [here]);
	const keys = (event: KeyboardEvent) => {
		const by = { ArrowDown: 1, ArrowUp: -1 }[event.code];
		if (by) rework.setAt(Math.max(0, Math.min(changed.length - 1, at + by)));
		else if (event.code === "Enter") rework.decideHere("taken");
		else if (event.code === "Delete" || event.code === "Backspace") rework.decideHere("left");
		else return;
		event.preventDefault();
	};
	const byLine = new Map<string, Reworked[]>();
	for (const one of rework.found?.sentences ?? []) byLine.set(one.line, [...(byLine.get(one.line) ?? []), one]);
	return (
		<section ref={page} className="proof" aria-label="Proof of the rework" onKeyDown={keys}>
			{document.script.scenes.map((scene, i) => {
				const lines = scene.blocks.filter((block) => byLine.has(block.id));
				if (!lines.length) return null;
				return (
					<div key={scene.id}>
						<h3>
							<span className="kept-number num">{i + 1}</span>
							{scene.heading}
						</h3>
						{lines.map((block) =>
							byLine
								.get(block.id)
								?.map((one, row) => (
									<Row key={keyOf(one)} one={one} speaker={row ? "" : (block.speaker ?? "")} rework={rework} />
								)),
						)}
					</div>
				);
			})}
			<p className="proof-folio small quiet num">
				{changed.length
					? `Sentence ${at + 1} of ${changed.length} · ${rework.taken.length} taken, ${rework.left.length} left, ${rework.undecided.length} to decide`
					: "Nothing would change."}
			</p>
		</section>
	);
}

function Row({ one, speaker, rework }: { one: Reworked; speaker: string; rework: ReworkState }) {
	const index = rework.changed.indexOf(one);
	const here = index >= 0 && index === rework.at;
	const decision = rework.decision(one);
	const shown = changes(one) && decision !== "left";
	return (
		// biome-ignore lint/a11y/useKeyWithClickEvents: the keys are those of the whole proof
		// biome-ignore lint/a11y/noStaticElementInteractions: a click is a second way to what the arrows do
		<div
			className={`proof-row ${here ? "here" : ""} ${decision ?? ""}`}
			data-row={keyOf(one)}
			tabIndex={index >= 0 ? -1 : undefined}
			onClick={index >= 0 ? () => rework.setAt(index) : undefined}
		>
			<b className="small">{shownName(speaker)}</b>
			<p className="serif">{shown ? <Marked one={one} /> : one.before}</p>
			<span className="proof-margin small num">
				{!changes(one) && <span className="quiet">as it is</span>}
				{changes(one) && decision === "left" && <span className="quiet">left as it was</span>}
				{changes(one) && decision === "taken" && <span className="taken-note">taken, {won(one)}</span>}
				{changes(one) && !decision && !here && <span title={one.rules.join(", ")}>{won(one)}</span>}
				{changes(one) && !decision && here && (
					<>
						<button type="button" className="link" onClick={() => rework.decideHere("taken")}>
							Take
						</button>{" "}
						<button type="button" className="link" onClick={() => rework.decideHere("left")}>
							Leave
						</button>{" "}
						{won(one)}
						<em className="quiet">{one.rules.join(", ")}</em>
					</>
				)}
				{shown && one.cues.length > 0 && (
					<em className="moves-cue">moves {one.cues.length === 1 ? "a cue" : `${one.cues.length} cues`}</em>
				)}
				{shown && one.lost.length > 0 && <em className="moves-cue">without {one.lost.join(", ")}</em>}
			</span>
		</div>
	);
}

/** Seconds as a proofreader notes them: "−1.4 s". */
function won(one: Reworked): string {
	const seconds = Math.abs(one.seconds).toFixed(1);
	return `${one.seconds >= 0 ? "−" : "+"}${seconds} s`;
}

/** Words that go under a hairline, words that come above it. */
function Marked({ one }: { one: Reworked }) {
	return wordsDiffering(one.before, one.after).map(({ kind, text }, i) => {
		const Mark = kind === "goes" ? "del" : kind === "comes" ? "ins" : "span";
		return (
			// biome-ignore lint/suspicious/noArrayIndexKey: pieces stand in the order of their text
			<Mark key={i}>{text} </Mark>
		);
	});
}
