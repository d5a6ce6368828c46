import { type KeyboardEvent, type ReactNode, useEffect, useMemo, useRef, useState } from "react";
import { itemsIn, kindOfItem } from "../../../shared/shelf/items";
import { type Place, PlaceField } from "../../../shared/shelf/PlacePrint";
import { cueLabel, FLAG_SHAPES, foundKinds, meantChoices } from "../document/cueKinds";
import type { CueKind, CueValues, PlacedCue } from "../document/cues";
import { ParameterField } from "./ParameterField";
import { useCueOnStage } from "./useCueOnStage";

function FlagShape({ kind }: { kind: CueKind }) {
	return (
		<svg viewBox="0 0 11 12" width={11} height={12} aria-hidden="true" className="flag-shape">
			<path d={FLAG_SHAPES[kind.family]} />
		</svg>
	);
}

type ListProps = {
	kinds: CueKind[];
	used: ReadonlyMap<string, number>;
	word: string;
	/** Whether more words are selected, over which what can last will last. */
	several: boolean;
	hostId: string;
	top: number;
	onSet: (kind: CueKind, meant: CueValues) => void;
	/** Show the word with it on the stage; nothing is set. */
	onTry: (kind: CueKind) => void;
	onClose: () => void;
};

/** One searchable list of what can happen on a word; it hangs from the word. */
export function CueList({ kinds, used, word, several, hostId, top, onSet, onTry, onClose }: ListProps) {
	const [typed, setTyped] = useState("");
	const [at, setAt] = useState(0);
	const found = useMemo(() => foundKinds(kinds, typed, used), [kinds, typed, used]);
	const chosen = found[Math.min(at, found.length - 1)];
	const list = useRef<HTMLDivElement>(null);
	useEffect(() => {
		list.current?.querySelector(`[data-index="${at}"]`)?.scrollIntoView({ block: "nearest" });
	}, [at]);
	const card = useRef<HTMLElement>(null);
	useEffect(() => {
		card.current?.scrollIntoView({ block: "nearest" });
	}, []);
	const keys = (event: KeyboardEvent) => {
		if (event.code === "ArrowDown") setAt((n) => Math.min(found.length - 1, n + 1));
		else if (event.code === "ArrowUp") setAt((n) => Math.max(0, n - 1));
		else if (event.code === "Enter" && event.altKey && chosen) onTry(chosen);
		else if (event.code === "Enter" && chosen) onSet(chosen, meantChoices(chosen, typed));
		else if (event.code === "Escape") onClose();
		else return;
		event.preventDefault();
		event.stopPropagation();
	};
	return (
		<section ref={card} className="cue-card" style={{ top }} aria-label={`Cue on “${word}”`}>
			<div className="cue-search">
				<input
					// biome-ignore lint/a11y/noAutofocus: the list is opened to be typed into
					autoFocus
					role="combobox"
					aria-expanded="true"
					aria-controls="cue-kinds"
					aria-activedescendant={chosen ? `cue-kind-${chosen.name}` : undefined}
					aria-label="What happens on this word"
					placeholder="Wave, close-up, pause…"
					value={typed}
					onChange={(event) => {
						setTyped(event.target.value);
						setAt(0);
					}}
					onKeyDown={keys}
					onBlur={(event) => {
						if (!event.relatedTarget?.closest(".cue-card")) onClose();
					}}
				/>
				<span className="small quiet num">
					{found.length} of {kinds.length}
				</span>
			</div>
			<div className="cue-choice">
				<div ref={list} className="kinds" id="cue-kinds" role="listbox" aria-label="Cues" tabIndex={-1}>
					{found.map((kind, index) => (
						<div
							key={kind.name}
							id={`cue-kind-${kind.name}`}
							data-index={index}
							role="option"
							tabIndex={-1}
							aria-selected={kind === chosen}
							onPointerEnter={() => setAt(index)}
							onPointerDown={(event) => {
								event.preventDefault();
								onSet(kind, meantChoices(kind, typed));
							}}
						>
							<FlagShape kind={kind} />
							<span>{meantLabel(kind, typed)}</span>
							<i>{kind.group.toLowerCase()}</i>
						</div>
					))}
					{!found.length && <p className="quiet none">Nothing is called that. Try another word.</p>}
				</div>
				<div className="cue-look">
					{chosen?.family === "host" && (
						<img src={`/api/hosts/${hostId}/cues/${chosen.name}.png`} alt="" width={184} height={138} />
					)}
					<p>
						{several && chosen?.stretch ? "Lasts over the selected words, from " : "Lands on "}
						<b>{word}</b>
						{several && chosen?.stretch ? " on." : "."}
						{chosen && <ChosenNote kind={chosen} />}
					</p>
				</div>
			</div>
			<p className="cue-keys">
				<b>Enter</b> sets it <b>Alt+Enter</b>{" "}
				<button
					type="button"
					className="text-button"
					onPointerDown={(event) => event.preventDefault()}
					onClick={() => chosen && onTry(chosen)}
				>
					tries it on the stage
				</button>{" "}
				<b>Esc</b> leaves the word as it was
			</p>
		</section>
	);
}

/** What would be set: the kind, and the choices that were typed with it. */
function meantLabel(kind: CueKind, typed: string): string {
	const meant = Object.values(meantChoices(kind, typed)).map((choice) => String(choice).replaceAll("-", " "));
	return [kind.label, ...meant].join(": ");
}

