import { useQuery } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { api, ask, sentence } from "../../../shared/api/client";
import { PlainButton } from "../../../shared/ui/controls";
import { PutAwayNote } from "../../../shared/ui/PutAwayNote";
import { useChoices } from "../document/catalogue";
import type { SceneChange } from "../document/choosing";
import type { Choices, ProductionDocument, Staging } from "../document/document";
import { EverywhereChoice } from "../document/EverywhereChoice";
import type { PanelProps } from "../document/panel";
import type { Proposal } from "../document/scope";
import { triedWhilePointedAt, useNothingTriedAfter } from "../document/trying";
import { pictureOfSet } from "./pictureOfSet";
import { type OwnLook, useOwnLooks } from "./useOwnLooks";

type Look = { words: string; choices: Readonly<Record<string, unknown>> };

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
	const own = useOwnLooks();
	useNothingTriedAfter();
	const [forgotten, setForgotten] = useState<OwnLook | null>(null);
	const forget = (look: OwnLook) => own.remove.mutate(look.id, { onSuccess: () => setForgotten(look) });
	const take = (look: Look) => {
		const proposal = dressed(document, look);
		if (proposal.rows.length) onPropose(proposal);
		else change(proposal.part, proposal.own);
	};
	return (
		<>
			<ul className="prints looks" aria-label="Looks">
				{own.looks.map((look) => (
					<LookPrint key={look.id} look={{ ...look, words: look.name }} document={document} onTake={take}>
						<button type="button" className="link small" onClick={() => forget(look)}>
							Forget it
						</button>
					</LookPrint>
				))}
				{looks.data?.map((look) => (
					<LookPrint key={look.name} look={look} document={document} onTake={take} />
				))}
			</ul>
			<PutAwayNote
				says={forgotten ? `The look “${forgotten.name}” is forgotten. What it was set in stays as it is.` : ""}
				problem={own.remove.error}
				onUndo={() => {
					if (forgotten) own.keep.mutate(forgotten);
					setForgotten(null);
				}}
			/>
			<KeepLook document={document} own={own} />
			<EverywhereChoice name="type" document={document} change={change} />
		</>
	);
}

type PrintProps = {
	look: Look;
	document: ProductionDocument;
	onTake: (look: Look) => void;
	children?: ReactNode;
};

function LookPrint({ look, document, onTake, children }: PrintProps) {
	const worn = isWorn(document, look);
	return (
		<li className={worn ? "on" : ""}>
			<button
				type="button"
				aria-pressed={worn}
				onClick={() => onTake(look)}
				{...triedWhilePointedAt(worn ? null : look)}
			>
				<img src={pictureOfSet(look.choices)} alt="" />
				<span>{look.words}</span>
			</button>
			{children}
		</li>
	);
}

/** Keeps set, colours, lettering, captions and logo of this production under a name, for others. */
function KeepLook({ document, own }: { document: ProductionDocument; own: ReturnType<typeof useOwnLooks> }) {
	const table = useChoices();
	const [name, setName] = useState("");
	const keep = () => {
		const chosen = document as unknown as Record<string, string | boolean | number>;
		const everywhere = table.filter((choice) => choice.name in chosen);
		const choices = Object.fromEntries(everywhere.map((choice) => [choice.name, chosen[choice.name] ?? ""]));
		own.keep.mutate({ name, choices }, { onSuccess: () => setName("") });
	};
	return (
		<form
			className="keep-look"
			onSubmit={(event) => {
				event.preventDefault();
				if (name.trim()) keep();
			}}
		>
			<label>
				<span className="label">Keep the look of this production as</span>
				<input value={name} maxLength={60} onChange={(event) => setName(event.target.value)} />
			</label>
			<PlainButton small disabled={!name.trim() || own.keep.isPending} onClick={keep}>
				Keep it
			</PlainButton>
			{own.keep.error && (
				<p role="alert" className="problem small">
					{sentence(own.keep.error)}
				</p>
			)}
		</form>
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
