import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { api, ask, sentence } from "../../shared/api/client";
import { listen, useListening } from "../../shared/sound/listening";
import { MainButton, PlainButton } from "../../shared/ui/controls";
import { Icon } from "../../shared/ui/icons";
import { RunningHead } from "../../shared/ui/RunningHead";
import { ConsentCard } from "./ConsentCard";
import { Fitting } from "./Fitting";
import { ReadingDesk } from "./ReadingDesk";
import { type Match, type Sentence, useMatch, useMatches } from "./useMatch";

/** A voice match: sentences to read on the left, the microphone, the consent and the fitting on the right. */
export function MatchPage() {
	const { matchId = "" } = useParams();
	return (
		<>
			<RunningHead />
			{matchId ? <OpenMatch id={matchId} /> : <BeginMatch />}
		</>
	);
}

function BeginMatch() {
	const [person, setPerson] = useState("");
	const [problem, setProblem] = useState("");
	const navigate = useNavigate();
	const matches = useMatches();
	const begin = async () => {
		try {
			const made = await ask(api.POST("/api/voices/matches", { body: { person } }));
			navigate(`/voices/match/${made.id}`);
		} catch (error) {
			setProblem(sentence(error));
		}
	};
	return (
		<div className="spread">
			<main className="voices-page">
				<p className="trail">
					<Link to="/voices">Voices</Link> <span className="quiet">Voice match</span>
				</p>
				<h1 className="page-title">Whose voice will it be?</h1>
				<p className="reading">
					Somebody reads twelve sentences, about a minute in a quiet room, and says that you may. The voice that comes
					of it is a likeness: its sound is theirs, its accent and melody stay those of the base voice.
				</p>
				<form
					className="begin-match"
					onSubmit={(event) => {
						event.preventDefault();
						void begin();
					}}
				>
					<label>
						<span className="label">Name of the person</span>
						<input value={person} maxLength={120} onChange={(event) => setPerson(event.target.value)} />
					</label>
					<MainButton type="submit" disabled={!person.trim()}>
						Begin
					</MainButton>
				</form>
				{problem && (
					<p role="alert" className="problem">
						{problem}
					</p>
				)}
			</main>
			<div className="spread-spine" aria-hidden="true" />
			<section className="beside-page" aria-label="Matches begun">
				<h2 className="panel-title">Begun before</h2>
				{matches.data?.length === 0 && <p className="quiet">None yet.</p>}
				<ul className="matches">
					{matches.data?.map((match) => (
						<li key={match.id}>
							<Link className="serif" to={`/voices/match/${match.id}`}>
								{match.person}
							</Link>
							<span className="small quiet">{standing(match)}</span>
						</li>
					))}
				</ul>
			</section>
		</div>
	);
}

function standing(match: Match): string {
	const read = match.sentences.filter((s) => s.good).length;
	if (match.status === "done") return "fitted";
	if (match.status === "queued" || match.status === "running") return "being fitted";
	return `${read} of ${match.sentences.length} read${match.consented ? ", with consent" : ", no consent yet"}`;
}

function OpenMatch({ id }: { id: string }) {
	const all = useMatch(id);
	const [chosen, setChosen] = useState<number | null>(null);
	const queries = useQueryClient();
	const status = all.match.data?.status;
	useEffect(() => {
		if (status !== "done") return;
		void queries.invalidateQueries({ queryKey: ["voices"] });
		void queries.invalidateQueries({ queryKey: ["matched"] });
	}, [status, queries]);
	if (all.match.isError) {
		return (
			<p className="waiting" role="alert">
				{sentence(all.match.error)} <Link to="/voices/match">Begin another</Link>.
			</p>
		);
	}
	const match = all.match.data;
	if (!match) return <p className="waiting">Opening…</p>;
	const next = match.sentences.find((s) => s.text && !s.good)?.number ?? 0;
	const current = match.sentences.find((s) => s.number === (chosen ?? next)) ?? match.sentences[0];
	const done = match.status === "done";
	return (
		<div className="spread">
			<main className="voices-page">
				<p className="trail">
					<Link to="/voices">Voices</Link> <Link to="/voices/match">Voice match</Link>
				</p>
				<h1 className="page-title">The voice of {match.person}</h1>
				<ol className="guide">
					{match.sentences.map((row) => (
						<GuideRow
							key={row.number}
							matchId={id}
							row={row}
							on={!done && row.number === current?.number}
							onChoose={() => setChosen(row.number)}
						/>
					))}
				</ol>
				<p className="small quiet num">
					{match.seconds.toFixed(0)} s of speech that can be used; {match.least_seconds} s are needed,{" "}
					{match.good_seconds} s and more are good.
				</p>
			</main>
			<div className="spread-spine" aria-hidden="true" />
			<section className="beside-page match-side" aria-label="Reading and consent">
				{current && !done && (
					<ReadingDesk
						key={current.number}
						match={match}
						current={current}
						record={(sound) => all.record.mutateAsync({ number: current.number, sound })}
						add={all.add}
						onNext={() => setChosen(null)}
					/>
				)}
				<Fitting match={match} fit={all.fit} />
				<ConsentCard match={match} consent={all.consent} say={all.sayConsent} />
			</section>
		</div>
	);
}

type RowProps = { matchId: string; row: Sentence; on: boolean; onChoose: () => void };

function GuideRow({ matchId, row, on, onChoose }: RowProps) {
	const key = `sample ${matchId} ${row.number}`;
	const heard = useListening((h) => h.key === key);
	return (
		<li className={`${on ? "on" : ""} ${row.recorded ? "" : "unread"}`}>
			<span className="num quiet">{row.text ? row.number + 1 : "+"}</span>
			<button type="button" className="guide-text serif" onClick={onChoose} disabled={!row.text}>
				{row.text || `A recording, ${row.seconds.toFixed(0)} s`}
			</button>
			<span className="guide-ways">
				{row.recorded && (
					<PlainButton
						small
						onClick={() => listen(key, `/api/voices/matches/${matchId}/sentences/${row.number}/sound.wav`)}
					>
						{heard ? "Stop" : "Hear"}
					</PlainButton>
				)}
				{row.good && (
					<span className="good" title="Good">
						<Icon name="tick" />
					</span>
				)}
				{row.recorded && !row.good && <span className="again small">again</span>}
			</span>
		</li>
	);
}
