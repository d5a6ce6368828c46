import type { UseMutationResult } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { sentence } from "../../shared/api/client";
import { useRecorder } from "../../shared/recording/useRecorder";
import { PlainButton } from "../../shared/ui/controls";
import { Icon } from "../../shared/ui/icons";
import type { Match } from "./useMatch";

type Given = { purpose: string; statement: string; until: string };
type Props = {
	match: Match;
	consent: UseMutationResult<Match, Error, Given>;
	say: UseMutationResult<Match, Error, Blob>;
};

/** The consent: written down first, then said aloud if they like. Nothing is fitted without it. */
export function ConsentCard({ match, consent, say }: Props) {
	const [open, setOpen] = useState(!match.consented);
	const [purpose, setPurpose] = useState(match.purpose || "our own lessons and notices");
	const [until, setUntil] = useState(match.until);
	const [own, setOwn] = useState(match.statement);
	const { recording, recorder } = useRecorder();
	const usual = `I am ${match.person}. A voice may be made from this reading, for ${purpose.trim() || "…"}${until ? `, until ${until}` : ""}.`;
	const statement = own || usual;
	// biome-ignore lint/correctness/useExhaustiveDependencies: a recording is sent once, whatever else changes
	useEffect(() => {
		if (recording.state === "done") say.mutate(recording.file);
	}, [recording]);
	const live = recording.state === "recording" || recording.state === "counting";
	const problem = consent.error ?? say.error;
	return (
		<section className="consent" aria-label="Consent">
			<p className="consent-head">
				{match.consented && (
					<span className="good">
						<Icon name="tick" />
					</span>
				)}
				<b>
					{match.consented
						? match.spoken
							? "Consent, said aloud and kept with the voice"
							: "Consent, in writing"
						: "Consent"}
				</b>
				{match.consented && !open && (
					<button type="button" className="link small" onClick={() => setOpen(true)}>
						Change it
					</button>
				)}
			</p>
			{match.consented && !open ? (
				<>
					<p className="serif consent-words">“{match.statement}”</p>
					<p className="consent-ways">
						<PlainButton
							small
							disabled={say.isPending}
							onClick={() => (live ? recorder.stop() : void recorder.start(1))}
						>
							{live ? "Stop" : match.spoken ? "Say it again" : "Record it said aloud"}
						</PlainButton>
						<span role="status" className="small quiet">
							{recording.state === "recording" && `Recording ${recording.seconds.toFixed(1)} s`}
							{say.isPending && "Listening…"}
						</span>
					</p>
				</>
			) : (
				<form
					onSubmit={(event) => {
						event.preventDefault();
						consent.mutate({ purpose, statement, until }, { onSuccess: () => setOpen(false) });
					}}
				>
					<label>
						<span className="label">The voice may be used for</span>
						<input value={purpose} maxLength={300} onChange={(event) => setPurpose(event.target.value)} />
					</label>
					<label>
						<span className="label">Until (no day: without an end)</span>
						<input type="date" value={until} onChange={(event) => setUntil(event.target.value)} />
					</label>
					<label className="wide">
						<span className="label">In these words</span>
						<textarea rows={2} value={statement} maxLength={1000} onChange={(event) => setOwn(event.target.value)} />
					</label>
					<PlainButton
						small
						disabled={consent.isPending}
						onClick={() => consent.mutate({ purpose, statement, until }, { onSuccess: () => setOpen(false) })}
					>
						{match.person} agrees
					</PlainButton>
				</form>
			)}
			{(problem || recording.state === "refused") && (
				<p role="alert" className="problem small">
					{problem ? sentence(problem) : recording.state === "refused" && recording.says}
				</p>
			)}
		</section>
	);
}
