import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api, ask, type Schemas, sendFile, sentence } from "../../../shared/api/client";
import { listen, silence, useListening } from "../../../shared/sound/listening";
import { PlainButton } from "../../../shared/ui/controls";
import { Sheet } from "../../../shared/ui/Sheet";
import type { ProductionDocument } from "../document/document";
import { FileLink } from "../document/FileLink";
import { merged, type Saying } from "./sayings";

type Props = {
	productionId: string;
	document: ProductionDocument;
	/** A word to begin with: it is put on the list. */
	word: string;
	/** The voice that says them to try. */
	voice: string;
	onChange: (list: Saying[], field: string) => void;
	onClose: () => void;
};

/** Names in the script that no dictionary has, and where the words of the list are used. */
export function useSayAsReport(document: ProductionDocument, wanted = true) {
	const texts = document.script.scenes.flatMap((scene) => scene.blocks.map((block) => block.text));
	return useQuery({
		queryKey: ["say-as", JSON.stringify([texts, document.say_as, document.cast])],
		placeholderData: keepPreviousData,
		enabled: wanted,
		gcTime: 10_000,
		queryFn: () => ask(api.POST("/api/productions/say-as", { body: document })),
	});
}

/** How words are said in this production: respelled, or by their phones; heard, shared, taken in and out. */
export function SayAsSheet({ productionId, document, word: begun, voice, onChange, onClose }: Props) {
	const sayings = useRef<HTMLUListElement>(null);
	const file = useRef<HTMLInputElement>(null);
	const report = useSayAsReport(document);
	const [word, setWord] = useState("");
	const [says, setSays] = useState("");
	const [problem, setProblem] = useState("");
	const trouble = useListening((h) => h.problem);
	const list = document.say_as ?? [];
	const listed = new Set(list.map((entry) => entry.word.toLowerCase()));
	const names = report.data?.names.filter((name) => !listed.has(name.word.toLowerCase())) ?? [];
	useEffect(() => silence, []);
	// the list as it stands when the sheet opens
	// biome-ignore lint/correctness/useExhaustiveDependencies: see above
	useEffect(() => {
		if (begun && !listed.has(begun.toLowerCase())) onChange(merged(list, [{ word: begun, alias: "", ipa: "" }]), "");
	}, []);
	const toBegin = useRef(begun.toLowerCase());
	useEffect(() => {
		const field = sayings.current?.querySelector<HTMLElement>(`[data-word="${CSS.escape(toBegin.current)}"] input`);
		if (!field || !toBegin.current) return;
		field.focus();
		toBegin.current = "";
	});
	/** Words that nothing was said of do not stay on the list. */
	const leave = () => {
		const said = list.filter((entry) => entry.alias || entry.ipa);
		if (said.length < list.length) onChange(said, "");
		onClose();
	};
	const change = (index: number, part: Partial<Saying>) =>
		onChange(
			list.map((entry, i) => (i === index ? { ...entry, ...part } : entry)),
			`saying ${index}`,
		);
	const add = (entry: Saying) => {
		onChange(merged(list, [entry]), "");
		setWord("");
	};
	const trying = async (what: () => Promise<string>) => {
		setProblem("");
		try {
			setSays(await what());
		} catch (error) {
			setSays("");
			setProblem(sentence(error));
		}
	};
	const takeIn = (sound: Blob) =>
		trying(async () => {
			const read = await sendFile<Schemas["ReadList"]>("/api/productions/say-as/read", sound, "list.pls");
			onChange(merged(list, read.entries), "");
			return [`${count(read.entries.length)} taken in.`, ...read.notes].join(" ");
		});
	const share = () =>
		trying(async () => {
			const shared = await ask(api.GET("/api/productions/say-as/shared"));
			const body = { entries: merged(shared.entries, list) };
			await ask(api.PUT("/api/productions/say-as/shared", { body }));
			return `Shared: ${count(body.entries.length)} for every production.`;
		});
	const fromShared = () =>
		trying(async () => {
			const shared = await ask(api.GET("/api/productions/say-as/shared"));
			const own = new Set(list.map((entry) => entry.word.toLowerCase()));
			const more = shared.entries.filter((entry) => !own.has(entry.word.toLowerCase()));
			onChange(merged(list, more), "");
			return `${count(more.length)} taken from the shared list.`;
		});
	return (
		<Sheet label="Say-as list" kind="say-as-sheet" onClose={leave}>
			<h2 className="panel-title">Say-as list</h2>
			<p className="small quiet">
				Respell a word as it sounds, in small words such as “KWIL hay vun”, or give its phones in IPA. What is written
				stays in the script and the captions.
			</p>
			<ul ref={sayings} className="sayings">
				{list.map((entry, index) => (
					// entries are edited in place: their number is what stays
					// biome-ignore lint/suspicious/noArrayIndexKey: see above
					<li key={index} data-word={entry.word.toLowerCase()}>
						<b className="serif">{entry.word}</b>
						<input
							aria-label={`${entry.word} respelled`}
							placeholder="respelled"
							value={entry.alias}
							maxLength={120}
							onChange={(event) => change(index, { alias: event.target.value })}
						/>
						<input
							aria-label={`${entry.word} in IPA`}
							placeholder="or IPA"
							value={entry.ipa}
							maxLength={120}
							disabled={entry.alias !== ""}
							onChange={(event) => change(index, { ipa: event.target.value })}
						/>
						<HearWord voice={voice} entry={entry} />
						<span className="small quiet num">
							{times(report.data?.uses.find((use) => use.word === entry.word)?.count ?? 0)}
						</span>
						<PlainButton
							small
							label={`Take ${entry.word} off the list`}
							onClick={() =>
								onChange(
									list.filter((_, i) => i !== index),
									"",
								)
							}
						>
							Off
						</PlainButton>
						{!entry.alias && <Suggestions voice={voice} word={entry.word} onChoose={(ipa) => change(index, { ipa })} />}
					</li>
				))}
			</ul>
			{!list.length && <p className="quiet small">Nothing is in it yet.</p>}
			<form
				className="saying-new"
				onSubmit={(event) => {
					event.preventDefault();
					if (word.trim()) add({ word: word.trim(), alias: "", ipa: "" });
				}}
			>
				<label>
					<span className="label">Another word</span>
					<input value={word} maxLength={80} onChange={(event) => setWord(event.target.value)} />
				</label>
				<PlainButton
					small
					disabled={!word.trim() || /\s/.test(word.trim())}
					onClick={() => add({ word: word.trim(), alias: "", ipa: "" })}
				>
					Add it
				</PlainButton>
			</form>
			{names.length > 0 && (
				<section aria-label="Names in the script">
					<h3 className="label">In no dictionary: the voice guesses</h3>
					<ul className="sayings names">
						{names.map((name) => (
							<li key={name.word}>
								<b className="serif">{name.word}</b>
								<span className="quiet">{name.ipa}</span>
								<HearWord voice={voice} entry={{ word: name.word, alias: "", ipa: "" }} />
								<span className="small quiet num">{times(name.count)}</span>
								<PlainButton
									small
									label={`Put ${name.word} on the list`}
									onClick={() => add({ word: name.word, alias: "", ipa: "" })}
								>
									Put on the list
								</PlainButton>
							</li>
						))}
					</ul>
				</section>
			)}
			<p role="status" className="small quiet">
				{says}
			</p>
			{(problem || trouble) && (
				<p role="alert" className="problem small">
					{problem || trouble}
				</p>
			)}
			<div className="change-buttons">
				<PlainButton onClick={leave}>Close</PlainButton>
				<PlainButton onClick={fromShared}>Take the shared words</PlainButton>
				<PlainButton disabled={!list.length} onClick={share}>
					Share these
				</PlainButton>
				<PlainButton onClick={() => file.current?.click()}>Take in a PLS file</PlainButton>
				<FileLink className="link small" address={`/api/productions/${productionId}/say-as.pls`}>
					Save as PLS
				</FileLink>
				<input
					ref={file}
					type="file"
					hidden
					accept=".pls,.xml,application/pls+xml"
					aria-label="A pronunciation list"
					onChange={(event) => {
						const chosen = event.target.files?.[0];
						if (chosen) void takeIn(chosen);
						event.target.value = "";
					}}
				/>
			</div>
		</Sheet>
	);
}

