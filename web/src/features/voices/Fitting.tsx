import type { UseMutationResult } from "@tanstack/react-query";
import { Link } from "react-router";
import { sentence } from "../../shared/api/client";
import { useStopJob } from "../../shared/jobs/useJob";
import { listen, useListening } from "../../shared/sound/listening";
import { MainButton, PlainButton } from "../../shared/ui/controls";
import { useMatchedVoices } from "../../shared/voices/useVoices";
import type { Match } from "./useMatch";

type Props = { match: Match; fit: UseMutationResult<Match, Error, void> };

/** Fitting with its progress, then how close the voice came, before and after to hear. */
export function Fitting({ match, fit }: Props) {
	const matched = useMatchedVoices();
	const stop = useStopJob();
	const voice = matched.data?.find((v) => v.id === match.voice);
	const heard = useListening((h) => h.key);
	const enough = match.seconds >= match.least_seconds;
	if (match.status === "queued" || match.status === "running") {
		return (
			<section className="fitting" aria-label="Fitting">
				<b>Fitting the voice</b>
				<progress value={match.progress} max={1} aria-label="Fitting" />
				<p role="status" className="small quiet">
					{match.status === "queued" ? "Waiting for its turn…" : `${match.doing || "beginning"}…`} About a minute in
					all. You can leave this page.
				</p>
				{match.job && (
					<PlainButton small onClick={() => match.job && stop.mutate(match.job)} disabled={stop.isPending}>
						Stop
					</PlainButton>
				)}
			</section>
		);
	}
	if (match.status === "done" && voice && !voice.problem) {
		const hear = (which: string) => {
			const read = match.sentences.find((s) => s.good && s.text);
			const own = read ?? match.sentences.find((s) => s.good);
			const address =
				which === "sample"
					? `/api/voices/matches/${match.id}/sentences/${own?.number ?? 0}/sound.wav`
					: `/api/voices/matches/${match.id}/compare/${which}.wav?number=${read?.number ?? 0}`;
			void listen(`fit ${which}`, address);
		};
		return (
			<section className="fitting" aria-label="The voice">
				<h2 className="panel-title">{Math.round(voice.closed * 100)} % of the way</h2>
				<p>
					The base voice was {voice.before.toFixed(1)} dB from {voice.person}, the match is {voice.after.toFixed(1)} dB
					away,
					{!voice.same_words
						? " measured by the sound as a whole, as its words are not known: that flatters."
						: voice.held_out
							? ` measured on ${voice.held_out} sentences it was not fitted to.`
							: " measured on the sample itself."}{" "}
					Pitch {voice.pitch.toFixed(0)} Hz; {voice.person}’s is {voice.pitch_wanted.toFixed(0)} Hz.
				</p>
				<p className="quiet small">It is a likeness, not a copy: accent and melody stay those of the base voice.</p>
				<p className="fit-ways">
					{(
						[
							["sample", voice.person],
							["before", "The base voice"],
							["after", "The match"],
						] as const
					).map(([which, name]) => (
						<PlainButton key={which} small onClick={() => hear(which)}>
							{heard === `fit ${which}` ? "Stop" : `Hear: ${name}`}
						</PlainButton>
					))}
					<Link className="link small" to="/voices">
						To the voices
					</Link>
				</p>
			</section>
		);
	}
	return (
		<section className="fitting" aria-label="Fitting">
			<p className="fit-ways">
				<MainButton disabled={!enough || !match.consented || fit.isPending} onClick={() => fit.mutate()}>
					Fit the voice
				</MainButton>
				<span className="small quiet">
					{!enough
						? "Once enough sentences are read."
						: !match.consented
							? `Once ${match.person} agrees, below.`
							: "Takes about a minute."}
				</span>
			</p>
			{match.status === "done" && voice?.problem && <p className="warning small">{voice.problem}</p>}
			{match.status === "failed" && (
				<p role="alert" className="problem small">
					{match.message}
				</p>
			)}
			{fit.error && (
				<p role="alert" className="problem small">
					{sentence(fit.error)}
				</p>
			)}
		</section>
	);
}
