import { useMutation } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, ask, sentence } from "../../shared/api/client";
import type { Candidates, Sheet } from "../../shared/hosts/useHosts";
import { PlainButton, Tick } from "../../shared/ui/controls";
import { series } from "../../shared/words";
import { SheetPicture } from "./SheetPicture";

type Props = {
	sheet: Sheet;
	groups: readonly string[];
	onChoose: (sheet: Sheet, card?: { role: string; mood: string }) => void;
};

/** Ways to begin, or to go on: words, chance, four like this one. */
export function Beginnings({ sheet, groups, onChoose }: Props) {
	const [text, setText] = useState("");
	const [varied, setVaried] = useState<readonly string[]>(["face", "hair"]);
	const [candidates, setCandidates] = useState<Candidates | null>(null);
	const describe = useMutation({
		mutationFn: (words: string) => ask(api.POST("/api/workshop/described", { body: { text: words, seed: seed() } })),
		onSuccess: setCandidates,
	});
	const chance = useMutation({
		mutationFn: (body: { sheet: Sheet; groups: string[] }) =>
			ask(api.POST("/api/workshop/by-chance", { body: { ...body, seed: seed() } })),
	});
	const send = (event: FormEvent) => {
		event.preventDefault();
		if (text.trim()) describe.mutate(text);
	};
	const problem = describe.error ?? chance.error;
	return (
		<section className="beginnings" aria-label="Ways to begin">
			<form className="describe-host" onSubmit={send}>
				<input
					className="serif"
					aria-label="Describe somebody"
					placeholder="a retired sailor, kind, grey beard, yellow raincoat"
					value={text}
					maxLength={400}
					onChange={(event) => setText(event.target.value)}
				/>
				<PlainButton disabled={!text.trim() || describe.isPending} onClick={() => text.trim() && describe.mutate(text)}>
					{candidates?.understood?.length ? "Four others" : "Draw four"}
				</PlainButton>
			</form>
			<p className="chance-ways">
				<PlainButton
					small
					onClick={() =>
						chance.mutate(
							{ sheet: {}, groups: [] },
							{ onSuccess: (made) => made.sheets[0] && onChoose(made.sheets[0] as Sheet) },
						)
					}
				>
					Somebody by chance
				</PlainButton>
				<PlainButton
					small
					disabled={!varied.length}
					onClick={() => chance.mutate({ sheet, groups: [...varied] }, { onSuccess: setCandidates })}
				>
					Four more like this
				</PlainButton>
				<span className="small quiet">with another</span>
				{groups.map((group) => (
					<Tick
						key={group}
						label={group}
						checked={varied.includes(group)}
						onChange={(on) => setVaried(on ? [...varied, group] : varied.filter((g) => g !== group))}
					/>
				))}
			</p>
			{candidates && (
				<div className="candidates">
					{candidates.sheets.map((candidate, index) => (
						<button
							type="button"
							// biome-ignore lint/suspicious/noArrayIndexKey: four places, whoever stands there
							key={index}
							aria-label={`Choose candidate ${index + 1}`}
							onClick={() => onChoose(candidate as Sheet, { role: candidates.role ?? "", mood: candidates.mood ?? "" })}
						>
							<SheetPicture sheet={candidate as Sheet} view="figure" width={96} height={179} alt="" />
						</button>
					))}
					{Boolean(candidates.understood?.length) && (
						<p className="small quiet">
							{candidates.understood?.map((heard) => `“${heard.words}”: ${heard.means}`).join("; ")}.
							{Boolean(candidates.unknown?.length) &&
								` Nothing was made of ${series(candidates.unknown?.map((word) => `“${word}”`) ?? [])}.`}
						</p>
					)}
				</div>
			)}
			{problem && (
				<p role="alert" className="problem small">
					{sentence(problem)}
				</p>
			)}
		</section>
	);
}

const seed = () => Math.floor(Math.random() * 1e9);
