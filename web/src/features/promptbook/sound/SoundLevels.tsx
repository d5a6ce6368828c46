import { Tick } from "../../../shared/ui/controls";
import { Scale } from "../../../shared/ui/Scale";
import { BLURS, hasOwnLevels, type Levels, levelsIn, ownLevels, withLevels } from "../document/musicLevels";
import { type PanelProps, sceneAt } from "../document/panel";

/** How far below the voice music lies, under words and in pauses: everywhere, or in a scene by itself. */
export function SoundLevels({ document, current, change }: PanelProps) {
	const { bed_accents } = document;
	const scenes = document.script.scenes;
	const { scene, number } = sceneAt(document, current);
	if (!scene) return null;
	if (document.bed === "none" && scenes.every(({ staging }) => (staging.bed ?? "none") === "none")) return null;
	const { bed_under, bed_pause } = levelsIn(document, scene);
	const own = hasOwnLevels(scene);
	const put = (levels: Partial<Levels>) => {
		const field = `${Object.keys(levels).join(" ")}${own ? ` ${scene.id}` : ""}`;
		change(...withLevels(scene, levels), field);
	};
	return (
		<section className="sound-levels" aria-label="Level of the music">
			<h3 className="panel-title">{own ? `Level, scene ${number}` : "Level"}</h3>
			<Level
				label="Under words"
				says={`${bed_under.toFixed(0)} LU below the words`}
				low={6}
				value={bed_under}
				onChange={(level) => put({ bed_under: level })}
			/>
			{bed_under < BLURS && (
				<p className="small warning-text">Words begin to blur: about one in twenty more is misheard.</p>
			)}
			<Level
				label="In pauses"
				says={`${bed_pause.toFixed(0)} LU below in pauses`}
				low={3}
				value={bed_pause}
				onChange={(level) => put({ bed_pause: level })}
			/>
			{scenes.length > 1 && (
				<Tick
					label={`Otherwise in scene ${number}`}
					checked={own}
					onChange={(on) => change({}, [ownLevels(document, scene, on)])}
				/>
			)}
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
