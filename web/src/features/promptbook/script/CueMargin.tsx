import type { Editor } from "@tiptap/core";
import { closeHistory } from "@tiptap/pm/history";
import { type KeyboardEvent, useEffect, useState } from "react";
import { cueLabel, FLAG_SHAPES, familyOf } from "../document/cueKinds";
import { type Corners, cornersPath, type Flag, layFlags, measureCues } from "../document/cueLayout";
import {
	type CueKind,
	type CueValues,
	changeCue,
	cuesOf,
	linesById,
	type PlacedCue,
	removeCue,
	wordsAway,
} from "../document/cues";
import { nearestWord } from "../document/words";
import { StretchHandles } from "./StretchHandles";

type Props = {
	editor: Editor;
	root: HTMLElement;
	kinds: CueKind[];
	/** The cue that is being changed, and those on the word that is heard. */
	current: ReadonlySet<string>;
	/** When a cue happens, in words; "" where its line is not read yet. */
	momentOf: (id: string) => string;
	/** What hosts do by themselves: pale flags. */
	pale: readonly PaleCue[];
	/** Make a pale one a cue of its own kind, or leave it out ("rest"), on its word or another. */
	onKeep: (cue: PaleCue, kind: string, at?: { from: number; to: number }) => void;
	onOpen: (id: string) => void;
};

/** A gesture nobody wrote, on the word at an offset of a line. */
export type PaleCue = { lineId: string; offset: number; kind: string; parameters: CueValues };

const paleId = (cue: PaleCue) => `pale ${cue.lineId} ${cue.offset}`;

/** Flags in the margin, each tied to its word by a thin rule. */
export function CueMargin({ editor, root, kinds, current, momentOf, pale, onKeep, onOpen }: Props) {
	const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
	const { flags, cues, stretches } = useFlags(editor, root, opened, pale);
	const move = (cue: PlacedCue, steps: number) => {
		const words = wordsAway(editor.state.doc, cue, steps);
		if (words) editor.view.dispatch(changeCue(closeHistory(editor.state.tr), cue, {}, words));
	};
	const keys = (event: KeyboardEvent, cue: PlacedCue) => {
		if (event.code === "ArrowLeft") move(cue, -1);
		else if (event.code === "ArrowRight") move(cue, 1);
		else if (event.code === "Delete" || event.code === "Backspace") {
			editor.view.dispatch(removeCue(closeHistory(editor.state.tr), cue.id));
			editor.commands.focus(cue.from);
		} else return;
		event.preventDefault();
	};
	return (
		<div className="cue-layer">
			<svg aria-hidden="true">
				{flags.map((flag) => (
					<path key={flag.id} d={flag.rule} className={ruleClass(flag.id, current)} />
				))}
				{stretches.map((corners) => (
					<path
						key={`corners ${corners.id}`}
						d={cornersPath(corners)}
						className={`corners ${current.has(corners.id) ? "on" : ""}`}
					/>
				))}
			</svg>
			{stretches.map((corners) => {
				const cue = current.has(corners.id) ? cues.get(corners.id) : undefined;
				return cue && <StretchHandles key={`handles ${cue.id}`} editor={editor} cue={cue} corners={corners} />;
			})}
			{flags.map((flag) => {
				const cue = cues.get(flag.id);
				const byItself = cue ? undefined : pale.find((p) => paleId(p) === flag.id);
				if (!cue && !byItself) return null;
				if (flag.more) {
					return (
						<button
							type="button"
							key={flag.id}
							className="flag more"
							style={{ left: flag.left, top: flag.top }}
							onClick={() => setOpened((before) => new Set([...before, flag.id]))}
						>
							{flag.more} more
						</button>
					);
				}
				if (byItself) {
					return (
						<PaleFlag
							key={flag.id}
							flag={flag}
							label={cueLabel(kinds, byItself)}
							shape={FLAG_SHAPES[familyOf(kinds, byItself.kind)]}
							onKeep={() => onKeep(byItself, byItself.kind)}
							onLeaveOut={() => onKeep(byItself, "rest")}
							onDrag={(down) => dragToWord(down, editor, (word) => onKeep(byItself, byItself.kind, word))}
						/>
					);
				}
				if (!cue) return null;
				return (
					<button
						type="button"
						key={flag.id}
						className={`flag ${current.has(flag.id) ? "on" : ""} ${cue.look ? "look" : ""}`}
						style={{ left: flag.left, top: flag.top }}
						title={momentOf(flag.id)}
						onClick={() => onOpen(flag.id)}
						onKeyDown={(event) => keys(event, cue)}
						onPointerDown={(event) => startDrag(event.nativeEvent, editor, cue)}
						aria-label={`${cueLabel(kinds, cue)}, cue on “${cue.word}”${cue.look ? ", moved: look at it" : ""}`}
					>
						<svg viewBox="0 0 11 12" width={11} height={12} aria-hidden="true">
							<path d={FLAG_SHAPES[familyOf(kinds, cue.kind)]} />
						</svg>
						<span>{cueLabel(kinds, cue)}</span>
						{cue.look && <i aria-hidden="true">moved</i>}
					</button>
				);
			})}
		</div>
	);
}

