import { useQuery } from "@tanstack/react-query";
import { api, ask, type Schemas } from "../../../shared/api/client";
import type { SceneChange } from "../document/choosing";
import type { Choices, ProductionDocument, Staging } from "../document/document";
import { EverywhereChoice } from "../document/EverywhereChoice";
import type { PanelProps } from "../document/panel";
import type { Proposal } from "../document/scope";

type Look = Schemas["LookOut"];

type Props = {
	document: ProductionDocument;
	change: PanelProps["change"];
	onPropose: (proposal: Proposal) => void;
};

/** Set, colours, lettering and transition that go together, for the whole production; and the lettering by itself. */
export function Looks({ document, change, onPropose }: Props) {
	const looks = useQuery({
		queryKey: ["looks"],
		queryFn: () => ask(api.GET("/api/staging/looks")),
		staleTime: Number.POSITIVE_INFINITY,
	});
	const take = (look: Look) => {
		const proposal = dressed(document, look);
		if (proposal.rows.length) onPropose(proposal);
		else change(proposal.part, proposal.own);
	};
	return (
		<>
			<ul className="prints looks" aria-label="Looks">
				{looks.data?.map((look) => {
					const { set, palette, daylight, weather } = look.choices;
					const worn = isWorn(document, look);
					return (
						<li key={look.name} className={worn ? "on" : ""}>
							<button type="button" aria-pressed={worn} onClick={() => take(look)}>
								<img
									src={`/api/staging/sets/${set}.png?palette=${palette}&daylight=${daylight}&weather=${weather}`}
									alt=""
								/>
								<span>{look.words}</span>
							</button>
						</li>
					);
				})}
			</ul>
			<EverywhereChoice name="type" document={document} change={change} />
		</>
	);
}

/** The change to a look: scenes lose what they chose otherwise of what it names, and are listed where they do. */
export function dressed(document: ProductionDocument, look: Look): Proposal {
	const names = Object.keys(look.choices) as (keyof Staging)[];
	const otherwise = document.script.scenes
		.map((scene, index) => ({ scene, number: index + 1, own: names.filter((name) => scene.staging[name] != null) }))
		.filter(({ own }) => own.length);
	return {
		says: `The look is “${look.words}”`,
		rows: otherwise.map(({ scene, number, own }) => ({
			number,
			heading: scene.heading,
			now: `its own ${own.join(", ")}`,
		})),
		part: look.choices as Partial<Choices>,
		own: otherwise.map(
			({ scene, own }): SceneChange => ({
				sceneId: scene.id,
				staging: Object.fromEntries(own.map((name) => [name, null])),
			}),
		),
	};
}

function isWorn(document: ProductionDocument, look: Look): boolean {
	const chosen = document as unknown as Record<string, unknown>;
	return Object.entries(look.choices).every(([name, value]) => chosen[name] === value);
}
