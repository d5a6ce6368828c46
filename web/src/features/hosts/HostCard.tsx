import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { api, ask, sentence } from "../../shared/api/client";
import { type Host, useHosts, useMarkHost, usePlaying } from "../../shared/hosts/useHosts";
import { Choice, PlainButton } from "../../shared/ui/controls";

const FACES = ["happy", "surprised", "thoughtful", "concerned"];

/** One host: the card, four faces, where they play, and what can be done with them. */
export function HostCard({ host }: { host: Host }) {
	const mark = useMarkHost();
	const plays = usePlaying(host.id);
	const queries = useQueryClient();
	const [asked, setAsked] = useState(false);
	const [problem, setProblem] = useState("");
	const person = host.kind === "person";
	const hosts = useHosts();
	const others = (hosts.data ?? []).filter((one) => one.id !== host.id);
	const [chosen, setChosen] = useState("");
	const standIn = chosen || (others.find((one) => one.kind === host.kind && one.voice === host.voice) ?? others[0])?.id;
	const remove = async () => {
		try {
			if (plays.data?.length && standIn) {
				const productions = plays.data.map((production) => production.id);
				await ask(api.POST("/api/productions/recast", { body: { host: standIn, instead_of: host.id, productions } }));
			}
			await ask(api.DELETE("/api/workshop/hosts/{host_id}", { params: { path: { host_id: host.id } } }));
			await queries.invalidateQueries({ queryKey: ["hosts"] });
		} catch (error) {
			setProblem(sentence(error));
		}
	};
	return (
		<article className="host-card">
			<p className="small quiet">{host.own ? "Made here" : person ? "Illustrated host" : "Illustrated character"}</p>
			<h2 className="host-name">
				{host.name}
				<button
					type="button"
					className={`voice-mark ${host.favourite ? "on" : ""}`}
					aria-pressed={host.favourite}
					aria-label={`Mark ${host.name}`}
					onClick={() => mark.mutate({ host: host.id, favourite: !host.favourite })}
				>
					<svg viewBox="0 0 12 16" width="12" height="16" aria-hidden="true">
						<path d="M1 1H11V15L6 10.5 1 15Z" />
					</svg>
				</button>
			</h2>
			<p className="serif host-says">
				{[host.role, host.mood].filter(Boolean).map(capital).join(". ")}
				{host.role || host.mood ? "." : ""}
			</p>
			<div className="host-faces">
				{FACES.map((name) => (
					<img key={name} src={`/api/hosts/${host.id}/cues/${name}.png`} alt={name} width={78} height={58} />
				))}
			</div>
			<dl className="host-facts">
				<dt>Age</dt>
				<dd>{host.age || "an animal"}</dd>
				<dt>Dress</dt>
				<dd>{host.dress}</dd>
				{host.suits.length > 0 && (
					<>
						<dt>Suits</dt>
						<dd>{host.suits.join(", ")}</dd>
					</>
				)}
				<dt>Plays in</dt>
				<dd>
					{plays.data?.length
						? plays.data.map((production, index) => (
								<span key={production.id}>
									{index > 0 && "; "}
									<Link className="link" to={`/productions/${production.id}`}>
										{production.title}
									</Link>
								</span>
							))
						: "no production yet"}
				</dd>
				<dt>Consent</dt>
				<dd>none needed: drawn</dd>
			</dl>
			<p className="change-buttons">
				{person && (
					<Link className="button-link" to={`/hosts/workshop/${host.id}`}>
						{host.own ? "Change in the workshop" : "Make one like this"}
					</Link>
				)}
				{host.own && !asked && <PlainButton onClick={() => setAsked(true)}>Delete</PlainButton>}
			</p>
			{asked && (
				<div className="small">
					{plays.data?.length ? (
						<Choice
							label={`Who plays instead in ${plays.data.length === 1 ? "that production" : `those ${plays.data.length} productions`}`}
							value={standIn ?? ""}
							options={others.map((one) => ({ value: one.id, text: one.name }))}
							onChange={setChosen}
						/>
					) : (
						"They are gone with all their versions. "
					)}
					<button type="button" className="link" onClick={remove}>
						Delete {host.name}
					</button>{" "}
					<button type="button" className="link" onClick={() => setAsked(false)}>
						Keep them
					</button>
				</div>
			)}
			<p className="small">
				<span className="quiet">Model sheet: </span>
				<a className="link" href={`/api/hosts/${host.id}/sheet.png`}>
					PNG
				</a>{" "}
				<a className="link" href={`/api/hosts/${host.id}/sheet.svg`}>
					SVG
				</a>{" "}
				{person && (
					<a className="link" href={`/api/workshop/hosts/${host.id}/host.json`}>
						host’s file
					</a>
				)}
			</p>
			{problem && (
				<p role="alert" className="problem small">
					{problem}
				</p>
			)}
		</article>
	);
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
