import { type KeyboardEvent, useEffect } from "react";
import { sentence } from "../../shared/api/client";
import { listen, silence, useListening } from "../../shared/sound/listening";
import { PlainButton } from "../../shared/ui/controls";
import { pitchWord, type Voice } from "../../shared/voices/finding";
import { melodyPath } from "../../shared/voices/melodyPath";
import { placedWords } from "../../shared/voices/placedWords";
import { auditionAddress, useMelody } from "../../shared/voices/useVoices";

type Props = {
	voices: Voice[];
	text: string;
	onText: (text: string) => void;
	onAway: (voice: string) => void;
};

const WIDE = 540;
const TALL = 58;
const LONGEST = 200;
/** Of the width: short words at the end are pushed on a little. */
const SHARE = 0.94;

/** The same sentence by up to three voices, one above the other over the same words. */
export function SideBySide({ voices, text, onText, onAway }: Props) {
	useEffect(() => silence, []);
	useEffect(() => {
		const keys = (event: globalThis.KeyboardEvent) => {
			if (event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement) return;
			const place = /^Digit([1-3])$/.exec(event.code)?.[1];
			const voice = place && voices[Number(place) - 1];
			if (voice && !event.repeat) void listen(`beside ${voice.id}`, auditionAddress(voice.id, text));
		};
		window.addEventListener("keydown", keys);
		return () => window.removeEventListener("keydown", keys);
	}, [voices, text]);
	return (
		<>
			<h2 className="panel-title">Side by side</h2>
			<p className="small quiet">
				The same line in each, all at one loudness, so that the louder does not win. Keys 1, 2 and 3 play them.
			</p>
			<input
				className="beside-text serif"
				aria-label="They all say"
				value={text}
				maxLength={LONGEST}
				onChange={(event) => onText(event.target.value)}
				onKeyDown={(event: KeyboardEvent) => event.stopPropagation()}
			/>
			{voices.map((voice, index) => (
				<Sung key={voice.id} voice={voice} place={index + 1} text={text} onAway={() => onAway(voice.id)} />
			))}
			{!voices.length && <p className="quiet">Put voices here with the + at the end of their row.</p>}
		</>
	);
}

type SungProps = { voice: Voice; place: number; text: string; onAway: () => void };

function Sung({ voice, place, text, onAway }: SungProps) {
	const key = `beside ${voice.id}`;
	const on = useListening((h) => h.key === key);
	const melody = useMelody(voice.id, text, on || !voice.quota);
	const at = useListening((h) => (h.key === key ? h.at : -1));
	const data = melody.data;
	const scale = data ? (WIDE * SHARE) / Math.max(1, data.seconds) : 1;
	return (
		<section className="sung" aria-label={voice.name}>
			<p className="sung-head">
				<b className="serif">
					{place} {voice.name}
				</b>
				<span className="small quiet sung-says" title={voice.description}>
					{voice.description.split(";")[0]}, {pitchWord(voice.pitch)}
				</span>
				<span className="small quiet num push">{data && `${data.seconds.toFixed(1)} s`}</span>
				<PlainButton
					small
					onClick={() => listen(key, auditionAddress(voice.id, text))}
					label={`Hear ${voice.name} side by side`}
				>
					{on ? "Stop" : "Hear"}
				</PlainButton>
				<PlainButton small onClick={onAway} label={`Take ${voice.name} away`}>
					Away
				</PlainButton>
			</p>
			{melody.isError && <p className="problem small">{sentence(melody.error)}</p>}
			<svg viewBox={`0 0 ${WIDE} ${TALL + 24}`} className={on ? "on" : ""} aria-hidden="true">
				<path className="melody-rule" d={`M0 ${TALL - 2.5}H${WIDE}`} />
				{data && (
					<>
						<path
							className="sung-line"
							d={melodyPath(data.pitch, { rate: data.rate, among: data.pitch }, scale, TALL)}
						/>
						{placedWords(data.words, scale).map((word) => (
							<text
								key={word.start}
								x={word.x}
								y={TALL + 16}
								className={at >= word.start && at < word.end ? "now" : ""}
							>
								{word.text}
							</text>
						))}
						{at >= 0 && <path className="sung-head-line" d={`M${at * scale} 0V${TALL + 22}`} />}
					</>
				)}
			</svg>
		</section>
	);
}
