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

const percent = (way: Way) => `${Math.max(1, Math.round((way.pace - 1) * 100))} %`;
const NAMES: Record<Way["way"], (way: Way) => string> = {
	shorter: () => "Rework it",
	quicker: (way) => `Speak ${percent(way)} quicker`,
	both: () => "Do both",
};
const COSTS: Record<Way["way"], (way: Way) => string> = {
	shorter: (way) => `${clock(way.cut)} to cut`,
	quicker: () => "nothing is cut",
	both: (way) => `${percent(way)}, ${clock(way.cut)} to cut`,
};

/** How a script that runs over comes to its length, each with what it costs. */
export function LengthWays({ ways, onRework, onQuicker }: Props) {
	const [first] = ways;
	const take = (way: Way) => {
		if (way.pace > 1) onQuicker(way.pace);
		if (way.cut > 0) onRework(way.seconds);
	};
	if (!first) return null;
	return (
		<section className="to-fill-in small length-ways" aria-label="Ways to come to it">
			<p>
				To come to <b className="num">{clock(first.seconds)}</b>:
			</p>
			<ul>
				{ways.map((way) => (
					<li key={way.way}>
						<button type="button" className="link" onClick={() => take(way)}>
							{NAMES[way.way](way)}
						</button>
						<span className="num">{COSTS[way.way](way)}</span>
					</li>
				))}
			</ul>
		</section>
	);
}
