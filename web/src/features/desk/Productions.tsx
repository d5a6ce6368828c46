import { type KeyboardEvent, useState } from "react";
import { Link, useNavigate } from "react-router";
import { sentence } from "../../shared/api/client";
import { clock } from "../../shared/time";
import { ContextMenu } from "../../shared/ui/ContextMenu";
import { PlainButton } from "../../shared/ui/controls";
import { Actions, useNaming } from "./Actions";
import { facts, picture, shaped } from "./facts";
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
							<Row production={production} work={work} />
						)}
					</li>
				))}
			</ul>
		</section>
	);
}

/** What can be done with a production beside opening it: in words, in a menu where the pointer is, and by keys. */
function useDoings(production: Summary, work: Work) {
	const names = useNaming(production);
	const navigate = useNavigate();
	const rename = () => names.begin("title");
	const remove = () => work.remove.mutate([production]);
	const onKeyDown = (event: KeyboardEvent) => {
		const does = { Delete: remove, F2: rename }[event.code];
		if (!does) return;
		event.preventDefault();
		does();
	};
	const open = { words: "Open", onChoose: () => void navigate(`/productions/${production.id}`) };
	const entries = [
		{ words: "Rename", onChoose: rename },
		{ words: "Duplicate", onChoose: () => work.duplicate.mutate([production]) },
		{ words: "Keep as a pattern", onChoose: () => names.begin("pattern") },
		{ words: "Delete", onChoose: remove },
	];
	return { menu: [open, ...entries], actions: { production, work, names, entries }, onKeyDown };
}

function Row({ production, work }: { production: Summary; work: Work }) {
	const { menu, actions, onKeyDown } = useDoings(production, work);
	return (
		<>
			<ContextMenu entries={menu}>
				<Link to={`/productions/${production.id}`} onKeyDown={onKeyDown}>
					<Card production={production} />
				</Link>
			</ContextMenu>
			<Actions {...actions} />
		</>
	);
}

function LastOpen({ production, work }: { production: Summary; work: Work }) {
	const { menu, actions, onKeyDown } = useDoings(production, work);
	return (
		<article className="last-open">
			<Link
				to={`/productions/${production.id}`}
				className="frame"
				style={shaped(production)}
				tabIndex={-1}
				aria-hidden="true"
			>
				{production.first_scene && <img src={picture(production)} alt="" />}
			</Link>
			<div>
				<p className="small quiet">Last changed</p>
				<h2>
					<ContextMenu entries={menu}>
						<Link to={`/productions/${production.id}`} onKeyDown={onKeyDown}>
							{production.title}
						</Link>
					</ContextMenu>
				</h2>
				<p className={production.problem ? "problem small" : "serif"}>{production.problem || facts(production)}</p>
				<p className="quiet num">
					{production.estimated && "about "}
					{clock(production.seconds)}, {production.words} words
				</p>
				<Link className="button-link" to={`/productions/${production.id}`}>
					Go on
				</Link>
				<Actions {...actions} />
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
