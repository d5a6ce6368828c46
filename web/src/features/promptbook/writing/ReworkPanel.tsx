import { useQuery } from "@tanstack/react-query";
import { api, ask, sentence } from "../../../shared/api/client";
import { clock } from "../../../shared/time";
import { MainButton, PlainButton, Tick } from "../../../shared/ui/controls";
import { Icon } from "../../../shared/ui/icons";
import { LengthWish } from "./LengthWish";
import type { Kind, ReworkState, Scope, Wish } from "./useRework";

const KINDS: { value: Kind; text: string }[] = [
	{ value: "shorter", text: "shorter" },
	{ value: "longer", text: "longer, from points not said yet" },
	{ value: "tone", text: "in another tone" },
	{ value: "breathing", text: "in shorter sentences" },
	{ value: "answers", text: "with short answers" },
	{ value: "sample", text: "like a text of my own" },
	{ value: "opening", text: "with its opening trimmed" },
	{ value: "closing", text: "with its closing trimmed" },
];
const SCOPES: { value: Scope; text: string }[] = [
	{ value: "all", text: "the whole script" },
	{ value: "scene", text: "this scene" },
	{ value: "words", text: "the lines selected" },
];
const TIMED: Kind[] = ["shorter", "longer", "opening", "closing"];

type Props = { rework: ReworkState; scene: number; onHear: (text: string) => void };

/** What is done to the script, as a sentence of choices; nothing is changed until it is put in. */
export function ReworkPanel({ rework, scene, onHear }: Props) {
	const { wish, found, changed, taken, undecided } = rework;
	const tones = useQuery({ queryKey: ["tones"], queryFn: () => ask(api.GET("/api/writing/tones")) });
	if (!wish) return null;
	const set = (part: Partial<Wish>) => rework.begin({ ...wish, ...part });
	const here = changed[rework.at];
	return (
		<div className="rework">
			<div className="rework-head">
				<h3 className="panel-title">Rework</h3>
				<span className="small quiet">nothing is changed until it is put in</span>
			</div>
			<p className="rework-wish serif">
				Make{" "}
				<Word
					label="Of what"
					value={wish.scope}
					options={SCOPES.map((s) => (s.value === "scene" ? { ...s, text: `scene ${scene}` } : s))}
					onChange={(scope) => set({ scope })}
				/>{" "}
				<Word label="How" value={wish.kind} options={KINDS} onChange={(kind) => set({ kind, ...usual(kind, wish) })} />
				{wish.kind === "tone" && (
					<>
						:{" "}
						<Word
							label="Tone"
							value={wish.tone}
							options={(tones.data ?? []).map(({ id, name }) => ({ value: id, text: name }))}
							onChange={(tone) => set({ tone })}
						/>
					</>
				)}
				{TIMED.includes(wish.kind) && (
					<>
						{wish.kind === "shorter" ? ", to " : ", by "}
						<LengthWish
							key={`${wish.kind} ${wish.seconds}`}
							label="Length"
							value={wish.seconds}
							onChange={(seconds) => set({ seconds })}
						/>
					</>
				)}
				{wish.kind === "breathing" && (
					<>
						, of at most{" "}
						<Word
							label="Words"
							value={String(wish.longest)}
							options={["10", "14", "18", "22"].map((value) => ({ value, text: `${value} words` }))}
							onChange={(longest) => set({ longest: Number(longest) })}
						/>
					</>
				)}
				.
			</p>
			{rework.problem && (
				<p role="alert" className="problem">
					{sentence(rework.problem)}
				</p>
			)}
			{rework.waiting && <p className="quiet">Reading the script…</p>}
			{found && !rework.waiting && <Report rework={rework} />}
			<div className="change-buttons">
				{undecided.length > 0 ? (
					<MainButton onClick={() => rework.decide(undecided, "taken")}>
						Take {taken.length || rework.left.length ? "the other" : "all"} {undecided.length}
					</MainButton>
				) : (
					<MainButton disabled={!taken.length && !rework.delivered} onClick={rework.putIn}>
						{taken.length || !rework.delivered
							? `Put ${taken.length} ${taken.length === 1 ? "change" : "changes"} in`
							: "Put the delivery in"}
					</MainButton>
				)}
				{undecided.length > 0 && taken.length > 0 && (
					<PlainButton onClick={rework.putIn}>Put in what is taken</PlainButton>
				)}
				<PlainButton onClick={rework.end}>Leave the script as it is</PlainButton>
				{here && (
					<span className="small push">
						Hear it{" "}
						<button type="button" className="link" disabled={!here.after} onClick={() => onHear(here.after)}>
							the new way
						</button>{" "}
						or{" "}
						<button type="button" className="link" onClick={() => onHear(here.before)}>
							the old
						</button>
					</span>
				)}
			</div>
			<p className="small quiet">
				<b>Enter</b> takes, <b>Delete</b> leaves, arrows go from sentence to sentence.
			</p>
		</div>
	);
}