const ruleClass = (id: string, current: ReadonlySet<string>) =>
	`cue-rule ${current.has(id) ? "on" : ""} ${id.startsWith("pale ") ? "pale" : ""}`;

type PaleProps = {
	flag: Flag;
	label: string;
	shape: string;
	onKeep: () => void;
	onLeaveOut: () => void;
	onDrag: (down: PointerEvent) => void;
};

/** What a host does by itself: Enter or a click keeps it as a cue, Delete leaves it out, dragging keeps it elsewhere. */
function PaleFlag({ flag, label, shape, onKeep, onLeaveOut, onDrag }: PaleProps) {
	return (
		<button
			type="button"
			className="flag pale"
			style={{ left: flag.left, top: flag.top }}
			title="By itself. Click to keep it, Delete to leave it out."
			aria-label={`${label}, by itself: Enter keeps it, Delete leaves it out`}
			onClick={onKeep}
			onPointerDown={(event) => onDrag(event.nativeEvent)}
			onKeyDown={(event) => {
				if (event.code !== "Delete" && event.code !== "Backspace") return;
				event.preventDefault();
				onLeaveOut();
			}}
		>
			<svg viewBox="0 0 11 12" width={11} height={12} aria-hidden="true">
				<path d={shape} />
			</svg>
			<span>{label}</span>
		</button>
	);
}

/** A flag dragged over the text takes the word it is let go on. */
function startDrag(down: PointerEvent, editor: Editor, cue: PlacedCue): void {
	dragToWord(down, editor, (word) => {
		const now = cuesOf(editor.state.doc).find((c) => c.id === cue.id);
		if (now) editor.view.dispatch(changeCue(closeHistory(editor.state.tr), now, {}, word));
	});
}

function dragToWord(down: PointerEvent, editor: Editor, take: (word: { from: number; to: number }) => void): void {
	let moved = false;
	const over = (event: PointerEvent) => {
		moved ||= Math.hypot(event.clientX - down.clientX, event.clientY - down.clientY) > 5;
	};
	const up = (event: PointerEvent) => {
		window.removeEventListener("pointermove", over);
		const place = moved && editor.view.posAtCoords({ left: event.clientX, top: event.clientY });
		if (!place) return;
		const $place = editor.state.doc.resolve(place.pos);
		if ($place.parent.type.name !== "line") return;
		const word = nearestWord($place.parent.textContent, $place.parentOffset);
		if (!word) return;
		const start = $place.start();
		take({ from: start + word.from, to: start + word.to });
	};
	window.addEventListener("pointermove", over);
	window.addEventListener("pointerup", up, { once: true });
}

type Laid = { flags: Flag[]; cues: Map<string, PlacedCue>; stretches: Corners[] };

function useFlags(editor: Editor, root: HTMLElement, opened: ReadonlySet<string>, pale: readonly PaleCue[]): Laid {
	const [laid, setLaid] = useState<Laid>({ flags: [], cues: new Map(), stretches: [] });
	useEffect(() => {
		let asked = 0;
		const lay = () => {
			asked = 0;
			const { items, edge, lines, stretches } = measureCues(root);
			const near = pale.filter((cue) => lines.has(cue.lineId));
			if (near.length) items.push(...measurePale(editor, root, near));
			const cues = new Map(cuesOf(editor.state.doc).map((c) => [c.id, c]));
			setLaid({ flags: layFlags(items, edge, opened), cues, stretches });
		};
		const ask = () => {
			asked ||= requestAnimationFrame(lay);
		};
		const changed = ({ transaction }: { transaction: { docChanged: boolean } }) => transaction.docChanged && ask();
		const sizes = new ResizeObserver(ask);
		sizes.observe(editor.view.dom);
		const scroller = root.parentElement;
		scroller?.addEventListener("scroll", ask, { passive: true });
		editor.on("transaction", changed);
		document.fonts?.ready.then(ask);
		ask();
		return () => {
			cancelAnimationFrame(asked);
			sizes.disconnect();
			scroller?.removeEventListener("scroll", ask);
			editor.off("transaction", changed);
		};
	}, [editor, root, opened, pale]);
	return laid;
}

/** Where the words of pale flags lie on the page. */
function measurePale(editor: Editor, root: HTMLElement, pale: readonly PaleCue[]) {
	const origin = root.getBoundingClientRect();
	const lines = linesById(editor.state.doc);
	return pale.flatMap((cue) => {
		const line = lines.get(cue.lineId);
		if (!line || cue.offset >= line.node.content.size) return [];
		const box = editor.view.coordsAtPos(line.start + cue.offset);
		return [{ id: paleId(cue), x: box.left - origin.left, y: box.top - origin.top }];
	});
}
