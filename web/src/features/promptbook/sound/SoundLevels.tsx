import { Tick } from "../../../shared/ui/controls";
import { Scale } from "../../../shared/ui/Scale";
import type { PanelProps } from "../document/panel";

/** LU below the voice above which words under music begin to blur. */
const BLURS = 15;

/** How far below the voice music lies, under words and in pauses, everywhere. */
export function SoundLevels({ document, change }: PanelProps) {
	const { bed_under, bed_pause, bed_accents } = document;
	const scenes = document.script.scenes;
	if (document.bed === "none" && scenes.every(({ staging }) => (staging.bed ?? "none") === "none")) return null;
	return (
		<section className="sound-levels" aria-label="Level of the music">
			<h3 className="panel-title">Level</h3>
			<p className="small num">{bed_under.toFixed(0)} LU below the words</p>
			<Scale
				label="Under words"
				low={6}
				high={40}
				step={1}
				value={bed_under}
				ends={["louder", "softer"]}
				onChange={(level) => change({ bed_under: level }, [], "bed_under")}
			/>
			{bed_under < BLURS && (
				<p className="small warning-text">Words begin to blur: about one in twenty more is misheard.</p>
			)}
			<p className="small num">{bed_pause.toFixed(0)} LU below in pauses</p>
			<Scale
				label="In pauses"
				low={3}
				high={40}
				step={1}
				value={bed_pause}
				ends={["louder", "softer"]}
				onChange={(level) => change({ bed_pause: level }, [], "bed_pause")}
			/>
			<Tick label="A bar begins with each scene" checked={bed_accents} onChange={(on) => change({ bed_accents: on })} />
		</section>
	);
}
