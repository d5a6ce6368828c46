import { useEffect, useState } from "react";
import { sentence } from "../../../shared/api/client";
import { clock } from "../../../shared/time";
import { MainButton, PlainButton } from "../../../shared/ui/controls";
import { Galley } from "./Galley";
import { Ideas } from "./Ideas";
import { LengthWish } from "./LengthWish";
import { ModelSheet } from "./ModelSheet";
import { keptIn } from "./pasteUp";
import type { Drafts, Writer } from "./useDrafts";

type Props = {
	writer: Writer;
	drafts: Drafts;
	/** Make what is kept the script. */
	onTake: () => void;
	/** Put a point into the brief. */
	onPoint: (point: string) => void;
	onBrief: () => void;
};

type Below = "points" | "held back" | "ideas";

/** Drafts side by side: parts are kept from any of them and become the script. */
export function DraftsLeaf({ writer, drafts, onTake, onPoint, onBrief }: Props) {
	const several = useBroad() ? 3 : 2;
	const [first, setFirst] = useState(0);
	const [below, setBelow] = useState<Below>("points");
	const [model, setModel] = useState(false);
	const count = drafts.drafts.length;
	const from = Math.min(first, Math.max(0, count - several));
	const turn = (by: number) => setFirst(Math.max(0, Math.min(count - several, from + by)));
	useTurning(turn);
	const kept = keptIn(drafts.pasteUp);
	const points = writer.brief.points;
	const show = (what: Below) => setBelow(below === what ? "points" : what);
	if (!points.some((point) => point.trim())) return <NoPoints onBrief={onBrief} onFill={onPoint} writer={writer} />;
	return (
		<div className="drafts">
			{drafts.problem && (
				<p role="alert" className="problem">
					{sentence(drafts.problem)}
				</p>
			)}
			{count > 0 && (
				<div className="galleys" style={{ gridTemplateColumns: `repeat(${several}, minmax(0, 1fr))` }}>
					{drafts.drafts.slice(from, from + several).map((one) => (
						<Galley key={one.letter} one={one} drafts={drafts} />
					))}
				</div>
			)}
			{count === 0 && !drafts.waiting && !drafts.problem && (
				<p className="reading">
					No draft comes to {clock(drafts.target)} with what the brief holds. Below stands why, and what would mend it.
				</p>
			)}
			{count === 0 && drafts.waiting && <p className="reading quiet">Writing drafts…</p>}
			<div className="galley-foot small">
				{count > several && (
					<span className="num">
						<button type="button" className="link" disabled={from === 0} onClick={() => turn(-several)}>
							Before
						</button>{" "}
						{from + 1} to {Math.min(count, from + several)} of {count}{" "}
						<button type="button" className="link" disabled={from + several >= count} onClick={() => turn(several)}>
							Next
						</button>
					</span>
				)}
				<LengthWish
					key={drafts.target}
					label="Length of the drafts"
					value={drafts.target}
					onChange={drafts.setTarget}
				/>
				<button type="button" className="link" onClick={drafts.other}>
					Others of the same brief
				</button>
				<button type="button" className="link" aria-expanded={below === "held back"} onClick={() => show("held back")}>
					{drafts.heldBack.length} held back
				</button>
				<button type="button" className="link" aria-expanded={below === "ideas"} onClick={() => show("ideas")}>
					Ideas
				</button>
				<button type="button" className="link push" onClick={() => setModel(true)}>
					A model of your own
				</button>
			</div>
			<div className="drafts-below">
				{(below === "held back" || (count === 0 && below === "points")) && (
					<ul className="held-back">
						{drafts.heldBack.map((held) => (
							<li key={held.structure}>
								<b>{held.name}</b> <span className="quiet">{held.reason}</span>
							</li>
						))}
					</ul>
				)}
				{below === "points" && count > 0 && <KeyPoints points={points} said={drafts.measured.points} />}
				{below === "ideas" && <Ideas writer={writer} onPoint={onPoint} />}
			</div>
			<div className="drafts-take">
				<MainButton disabled={!kept.length} onClick={onTake}>
					Make it the script
				</MainButton>
				<span className="small quiet num">
					{kept.length ? keptWords(drafts) : "Keep a part, or all of one; it is laid on the left page."}
				</span>
				{kept.length > 0 && (
					<PlainButton small onClick={drafts.clear}>
						Put it back
					</PlainButton>
				)}
			</div>
			{model && <ModelSheet writer={writer} drafts={drafts} onClose={() => setModel(false)} />}
		</div>
	);
}

function keptWords({ pasteUp, measured, target }: Drafts): string {
	const count = keptIn(pasteUp).length;
	const twice = measured.twice.map((point) => `point ${point + 1} twice`);
	const open = [!pasteUp.opening && "no opening yet", !pasteUp.ending && "no ending yet"].filter(Boolean);
	const said = `${count} ${count === 1 ? "part" : "parts"} kept, ${clock(measured.seconds)} of ${clock(target)}`;
	return [said, ...open, ...twice].join("; ");
}

/** The brief's points by number; those that what is kept says are inked. */
function KeyPoints({ points, said }: { points: readonly string[]; said: readonly number[] }) {
	return (
		<ol className="key-points small" aria-label="Key points">
			{points.map((point, i) =>
				point.trim() ? (
					// biome-ignore lint/suspicious/noArrayIndexKey: a point has no other name than its number
					<li key={i} className={said.includes(i) ? "said" : ""}>
						<b className="num">{i + 1}</b> {point}
					</li>
				) : null,
			)}
		</ol>
	);
}

function NoPoints(props: { onBrief: () => void; onFill: (point: string) => void; writer: Writer }) {
	return (
		<div className="drafts">
			<p className="reading">
				A draft is made of what must be said, in your words. Three points are enough to begin with, or a document to
				take them from.
			</p>
			<p>
				<MainButton onClick={props.onBrief}>Write the brief</MainButton>
			</p>
			{props.writer.brief.topic.trim() && (
				<>
					<h3 className="panel-title">Ideas to begin with</h3>
					<Ideas writer={props.writer} onPoint={props.onFill} />
				</>
			)}
		</div>
	);
}

/** Alt+PageUp and Alt+PageDown go from draft to draft. */
function useTurning(turn: (by: number) => void): void {
	useEffect(() => {
		const pressed = (event: KeyboardEvent) => {
			const by = { PageUp: -1, PageDown: 1 }[event.code];
			if (!by || !event.altKey) return;
			event.preventDefault();
			turn(by);
		};
		window.addEventListener("keydown", pressed);
		return () => window.removeEventListener("keydown", pressed);
	}, [turn]);
}

/** Whether the window is broad enough for three galleys. */
function useBroad(): boolean {
	const [broad, setBroad] = useState(() => !window.matchMedia("(max-width: 1180px)").matches);
	useEffect(() => {
		const query = window.matchMedia("(max-width: 1180px)");
		const changed = () => setBroad(!query.matches);
		query.addEventListener("change", changed);
		return () => query.removeEventListener("change", changed);
	}, []);
	return broad;
}
