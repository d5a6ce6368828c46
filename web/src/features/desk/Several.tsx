import { clock } from "../../shared/time";
import { PlainButton } from "../../shared/ui/controls";
import { facts, picture, shaped } from "./facts";
import type { Summary, useShelfWork } from "./useProductions";

/** A production at a glance. */
export function Card({ production }: { production: Summary }) {
	return (
		<>
			<span className="frame small-frame" style={shaped(production)}>
				{production.first_scene && <img src={picture(production)} alt="" loading="lazy" />}
			</span>
			<span>
				<strong>{production.title}</strong>
				<span className="quiet num">
					{production.estimated && "about "}
					{clock(production.seconds)}, {production.shape}
				</span>
				<span className={production.problem ? "problem small" : "quiet"}>
					{production.problem || facts(production)}
				</span>
			</span>
		</>
	);
}

type ChosenProps = { chosen: ReadonlySet<string>; onChoose: (chosen: ReadonlySet<string> | null) => void };

/** A production to be selected. */
export function ChosenCard({ production, chosen, onChoose }: ChosenProps & { production: Summary }) {
	const { id } = production;
	return (
		<label>
			<Card production={production} />
			<input
				type="checkbox"
				aria-label={production.title}
				checked={chosen.has(id)}
				onChange={(event) =>
					onChoose(event.target.checked ? new Set([...chosen, id]) : new Set([...chosen].filter((one) => one !== id)))
				}
			/>
		</label>
	);
}

/** What is done with several productions at once. */
export function Several({
	shown,
	chosen,
	work,
	onChoose,
}: ChosenProps & { shown: readonly Summary[]; work: ReturnType<typeof useShelfWork> }) {
	const these = shown.filter(({ id }) => chosen.has(id));
	const onSuccess = () => onChoose(null);
	return (
		<p className="shelf-actions several" role="toolbar" aria-label="Selected productions">
			<span className="num">{these.length} selected</span>
			<button type="button" className="link" onClick={() => onChoose(new Set(shown.map(({ id }) => id)))}>
				All of them
			</button>
			{Object.entries({ Duplicate: work.duplicate, Delete: work.remove }).map(([words, { mutate, isPending }]) => (
				<button
					key={words}
					type="button"
					className="link"
					disabled={!these.length || isPending}
					onClick={() => mutate(these, { onSuccess })}
				>
					{words}
				</button>
			))}
			<PlainButton small onClick={() => onChoose(null)}>
				Done
			</PlainButton>
		</p>
	);
}