function ChosenNote({ kind }: { kind: CueKind }) {
	const notes: Record<string, string> = {
		Expression: "Stays until the next expression, or the end of the scene.",
		Framing: "Cuts there, and stays until the next framing.",
		Text: "Shows words on a slip of paper.",
		Line: "Holds for the whole line.",
		Picture: "Shown beside the host, who makes room for it, or in place of the host.",
		Sound: "Heard from the word on, under the voice.",
		Prop: "Stays in the hand until it is put down or passed on.",
		Move: "A walk arrives with the word; leaving begins with it.",
		Eyes: "Stays until the eyes are sent elsewhere.",
		Gesture: "Begins a little sooner, so that it arrives with the word.",
	};
	const own: Record<string, string> = {
		pause: "Silence in front of the word. What follows moves along.",
		emphasis: "The word is higher, longer and louder.",
		"say-as": "What is written stays; what is said is spelled as it sounds.",
	};
	return <> {own[kind.name] ?? notes[kind.group]}</>;
}

type EditProps = {
	kinds: CueKind[];
	cue: PlacedCue;
	at: string;
	top: number;
	/** Over which words it lasts, for kinds that can. */
	stretch: ReactNode;
	/** The thing of the shelf that is shown on its word; "" for none. */
	thing: string;
	onChange: (parameters: CueValues) => void;
	onMove: (steps: number) => void;
	onKeep: () => void;
	onRemove: () => void;
	onClose: () => void;
};

/** The settings of one cue. */
export function CueEditor({
	kinds,
	cue,
	at,
	top,
	stretch,
	thing,
	onChange,
	onMove,
	onKeep,
	onRemove,
	onClose,
}: EditProps) {
	const kind = kinds.find((k) => k.name === cue.kind);
	const card = useRef<HTMLElement>(null);
	const placed = kind && thing ? placeOf(kind, cue) : null;
	useCueOnStage(asked(kind, cue), cue, onChange);
	useEffect(() => {
		card.current?.querySelector<HTMLElement>("input, button")?.focus();
		card.current?.scrollIntoView({ block: "nearest" });
	}, []);
	return (
		<section
			ref={card}
			className="cue-card edit"
			style={{ top }}
			aria-label={`Cue ${cueLabel(kinds, cue)}`}
			onKeyDown={(event) => {
				if (event.code !== "Escape" && !(event.code === "Enter" && event.target instanceof HTMLInputElement)) return;
				event.preventDefault();
				onClose();
			}}
		>
			<p className="cue-title">
				{kind && <FlagShape kind={kind} />}
				<b>{kind?.label ?? cue.kind}</b>
				<span className="quiet">
					on “{cue.word}”{at && `, at ${at}`}
				</span>
			</p>
			{!kind && <p>There is no such cue. Take it off, and set another.</p>}
			{cue.look && (
				<p className="cue-moved">
					It lost its word and moved here.{" "}
					<button type="button" className="text-button" onClick={onKeep}>
						Keep it here
					</button>
				</p>
			)}
			{kind?.group === "Line" && <p className="small quiet">Set in the Voice tab, for the whole line.</p>}
			{stretch}
			{placed && <PlaceField item={thing} at={placed} onChange={(x, y) => onChange({ ...cue.parameters, x, y })} />}
			{asked(kind, cue)
				.filter(({ name }) => !placed || !PLACE.includes(name))
				.map((parameter) => (
					<ParameterField
						key={parameter.name}
						parameter={parameter}
						value={cue.parameters[parameter.name] ?? parameter.default}
						words={cue.said}
						onChange={(value) => onChange({ ...cue.parameters, [parameter.name]: value })}
					/>
				))}
			<p className="cue-actions">
				<button type="button" className="cue-button" onClick={() => onMove(-1)}>
					Word before
				</button>
				<button type="button" className="cue-button" onClick={() => onMove(1)}>
					Word after
				</button>
				<button type="button" className="cue-button" onClick={onRemove}>
					Take it off
				</button>
				<button type="button" className="cue-button filled" onClick={onClose}>
					Done
				</button>
			</p>
		</section>
	);
}

/** Settings that are a place together. */
const PLACE = ["x", "y"];

/** The place in what is shown that a cue goes to, of kinds that go to one. */
function placeOf(kind: CueKind, cue: PlacedCue): Place | null {
	const value = (name: string) =>
		Number(cue.parameters[name] ?? kind.parameters.find((one) => one.name === name)?.default);
	const place = { x: value("x"), y: value("y"), near: value("near") };
	return Object.values(place).every(Number.isFinite) ? place : null;
}

/** The settings that matter for a cue: a line's are set elsewhere. */
function asked(kind: CueKind | undefined, cue: PlacedCue): CueKind["parameters"] {
	if (!kind || kind.group === "Line") return [];
	// how long it stays is said by the words of its stretch
	const counting = kind.parameters.filter(({ name }) => cue.end === null || name !== "seconds");
	const things = kind.parameters.flatMap(({ name, asset }) => (asset ? itemsIn(cue.parameters[name]) : []));
	return counting.filter(
		({ only_for: [name, value], for_asset }) =>
			(!name || cue.parameters[name] === value) &&
			(!for_asset || things.some((item) => kindOfItem(item) === for_asset)),
	);
}
