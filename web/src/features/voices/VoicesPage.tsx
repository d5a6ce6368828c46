import { useMemo, useState } from "react";
import { silence, useListening } from "../../shared/sound/listening";
import { Choice, Tick } from "../../shared/ui/controls";
import { RunningHead } from "../../shared/ui/RunningHead";
import { AGES, foundVoices, type Order, sortedVoices, type Voice } from "../../shared/voices/finding";
import { useVoices, useVoicesUsed } from "../../shared/voices/useVoices";
import { MakeVoice } from "./MakeVoice";
import { MatchedVoices } from "./MatchedVoices";
import { SideBySide } from "./SideBySide";
import { TuneSheet } from "./TuneSheet";
import { VoiceRow } from "./VoiceRow";

const SENTENCE = "Wise bird. Six hours ago, that line was under water.";
const MOST = 3;
const SHOWN = 40;
const KINDS = [
	{ value: "", text: "of every kind" },
	{ value: "full", text: "full neural" },
	{ value: "neural", text: "quick neural" },
	{ value: "matched", text: "matched to people" },
	{ value: "made", text: "made from words" },
	{ value: "formant", text: "formant" },
	{ value: "service", text: "of a service" },
];
const ORDERS: readonly { value: Order; text: string }[] = [
	{ value: "marked", text: "marked first" },
	{ value: "used", text: "most used first" },
	{ value: "low", text: "lowest first" },
	{ value: "high", text: "highest first" },
];

/** The library: every voice, found by words, heard over one sentence, up to three side by side. */
export function VoicesPage() {
	const voices = useVoices();
	const [typed, setTyped] = useState("");
	const [language, setLanguage] = useState("");
	const [kind, setKind] = useState("");
	const [age, setAge] = useState("");
	const [order, setOrder] = useState<Order>("marked");
	const [marked, setMarked] = useState(false);
	const [tuned, setTuned] = useState("");
	const used = useVoicesUsed();
	const [chosen, setBeside] = useState<string[] | null>(null);
	const [text, setText] = useState(SENTENCE);
	const trouble = useListening((h) => h.problem);
	const all = voices.data ?? NONE;
	const languages = useMemo(() => languagesOf(all), [all]);
	const beside = chosen ?? all.slice(0, 2).map((voice) => voice.id);
	const found = foundVoices(all, typed).filter(
		(voice) =>
			(!language || voice.language.split("-")[0] === language) &&
			(!kind || voice.engine === kind) &&
			(!age || voice.age === age) &&
			(!marked || voice.favourite),
	);
	const sorted = sortedVoices(found, order, used);
	const toggle = (id: string) =>
		setBeside(beside.includes(id) ? beside.filter((v) => v !== id) : [...beside, id].slice(-MOST));
	return (
		<>
			<RunningHead />
			<div className="spread">
				<main className="voices-page">
					<div className="voices-head">
						<h1 className="page-title">Voices</h1>
						<span className="small quiet num">
							{found.length} of {all.length}
						</span>
						<Tick label="Marked only" checked={marked} onChange={setMarked} />
					</div>
					<div className="voices-filter">
						<label className="voices-search">
							<span className="label">Voices that sound</span>
							<input
								value={typed}
								placeholder="warm, deep, a woman calm, very high…"
								onChange={(event) => setTyped(event.target.value)}
							/>
						</label>
						<Choice label="and speak" value={language} options={languages} onChange={setLanguage} />
						<Choice label="are" value={kind} options={KINDS} onChange={setKind} />
						<Choice label="and sound" value={age} options={AGES} onChange={setAge} />
						<Choice label="In order" value={order} options={ORDERS} onChange={(next) => setOrder(next as Order)} />
					</div>
					{voices.isPending && <p className="quiet">Looking for voices…</p>}
					{voices.isError && (
						<p role="alert" className="problem">
							The voices cannot be listed now. Load the page again.
						</p>
					)}
					{trouble && (
						<p role="alert" className="problem small">
							{trouble}
						</p>
					)}
					<ul className="voice-table" aria-label="Voices">
						{sorted.slice(0, SHOWN).map((voice) => (
							<VoiceRow
								key={voice.id}
								voice={voice}
								text={text}
								place={beside.indexOf(voice.id) + 1}
								used={used.get(voice.id) ?? 0}
								onTune={voice.engine === "made" ? () => setTuned(voice.id) : undefined}
								onBeside={() => toggle(voice.id)}
							/>
						))}
					</ul>
					{voices.data && !found.length && (
						<p className="quiet">No voice is like that. Take a word away, or choose another language.</p>
					)}
					{found.length > SHOWN && (
						<p className="small quiet num">The first {SHOWN} are shown. Write more, or choose a language.</p>
					)}
				</main>
				<div className="spread-spine" aria-hidden="true" />
				<section className="beside-page" aria-label="Side by side">
					<SideBySide
						voices={beside.flatMap((id) => all.find((v) => v.id === id) ?? [])}
						text={text}
						onText={(next) => {
							silence();
							setText(next);
						}}
						onAway={toggle}
					/>
					<MakeVoice
						typed={typed}
						onMade={(id) => {
							toggle(id);
							setTuned(id);
						}}
					/>
					{tuned && <TuneSheet voiceId={tuned} text={text} onClose={() => setTuned("")} />}
					<MatchedVoices />
				</section>
			</div>
		</>
	);
}

const NONE: Voice[] = [];

function languagesOf(voices: readonly Voice[]) {
	const names = new Map<string, string>();
	for (const voice of voices) {
		const short = voice.language.split("-")[0] ?? "";
		if (!names.has(short)) names.set(short, voice.language_name.replace(/ \(.*/, ""));
	}
	const rows = [...names].map(([value, text]) => ({ value, text })).sort((a, b) => a.text.localeCompare(b.text));
	return [{ value: "", text: "any language" }, ...rows];
}
