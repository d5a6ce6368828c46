import { Tick } from "../../../shared/ui/controls";
import { Scale } from "../../../shared/ui/Scale";
import { BLURS } from "../document/musicLevels";
import type { PanelProps } from "../document/panel";

/** How far below the voice music lies, under words and in pauses, everywhere. */
export function SoundLevels({ document, change }: PanelProps) {
	const { bed_under, bed_pause, bed_accents } = document;
	const scenes = document.script.scenes;
	if (document.bed === "none" && scenes.every(({ staging }) => (staging.bed ?? "none") === "none")) return null;
	return (
		<section className="sound-levels" aria-label="Level of the music">
			<h3 className="panel-title">Level</h3>
			<Level
				label="Under words"
				says={`${bed_under.toFixed(0)} LU below the words`}
				low={6}
				value={bed_under}
				onChange={(level) => change({ bed_under: level }, [], "bed_under")}
			/>
			{bed_under < BLURS && (
				<p className="small warning-text">Words begin to blur: about one in twenty more is misheard.</p>
			)}
			<Level
				label="In pauses"
				says={`${bed_pause.toFixed(0)} LU below in pauses`}
				low={3}
				value={bed_pause}
				onChange={(level) => change({ bed_pause: level }, [], "bed_pause")}
			/>
			<Tick label="A bar begins with each scene" checked={bed_accents} onChange={(on) => change({ bed_accents: on })} />
		</section>
	);
}

type LevelProps = { label: string; says: string; low: number; value: number; onChange: (level: number) => void };

function Level({ label, says, low, value, onChange }: LevelProps) {
	return (
		<>
			<p className="small num">{says}</p>
			<Scale label={label} low={low} high={40} step={1} value={value} ends={["louder", "softer"]} onChange={onChange} />
		</>
	);
}