function usual(kind: Kind, wish: Wish): Partial<Wish> {
	if (kind === "opening" || kind === "closing") return { seconds: 5 };
	if (kind === "longer") return { seconds: 15 };
	return kind === "shorter" && wish.kind !== "shorter" ? { seconds: 60 } : {};
}

/** What becomes of length, points, cues and names. */
function Report({ rework }: { rework: ReworkState }) {
	const { found, changed, wish } = rework;
	if (!found || !wish) return null;
	const out = changed.filter((one) => !one.after).length;
	const cues = changed.reduce((sum, one) => sum + one.cues.length, 0);
	const lost = [...new Set(changed.flatMap((one) => one.lost))];
	const miss = wish.kind === "shorter" && found.after > wish.seconds * 1.05;
	return (
		<ul className="checks">
			<li>
				<Icon name="tick" />
				<span className="num">
					{clock(found.before)} before, {clock(rework.now)} now, <b>{clock(rework.withAll)} with all</b>. {out} out,{" "}
					{changed.length - out} changed.
				</span>
			</li>
			{miss && (
				<li className="problem">
					<Icon name="warning" />
					<span className="num">
						{clock(wish.seconds)} is not reached: what must be said, and what those sentences lean on, takes longer.
					</span>
				</li>
			)}
			<li className={found.points_lost.length ? "problem" : ""}>
				<Icon name={found.points_lost.length ? "warning" : "tick"} />
				<span>
					{found.points_lost.length
						? `No longer said: ${found.points_lost.join("; ")}`
						: "Every point that was said still is."}
				</span>
			</li>
			{(cues > 0 || lost.length > 0) && (
				<li className="problem">
					<Icon name="warning" />
					<span>
						{cues > 0 && `${cues} ${cues === 1 ? "cue moves" : "cues move"} to the nearest word. `}
						{lost.length > 0 && `Without: ${lost.join(", ")}.`}
					</span>
				</li>
			)}
			{wish.kind === "tone" && !changed.length && (
				<li>
					<Icon name="tick" />
					<span>This tone changes nothing here.</span>
				</li>
			)}
			{found.asks && (
				<li>
					<Icon name="tick" />
					<span>{found.asks}</span>
				</li>
			)}
			{found.delivery && (
				<li>
					<Tick
						label={`Have it said so too: ${found.delivery}${found.pace < 1 ? ", slower" : found.pace > 1 ? ", quicker" : ""}`}
						checked={rework.delivered}
						onChange={rework.setDelivered}
					/>
				</li>
			)}
		</ul>
	);
}

type WordProps<T extends string> = {
	label: string;
	value: T;
	options: readonly { value: T; text: string }[];
	onChange: (value: T) => void;
};

/** A word of the sentence that can be another. */
function Word<T extends string>({ label, value, options, onChange }: WordProps<T>) {
	return (
		<select className="wish-word" aria-label={label} value={value} onChange={(e) => onChange(e.target.value as T)}>
			{options.map((option) => (
				<option key={option.value} value={option.value}>
					{option.text}
				</option>
			))}
		</select>
	);
}
