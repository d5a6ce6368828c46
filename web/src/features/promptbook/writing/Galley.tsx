import { clock } from "../../../shared/time";
import { PlainButton } from "../../../shared/ui/controls";
import { firstWords, isKept, type Part } from "./pasteUp";
import type { Drafts, Lettered } from "./useDrafts";

const SLOT = /(\{[^{}]*\}|\[[^[\]]*\])/;

/** One draft: its length against the wished one, its parts, and what each says. */
export function Galley({ one, drafts }: { one: Lettered; drafts: Drafts }) {
	const { letter, draft } = one;
	const runs = draft.seconds + draft.open_seconds;
	const full = Math.max(runs, drafts.target) * 1.08;
	const share = (seconds: number) => `${(100 * seconds) / full}%`;
	return (
		<article className="galley" aria-label={`Draft ${letter}: ${draft.name}`}>
			<header>
				<b className="galley-letter">{letter}</b>
				<span>{draft.name}</span>
			</header>
			<div className="galley-length num" title={`${clock(draft.seconds)} written, ${clock(draft.open_seconds)} open`}>
				<span className="galley-staff" aria-hidden="true">
					<i className="written" style={{ width: share(draft.seconds) }} />
					<i className="open" style={{ left: share(draft.seconds), width: share(draft.open_seconds) }} />
					<i className="wanted" style={{ left: share(drafts.target) }} />
				</span>
				<b>{clock(runs)}</b>
			</div>
			<ol>
				{draft.parts.map((part, row) => {
					const kept = { letter, row, part };
					const on = isKept(drafts.pasteUp, kept);
					return (
						// biome-ignore lint/suspicious/noArrayIndexKey: a part has no other name than its row
						<li key={row} className={on ? "kept" : ""}>
							<span className="galley-heading">{part.scene.heading}</span>
							<Words part={part} />
							<span className="galley-line num">
								<span>
									{clock(part.seconds + part.open_seconds)}
									{part.points.length > 0 && ` · ${pointsIn(part.points)}`}
									{part.open.length > 0 && <b className="galley-open"> · {part.open.length} open</b>}
								</span>
								<button
									type="button"
									className="link"
									aria-pressed={on}
									aria-label={`${on ? "Take off" : "Keep"}: ${part.scene.heading} of ${letter}`}
									onClick={() => drafts.keep(kept)}
								>
									{on ? "kept" : "Keep"}
								</button>
							</span>
						</li>
					);
				})}
			</ol>
			<footer>
				<PlainButton small onClick={() => drafts.keepAll(one)} label={`Keep all of ${letter}`}>
					Keep all
				</PlainButton>
				<button type="button" className="link small" onClick={() => drafts.another(one)}>
					Another like it
				</button>
			</footer>
		</article>
	);
}

/** The words of a part, open slots as places to be filled. */
function Words({ part }: { part: Part }) {
	const speakers = new Set(part.scene.blocks.flatMap((block) => (block.kind === "line" ? [block.speaker] : [])));
	const text = firstWords(part);
	return (
		<p className="serif" title={text}>
			{speakers.size > 1 && <b className="galley-who">{[...speakers].join(", ")} </b>}
			{text.split(SLOT).map((piece, i) =>
				i % 2 ? (
					// biome-ignore lint/suspicious/noArrayIndexKey: pieces stand in the order of their text
					<mark key={i} className="open-place">
						{piece.slice(1, -1)}
					</mark>
				) : (
					piece
				),
			)}
		</p>
	);
}

/** "point 2", "points 1, 3, 4", "8 points". */
function pointsIn(points: readonly number[]): string {
	if (points.length === 1) return `point ${(points[0] ?? 0) + 1}`;
	if (points.length > 4) return `${points.length} points`;
	return `points ${points.map((point) => point + 1).join(", ")}`;
}
