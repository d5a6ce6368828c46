import { useState } from "react";
import { sentence } from "../../../shared/api/client";
import { PlainButton, Tick } from "../../../shared/ui/controls";
import { Sheet } from "../../../shared/ui/Sheet";
import { type Take, takeLabel, type useTakes } from "./useTakes";

type Props = {
	take: Take;
	/** The line has other words now. */
	stale: boolean;
	takes: ReturnType<typeof useTakes>;
	onHear: () => void;
	onUse: () => void;
	onClose: () => void;
};

/** One take: its name, what it says, what is wrong with it, and what can be done. */
export function TakeSheet({ take, stale, takes, onHear, onUse, onClose }: Props) {
	const [name, setName] = useState(take.name);
	const [noise, setNoise] = useState(true);
	const [shorter, setShorter] = useState(false);
	const close = () => {
		if (name.trim() !== take.name) takes.rename.mutate({ take: take.id, name });
		onClose();
	};
	const problem = takes.tidy.error ?? takes.rename.error;
	return (
		<Sheet label={`Take ${take.number}`} kind="take-sheet" onClose={onClose}>
			<h2 className="panel-title">
				Take {take.number}, {takeLabel(take)}
			</h2>
			<label>
				<span className="label">Name</span>
				<input
					value={name}
					maxLength={80}
					placeholder={takeLabel({ ...take, name: "" })}
					onChange={(event) => setName(event.target.value)}
				/>
			</label>
			<blockquote className="serif">{take.text}</blockquote>
			{stale && (
				<p className="warning small">
					The line has other words now. This take still says these. Read the line again, or keep it so.
				</p>
			)}
			{take.notes.map((note) => (
				<p key={note} className="warning small">
					{note}
				</p>
			))}
			{take.recording && (
				<fieldset className="tidy">
					<legend className="label">A tidier copy</legend>
					<Tick label="Reduce room noise" checked={noise} onChange={setNoise} />
					<Tick label="Shorten silences to .3 s" checked={shorter} onChange={setShorter} />
					<PlainButton
						small
						disabled={takes.tidy.isPending || !(noise || shorter)}
						onClick={() =>
							takes.tidy.mutate({ take: take.id, noise, silence: shorter ? 0.3 : 0 }, { onSuccess: () => onClose() })
						}
					>
						{takes.tidy.isPending ? "Tidying…" : "Make it"}
					</PlainButton>
				</fieldset>
			)}
			{problem && (
				<p role="alert" className="problem small">
					{sentence(problem)}
				</p>
			)}
			<div className="change-buttons">
				<PlainButton onClick={onHear}>Hear it</PlainButton>
				<PlainButton
					onClick={() => {
						onUse();
						close();
					}}
				>
					Put it in the film
				</PlainButton>
				<PlainButton
					onClick={() => {
						takes.remove.mutate(take.id);
						onClose();
					}}
				>
					Delete
				</PlainButton>
				<PlainButton onClick={close}>Close</PlainButton>
			</div>
		</Sheet>
	);
}