const times = (number: number) => (number === 1 ? "once" : `${number} times`);
const count = (number: number) => (number === 1 ? "1 word" : `${number} words`);

function HearWord({ voice, entry }: { voice: string; entry: Saying }) {
	const key = `word ${entry.word} ${entry.alias} ${entry.ipa}`;
	const on = useListening((h) => h.key === key);
	const query = new URLSearchParams({ voice, word: entry.word, alias: entry.alias ?? "", ipa: entry.ipa ?? "" });
	return (
		<PlainButton
			small
			label={`Hear ${entry.word}`}
			onClick={() => listen(key, `/api/productions/say-as/word.wav?${query}`)}
		>
			{on ? "Stop" : "Hear"}
		</PlainButton>
	);
}

function Suggestions({ voice, word, onChoose }: { voice: string; word: string; onChoose: (ipa: string) => void }) {
	const answer = useQuery({
		queryKey: ["sayings", voice, word],
		retry: false,
		staleTime: Number.POSITIVE_INFINITY,
		queryFn: () => ask(api.GET("/api/productions/say-as/suggestions", { params: { query: { voice, word } } })),
	});
	if (!answer.data) return null;
	return (
		<span className="suggestions small">
			<span className="quiet">Try</span>
			{[answer.data.ipa, ...answer.data.others].map((ipa) => (
				<button key={ipa} type="button" className="link" onClick={() => onChoose(ipa)}>
					{ipa}
				</button>
			))}
		</span>
	);
}
