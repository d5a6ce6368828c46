import { useEffect, useMemo, useState } from "react";
import { listen, silence, useListening } from "../../../shared/sound/listening";
import { PlainButton } from "../../../shared/ui/controls";
import { Sheet } from "../../../shared/ui/Sheet";
import { foundVoices, pitchWord, type Voice } from "../../../shared/voices/finding";
import { auditionAddress } from "../../../shared/voices/useVoices";

type Props = {
	speaker: string;
	/** What every voice says to be compared. */
	sentence: string;
	voices: readonly Voice[];
	chosen: string;
	onChoose: (voiceId: string) => void;
	onClose: () => void;
};

const SHOWN = 60;
const LONGEST = 200;

/** All voices: searched by words, heard on the speaker's own sentence one at a time, chosen. */
export function VoiceSheet({ speaker, sentence, voices, chosen, onChoose, onClose }: Props) {
	const [typed, setTyped] = useState("");
	const heard = useListening((h) => h.key);
	const problem = useListening((h) => h.problem);
	const [text, setText] = useState(sentence);
	useEffect(() => silence, []);
	const found = useMemo(() => foundVoices(voices, typed), [voices, typed]);
	const hear = (voice: Voice) => listen(`audition ${voice.id}`, auditionAddress(voice.id, text.slice(0, LONGEST)));
	return (
		<Sheet label={`A voice for ${speaker}`} kind="voice-sheet" onClose={onClose}>
			<h2 className="panel-title">A voice for {speaker}</h2>
			<div className="voice-search">
				<label>
					<span className="label">Find by name, language or character</span>
					<input
						value={typed}
						placeholder="woman calm, Spanish, very low…"
						onChange={(event) => setTyped(event.target.value)}
					/>
				</label>
				<label>
					<span className="label">They all say</span>
					<input value={text} maxLength={LONGEST} onChange={(event) => setText(event.target.value)} />
				</label>
			</div>
			{problem && (
				<p role="alert" className="problem small">
					{problem}
				</p>
			)}
			<ul className="voice-list">
				{found.slice(0, SHOWN).map((voice) => (
					<li key={voice.id} className={voice.id === chosen ? "on" : ""}>
						<b>{voice.name}</b>
						<span>{voice.description}</span>
						<span className="quiet">
							{voice.language_name === voice.name ? "" : `${voice.language_name}, `}
							{pitchWord(voice.pitch)}
						</span>
						<PlainButton small disabled={!text.trim()} onClick={() => hear(voice)} label={`Hear ${voice.name}`}>
							{heard === `audition ${voice.id}` ? "Stop" : "Hear"}
						</PlainButton>
						<PlainButton
							small
							disabled={voice.id === chosen}
							label={`Choose ${voice.name}`}
							onClick={() => {
								onClose();
								onChoose(voice.id);
							}}
						>
							{voice.id === chosen ? "Chosen" : "Choose"}
						</PlainButton>
					</li>
				))}
				{!found.length && <li className="quiet">No voice is like that. Take a word away.</li>}
			</ul>
			<div className="change-buttons">
				<PlainButton onClick={onClose}>Close</PlainButton>
				<span className="small quiet num">
					{found.length > SHOWN
						? `${SHOWN} of ${found.length} are shown; write more to find others.`
						: `${found.length} of ${voices.length} voices`}
				</span>
			</div>
		</Sheet>
	);
}
