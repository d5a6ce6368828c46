import { useEffect, useRef, useState } from "react";
import { listen, useListening } from "../../shared/sound/listening";
import { pitchWord, type Voice } from "../../shared/voices/finding";
import { melodyPath } from "../../shared/voices/melodyPath";
import { auditionAddress, useMark, useMelody } from "../../shared/voices/useVoices";

type Props = {
	voice: Voice;
	text: string;
	/** Its number side by side, 0 for none. */
	place: number;
	/** In how many productions it speaks. */
	used: number;
	onBeside: () => void;
	/** For a voice made from words. */
	onTune?: (() => void) | undefined;
};

const WIDE = 150;
const TALL = 48;
/** Hz: a low voice lies low and a high one high. */
const RANGE = [70, 70, 70, 300, 300];

/** One voice of the library: heard, marked, put beside others. */
export function VoiceRow({ voice, text, place, used, onBeside, onTune }: Props) {
	const row = useRef<HTMLLIElement>(null);
	const seen = useSeen(row);
	const mark = useMark();
	const key = `voice ${voice.id}`;
	const on = useListening((h) => h.key === key);
	// what a voice says may cost something: its tune is asked for once somebody wants to hear it
	const melody = useMelody(voice.id, text, voice.quota ? on : seen);
	const data = melody.data;
	return (
		<li ref={row}>
			<button
				type="button"
				className="voice-hear"
				aria-label={on ? "Stop" : `Hear ${voice.name}`}
				onClick={() => listen(key, auditionAddress(voice.id, text))}
			>
				<svg viewBox="0 0 12 12" width="12" height="12" aria-hidden="true">
					<path d={on ? "M1 1H11V11H1Z" : "M1 0L12 6 1 12Z"} />
				</svg>
			</button>
			<span className="voice-who">
				<b className="serif">{voice.name}</b>
				<span className="quiet small voice-says" title={voice.description}>
					{voice.description}; {pitchWord(voice.pitch)}
				</span>
				{voice.quota && (
					<span className="small quiet num">
						costs {text.length} of {voice.quota.left.toLocaleString("en")} characters left until {voice.quota.renews}
					</span>
				)}
			</span>
			<svg
				className={`voice-tune ${on ? "on" : ""}`}
				viewBox={`0 0 ${WIDE} ${TALL}`}
				width={WIDE}
				height={TALL}
				aria-hidden="true"
			>
				{data && (
					<path d={melodyPath(data.pitch, { rate: data.rate, among: RANGE }, (WIDE - 4) / data.seconds, TALL)} />
				)}
			</svg>
			<span className="small quiet">
				{voice.language_name === voice.name ? "" : voice.language_name}
				{used > 0 && <span className="voice-used num">in {used === 1 ? "1 production" : `${used} productions`}</span>}
				{onTune && (
					<button
						type="button"
						className="link small voice-tune-way"
						aria-label={`Tune ${voice.name}`}
						onClick={onTune}
					>
						Tune
					</button>
				)}
			</span>
			<button
				type="button"
				className={`voice-mark ${voice.favourite ? "on" : ""}`}
				aria-pressed={voice.favourite}
				aria-label={`Mark ${voice.name}`}
				onClick={() => mark.mutate({ voice: voice.id, favourite: !voice.favourite })}
			>
				<svg viewBox="0 0 12 16" width="12" height="16" aria-hidden="true">
					<path d="M1 1H11V15L6 10.5 1 15Z" />
				</svg>
			</button>
			<button
				type="button"
				className={`voice-beside ${place ? "on" : ""}`}
				aria-pressed={place > 0}
				aria-label={`${voice.name} side by side`}
				onClick={onBeside}
			>
				{place || "+"}
			</button>
		</li>
	);
}

/** Whether an element has come into view: tunes are asked for only then. */
function useSeen(element: { current: Element | null }): boolean {
	const [seen, setSeen] = useState(false);
	useEffect(() => {
		const target = element.current;
		if (!target || seen || typeof IntersectionObserver === "undefined") return;
		const observer = new IntersectionObserver(([entry]) => {
			if (entry?.isIntersecting) setSeen(true);
		});
		observer.observe(target);
		return () => observer.disconnect();
	}, [element, seen]);
	return seen;
}
