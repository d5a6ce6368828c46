import type { Recording } from "./recorder";

const WIDE = 560;
const TALL = 64;
const SHOWN = 280;
const FLOOR = -60;
/** Louder than this, in dB full scale over 40 ms, peaks are soon cut off. */
const LOUDEST = -8;

const height = (level: number) => Math.max(1, ((Math.max(FLOOR, level) - FLOOR) / -FLOOR) * (TALL - 6));

/** What a recorder hears, as a shore that grows to the right, under the loudest level that is wanted. */
export function LevelMeter({ recording }: { recording: Recording }) {
	const levels = recording.state === "recording" ? recording.levels.slice(-SHOWN) : [];
	const step = WIDE / SHOWN;
	const outline = levels.map((level, i) => `L${(i * step).toFixed(1)} ${(TALL - height(level)).toFixed(1)}`).join("");
	const at = levels.length * step;
	const tooLoud = levels.slice(-8).some((level) => level > LOUDEST);
	return (
		<svg
			className="level-meter"
			viewBox={`0 0 ${WIDE} ${TALL + 4}`}
			role="img"
			aria-label={tooLoud ? "Level: too loud" : "Level of the microphone"}
		>
			<path className="level-most" d={`M0 ${TALL - height(LOUDEST)}H${WIDE}`} />
			<text className="level-word" x="0" y={TALL - height(LOUDEST) - 4}>
				loudest wanted
			</text>
			{levels.length > 0 && (
				<path className={`level-shore ${tooLoud ? "loud" : ""}`} d={`M0 ${TALL}${outline}L${at} ${TALL}Z`} />
			)}
			<path className="level-ground" d={`M0 ${TALL}H${WIDE}`} />
			{levels.length > 0 && <path className="level-head" d={`M${at} 0V${TALL + 4}`} />}
		</svg>
	);
}
