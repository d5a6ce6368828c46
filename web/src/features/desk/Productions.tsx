import { type KeyboardEvent, useState } from "react";
import { Link } from "react-router";
import { sentence } from "../../shared/api/client";
import { clock } from "../../shared/time";
import { MainButton, PlainButton } from "../../shared/ui/controls";
import { facts, picture } from "./facts";
import { found } from "./finding";
import { Card, ChosenCard, Several } from "./Several";
import { type Summary, useProductions, useShelfWork } from "./useProductions";

/** With fewer one sees them all at once. */
const WORTH_SEARCHING = 5;

type Work = ReturnType<typeof useShelfWork>;

/** All productions: the last one large, the others beside each other; found, renamed, duplicated, deleted. */
export function Productions() {
	const productions = useProductions();
	const work = useShelfWork();
	const [typed, setTyped] = useState("");
	const [chosen, setChosen] = useState<ReadonlySet<string> | null>(null);
	const all = productions.data ?? [];
	const searched = typed.trim() !== "";
	const shown = found(all, typed);
	const first = searched || chosen ? undefined : shown[0];
	const others = first ? shown.slice(1) : shown;
	if (productions.isPending) return <section className="shelf quiet">Laying out the productions…</section>;
	return (
		<section className="shelf" aria-label="Productions">
			<Told work={work} />
			{all.length >= WORTH_SEARCHING && (
				<label className="shelf-search">
					<span className="label">Find a production</span>
					<input
						type="search"
						value={typed}
						placeholder="a title, a host…"
						onChange={(event) => setTyped(event.target.value)}
					/>
				</label>
			)}
			{!all.length && <p className="reading quiet">Productions will lie here.</p>}
			{first && <LastOpen production={first} work={work} />}
			{all.length > 1 && (
				<h2 className="section-title">
					{searched ? "Found" : chosen ? "All productions" : "Other productions"}{" "}
					<span className="small quiet">{others.length}, last changed first</span>
					{!chosen && (
						<button type="button" className="link small" onClick={() => setChosen(new Set())}>
							Select several
						</button>
					)}
				</h2>
			)}
			{chosen && <Several shown={others} chosen={chosen} work={work} onChoose={setChosen} />}
			{searched && !others.length && <p className="quiet">Nothing is called so. Take a word away.</p>}
			<ul className="others">
				{others.map((production) => (
					<li key={production.id} className={chosen?.has(production.id) ? "chosen" : ""}>
						{chosen ? (
							<ChosenCard production={production} chosen={chosen} onChoose={setChosen} />
						) : (
							<>
								<Link to={`/productions/${production.id}`} onKeyDown={(event) => onKey(event, production, work)}>
									<Card production={production} />
								</Link>
								<Actions production={production} work={work} />
							</>
						)}
					</li>
				))}
			</ul>
		</section>
	);
}

/** A production that has the focus is deleted by the key for it. */
function onKey(event: KeyboardEvent, production: Summary, work: Work): void {
	if (event.code !== "Delete") return;
	event.preventDefault();
	work.remove.mutate([production]);
}

function LastOpen({ production, work }: { production: Summary; work: Work }) {
	return (
		<article className="last-open">
			<Link to={`/productions/${production.id}`} className="frame" tabIndex={-1} aria-hidden="true">
				{production.first_scene && <img src={picture(production)} alt="" />}
			</Link>
			<div>
				<p className="small quiet">Last changed</p>
				<h2>
					<Link to={`/productions/${production.id}`}>{production.title}</Link>
				</h2>
				<p className={production.problem ? "problem small" : "serif"}>{production.problem || facts(production)}</p>
				<p className="quiet num">
					{production.estimated && "about "}
					{clock(production.seconds)}, {production.words} words
				</p>
				<Link className="button-link" to={`/productions/${production.id}`}>
					Go on
				</Link>
				<Actions production={production} work={work} />
			</div>
		</article>
	);
}

/** What was just done, to undo; or why it could not be. */
function Told({ work }: { work: Work }) {
	const { deleted } = work;
	const [first] = deleted;
	const kept = work.keepAsPattern.data;
	return (
		<div role="status" className="shelf-told">
			{kept && <p>“{kept.title}” is a pattern now: begin with it under “a pattern”.</p>}
			{first && (
				<p>
					{deleted.length === 1 ? `“${first.title}” is deleted.` : `${deleted.length} productions are deleted.`}{" "}
					<PlainButton small onClick={() => work.bringBack.mutate(deleted)}>
						Undo
					</PlainButton>
				</p>
			)}
			{work.problem && <p className="problem">{sentence(work.problem)}</p>}
		</div>
	);
}

function Actions({ production, work }: { production: Summary; work: Work }) {
	const [title, setTitle] = useState<string | null>(null);
	const [naming, setNaming] = useState<"title" | "pattern">("title");
	const begin = (what: typeof naming) => {
		setNaming(what);
		setTitle(production.title);
	};
	if (title !== null) {
		return (
			<form
				className="rename"
				onSubmit={(event) => {
					event.preventDefault();
					const named = { id: production.id, title: title.trim() };
					if (named.title && naming === "title") work.rename.mutate(named);
					if (named.title && naming === "pattern") work.keepAsPattern.mutate(named);
					setTitle(null);
				}}
			>
				<input
					// biome-ignore lint/a11y/noAutofocus: it was opened to be written in
					autoFocus
					aria-label={naming === "title" ? `New title of ${production.title}` : "Name of the pattern"}
					value={title}
					maxLength={200}
					onChange={(event) => setTitle(event.target.value)}
					onKeyDown={(event) => event.key === "Escape" && setTitle(null)}
					onFocus={(event) => event.target.select()}
				/>
				<MainButton type="submit" disabled={!title.trim()}>
					{naming === "title" ? "Rename" : "Keep as a pattern"}
				</MainButton>
			</form>
		);
	}
	return (
		<span className="shelf-actions small">
			<button type="button" className="plain quiet" onClick={() => begin("title")}>
				Rename<span className="unseen"> {production.title}</span>
			</button>
			<button type="button" className="plain quiet" onClick={() => work.duplicate.mutate([production])}>
				Duplicate<span className="unseen"> {production.title}</span>
			</button>
			<button type="button" className="plain quiet" onClick={() => begin("pattern")}>
				Keep as a pattern<span className="unseen"> {production.title}</span>
			</button>
			<button type="button" className="plain quiet" onClick={() => work.remove.mutate([production])}>
				Delete<span className="unseen"> {production.title}</span>
			</button>
		</span>
	);
}
