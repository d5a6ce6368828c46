import { clock } from "../../../shared/time";
import type { Check } from "../document/useSceneTimes";
import { HEIGHT, labelTop } from "./gaugeLabels";

/** How full the time is: scenes as water in a gauge, the wished length as its mark. */
type Props = {
	check: Check | null;
	target: number;
	/** Bring the words down to so many seconds. */
	onRework: (seconds: number) => void;
};

export function LengthGauge({ check, target, onRework }: Props) {
	const scenes = check?.scenes.map((s, i) => ({ ...s, number: i + 1 })).filter((s) => s.seconds > 0) ?? [];
	const now = check?.seconds ?? 0;
	const full = Math.max(target, now, 1) * 1.06;
	const level = (seconds: number) => HEIGHT - (seconds / full) * HEIGHT;
	const over = target > 0 ? now - target : 0;
	let sum = 0;
	const rows = scenes.map((scene) => {
		const from = sum;
		sum += scene.seconds;
		return { ...scene, top: level(sum), height: level(from) - level(sum) };
	});
	return (
		<div className="length">
			<h3 className="panel-title">Length</h3>
			<div className="gauge">
				<svg width={34} height={HEIGHT} aria-hidden="true">
					{rows.map((row) => (
						<g key={row.id}>
							<rect x={0.5} y={row.top} width={33} height={row.height} className="gauge-water" />
							<path d={`M1 ${Math.round(row.top) + 0.5}h32`} className="gauge-line" />
							{row.height > 17 && (
								<text x={17} y={row.top + row.height / 2 + 5} className="gauge-number">
									{row.number}
								</text>
							)}
						</g>
					))}
					<path d={`M.5 0V${HEIGHT - 0.5}H33.5V0`} className="gauge-glass" />
				</svg>
				{target > 0 && (
					<span className="gauge-mark num" style={{ top: level(target) }}>
						{clock(target)} at most
					</span>
				)}
				<span className="gauge-now num" style={{ top: labelTop(level(now), target > 0 ? level(target) : -99) }}>
					{check?.estimated ? "about " : ""}
					{clock(now)} now
					{target > 0 && (
						<small className={over > 0.5 ? "problem" : "quiet"}>
							{Math.abs(over) <= 0.5 ? "just right" : `${clock(Math.abs(over))} ${over > 0 ? "over" : "to spare"}`}
						</small>
					)}
				</span>
			</div>
			{now > 0 && (
				<button type="button" className="link small" onClick={() => onRework(over > 0.5 ? target : now * 0.8)}>
					{over > 0.5 ? `Rework it to ${clock(target)}` : "Rework the script"}
				</button>
			)}
		</div>
	);
}
