import { clock } from "../../../shared/time";
import type { Check } from "../document/useSceneTimes";

type Way = Check["ways"][number];
type Props = {
	ways: readonly Way[];
	/** Bring the words down to so many seconds. */
	onRework: (seconds: number) => void;
	/** Have every voice speak so many times as quickly. */
	onQuicker: (times: number) => void;
};

const inWords = (way: Way) => `${Math.max(1, Math.round((way.pace - 1) * 100))} % quicker`;

/** How a script that runs over comes to its length, each with what it costs. */
export function LengthWays({ ways, onRework, onQuicker }: Props) {
	const take = (way: Way) => {
		if (way.pace > 1) onQuicker(way.pace);
		if (way.cut > 0) onRework(way.seconds);
	};
	return (
		<ul className="length-ways small" aria-label={`To ${clock(ways[0]?.seconds ?? 0)}`}>
			{ways.map((way) => (
				<li key={way.way}>
					<button type="button" className="link" onClick={() => take(way)}>
						{NAMES[way.way](way)}
					</button>
					<span className="quiet num">{COSTS[way.way](way)}</span>
				</li>
			))}
		</ul>
	);
}

const NAMES: Record<Way["way"], (way: Way) => string> = {
	shorter: (way) => `Rework it to ${clock(way.seconds)}`,
	quicker: (way) => `Speak ${inWords(way)}`,
	both: () => "Both",
};
const COSTS: Record<Way["way"], (way: Way) => string> = {
	shorter: (way) => `${clock(way.cut)} of words to cut`,
	quicker: (way) => `${clock(way.seconds)}, nothing cut`,
	both: (way) => (way.cut > 0 ? `${inWords(way)}, ${clock(way.cut)} to cut` : inWords(way)),
};
