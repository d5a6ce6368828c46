import type { Editor } from "@tiptap/core";
import { useRef, useState } from "react";
import { sentence } from "../../../shared/api/client";
import { listen, useListening } from "../../../shared/sound/listening";
import { PlainButton } from "../../../shared/ui/controls";
import type { CueValues } from "../document/cues";
import { setLineCues, useLineAtCaret } from "./lineAtCaret";
import { RecordSheet } from "./RecordSheet";
import { TakeSheet } from "./TakeSheet";
import { isChosen, otherReadings, type Take, takeLabel, useTakes } from "./useTakes";

type Props = { productionId: string; editor: Editor; kept: boolean };

/** The takes of the line at the caret, beside the stage. */
export function TakesColumn({ productionId, editor, kept }: Props) {
	const line = useLineAtCaret(editor);
	const takes = useTakes(productionId);
	const [recording, setRecording] = useState(false);
	const [opened, setOpened] = useState("");
	const file = useRef<HTMLInputElement>(null);
	const heard = useListening((h) => h.key);
	const trouble = useListening((h) => h.problem);
	if (!line || line.clip) return <aside className="takes" aria-label="Takes" />;
	const mine = (takes.list.data ?? []).filter((take) => take.line === line.id);
	const busy = takes.keep.isPending || takes.record.isPending;
	const problem = takes.keep.error ?? takes.record.error ?? takes.remove.error;
	const current = { ...(line.delivery?.parameters ?? {}) };
	const choose = (take: Take) =>
		setLineCues(editor, line.id, {
			delivery: Object.keys(take.delivery).length ? (take.delivery as CueValues) : null,
			recording: take.recording ? { recording: take.recording, borders: "" } : null,
		});
	const hear = (take: Take) => listen(`take ${take.id}`, `/api/productions/${productionId}/takes/${take.id}/sound.wav`);
	const known = mine.some((take) => isChosen(take, line));
	const shown = mine.find((take) => take.id === opened);
	return (
		<aside
			className="takes"
			aria-label="Takes of this line"
			onKeyDown={(event) => {
				const take = /^Digit[1-9]$/.test(event.code) && mine.find((t) => t.number === Number(event.code.slice(5)));
				if (take && !(event.target instanceof HTMLInputElement)) hear(take);
			}}
		>
			<h3 className="panel-title">Takes</h3>
			<ol>
				{mine.map((take) => {
					const on = isChosen(take, line);
					return (
						<li key={take.id} className={on ? "on" : ""}>
							<button
								type="button"
								className="take-number"
								onClick={() => setOpened(take.id)}
								aria-label={`Take ${take.number}, ${takeLabel(take)}: more`}
							>
								{take.number}
							</button>
							<button type="button" className="take-name" onClick={() => choose(take)} aria-pressed={on}>
								<span>{takeLabel(take)}</span>
								<span className="quiet num">
									{take.seconds.toFixed(1)} s{take.text !== line.text && ", older words"}
									{take.notes.length > 0 && ", look"}
								</span>
							</button>
							<button
								type="button"
								className="take-hear"
								aria-label={heard === `take ${take.id}` ? "Stop" : `Hear take ${take.number}`}
								onClick={() => hear(take)}
							>
								<svg viewBox="0 0 12 12" width="12" height="12" aria-hidden="true">
									<path d={heard === `take ${take.id}` ? "M1 1H11V11H1Z" : "M1 0L12 6 1 12Z"} />
								</svg>
							</button>
						</li>
					);
				})}
			</ol>
			{!mine.length && (
				<p className="small quiet">None kept yet. Keep the reading as it is, ask for others, or record the line.</p>
			)}
			{(problem || trouble) && (
				<p role="alert" className="problem small">
					{problem ? sentence(problem) : trouble}
				</p>
			)}
			<div className="take-ways">
				<PlainButton
					small
					disabled={busy || known || !kept}
					onClick={() => takes.keep.mutate({ line: line.id, deliveries: [current] })}
				>
					Keep this
				</PlainButton>
				<PlainButton
					small
					disabled={busy || !kept || line.recording !== null}
					onClick={() => takes.keep.mutate({ line: line.id, deliveries: otherReadings(current, mine, 3) })}
				>
					{takes.keep.isPending ? "Reading…" : "Three more"}
				</PlainButton>
				<PlainButton small disabled={busy || !kept} onClick={() => setRecording(true)}>
					Record
				</PlainButton>
				<PlainButton small disabled={busy || !kept} onClick={() => file.current?.click()}>
					{takes.record.isPending ? "Listening…" : "From file"}
				</PlainButton>
				<input
					ref={file}
					type="file"
					hidden
					accept="audio/*,video/*"
					aria-label="A recording of this line"
					onChange={(event) => {
						const sound = event.target.files?.[0];
						if (sound) takes.record.mutate({ line: line.id, sound }, { onSuccess: choose });
						event.target.value = "";
					}}
				/>
			</div>
			{recording && (
				<RecordSheet
					title={`Take ${(mine.at(-1)?.number ?? 0) + 1}`}
					text={line.text}
					send={(sound) => takes.record.mutateAsync({ line: line.id, sound })}
					notesOf={(take) => take.notes}
					hear={hear}
					onUse={choose}
					onClose={() => setRecording(false)}
				/>
			)}
			{shown && (
				<TakeSheet
					take={shown}
					stale={shown.text !== line.text}
					takes={takes}
					onHear={() => hear(shown)}
					onUse={() => choose(shown)}
					onClose={() => setOpened("")}
				/>
			)}
		</aside>
	);
}
