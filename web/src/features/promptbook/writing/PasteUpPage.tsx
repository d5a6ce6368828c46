import { clock } from "../../../shared/time";
import { shownName } from "../document/document";
import { type Kept, keptIn, type PasteUp } from "./pasteUp";
import type { Drafts } from "./useDrafts";

/** The left page while parts are kept: the script as it would be, with dashed places for what is missing. */
export function PasteUpPage({ drafts }: { drafts: Drafts }) {
	const { pasteUp } = drafts;
	return (
		<section className="paste-up" aria-label="What is kept">
			{pasteUp.opening ? null : <Missing what="opening" />}
			{keptIn(pasteUp).map((kept, i) => (
				<KeptPart key={`${kept.letter} ${kept.row}`} kept={kept} number={numberOf(pasteUp, i)} drafts={drafts} />
			))}
			{pasteUp.ending ? null : <Missing what="ending" />}
		</section>
	);
}

const numberOf = (pasteUp: PasteUp, index: number) => index + (pasteUp.opening ? 1 : 2);

function KeptPart({ kept, number, drafts }: { kept: Kept; number: number; drafts: Drafts }) {
	const { part, letter } = kept;
	let speaker = "";
	return (
		<div className="kept-part">
			<h3>
				<span className="kept-number num">{number}</span>
				{part.scene.heading}
				<span className="small quiet num">{clock(part.seconds + part.open_seconds)}</span>
			</h3>
			{part.scene.blocks.map((block) => {
				const named = block.kind === "line" && block.speaker !== speaker;
				if (block.kind === "line") speaker = block.speaker ?? "";
				return block.kind === "direction" ? (
					<p key={block.id} className="kept-direction">
						{block.text}
					</p>
				) : (
					<p key={block.id} className="kept-line">
						<b className="small">{named ? shownName(block.speaker ?? "") : ""}</b>
						<span className="serif">{block.text}</span>
					</p>
				);
			})}
			<p className="kept-from small">
				<b>{letter}</b> from {letter}
				<button type="button" className="link" onClick={() => drafts.keep(kept)}>
					Take off
				</button>
			</p>
		</div>
	);
}

function Missing({ what }: { what: "opening" | "ending" }) {
	return <p className="missing-part">Keep an {what} at the right, or write it later.</p>;
}
