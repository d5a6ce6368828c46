import { type KeyboardEvent, type PointerEvent, useRef, useState } from "react";
import type { SceneChange } from "../document/choosing";
import { type ProductionDocument, type Scene, type Staging, shownName } from "../document/document";
import type { SceneTimes } from "../document/useSceneTimes";

type Spot = Staging["blocking"][string];
type Props = {
	scene: Scene;
	times: SceneTimes | undefined;
	change: (part: Partial<ProductionDocument>, own: SceneChange[], field?: string) => void;
};

const WIDTH = 268;
const HEIGHT = 112;
const CAMERA = { x: WIDTH / 2, y: HEIGHT - 4 };
const NEAR = 0.8;
const FAR = 1.8;
const FIRST_ROW = 34;
const DEPTH = 62;
/** Half of what the camera sees, at the usual distance. */
const REACH = 70;

const USUAL: Spot = { x: 0.5, distance: 1, facing: 0 };
const FACING: [Spot["facing"], string][] = [
	[-1, "left"],
	[0, "the camera"],
	[1, "right"],
];

const across = ({ x, distance }: Spot) => CAMERA.x + (x - 0.5) * 2 * REACH * distance;
const back = ({ distance }: Pick<Spot, "distance">) =>
	CAMERA.y - FIRST_ROW - ((distance - NEAR) / (FAR - NEAR)) * DEPTH;
const within = (value: number, low: number, high: number) => Math.min(high, Math.max(low, value));

/** The stage seen from above: hosts are dragged, or moved by arrow keys, to where they stand. */
export function FloorPlan({ scene, times, change }: Props) {
	const plan = useRef<SVGSVGElement>(null);
	const [held, setHeld] = useState("");
	const usual = times?.id === scene.id ? times.blocking : {};
	const speakers = [...new Set(scene.blocks.filter((b) => b.kind === "line" && b.text).map((b) => b.speaker ?? ""))];
	const spots = speakers.flatMap((speaker) => {
		const spot = scene.staging.blocking[speaker] ?? usual[speaker];
		return spot ? [{ speaker, spot, own: speaker in scene.staging.blocking }] : [];
	});
	const put = (speaker: string, part: Partial<Spot>) => {
		const spot = { ...(spots.find((s) => s.speaker === speaker)?.spot ?? USUAL), ...part };
		const x = within(Math.round(spot.x * 100) / 100, 0.06, 0.94);
		const distance = within(Math.round(spot.distance * 20) / 20, NEAR, FAR);
		const blocking = { ...scene.staging.blocking, [speaker]: { ...spot, x, distance } };
		change({}, [{ sceneId: scene.id, staging: { blocking } }], `blocking ${scene.id} ${speaker}`);
	};
	const drag = (event: PointerEvent) => {
		const box = plan.current?.getBoundingClientRect();
		if (!held || !box) return;
		const px = ((event.clientX - box.left) / box.width) * WIDTH;
		const py = ((event.clientY - box.top) / box.height) * HEIGHT;
		const distance = within(NEAR + ((CAMERA.y - FIRST_ROW - py) / DEPTH) * (FAR - NEAR), NEAR, FAR);
		put(held, { x: 0.5 + (px - CAMERA.x) / (2 * REACH * distance), distance });
	};
	const keys = (event: KeyboardEvent, speaker: string, spot: Spot) => {
		const steps: Record<string, Spot> = {
			ArrowLeft: { ...spot, x: spot.x - 0.02 },
			ArrowRight: { ...spot, x: spot.x + 0.02 },
			ArrowUp: { ...spot, distance: spot.distance + 0.05 },
			ArrowDown: { ...spot, distance: spot.distance - 0.05 },
		};
		const step = steps[event.code];
		if (!step) return;
		event.preventDefault();
		put(speaker, step);
	};
	const edge = (distance: number, side: number) => `${CAMERA.x + side * REACH * distance} ${back({ distance })}`;
	return (
		<div className="floor">
			<p className="label">Where they stand, seen from above</p>
			<svg ref={plan} viewBox={`0 0 ${WIDTH} ${HEIGHT}`}>
				<title>Floor plan</title>
				<path d={`M${edge(FAR, -1)}L${edge(NEAR, -1)}M${edge(FAR, 1)}L${edge(NEAR, 1)}`} className="floor-edge" />
				{[NEAR, 1, FAR].map((d) => (
					<path key={d} d={`M${edge(d, -1)}L${edge(d, 1)}`} className={d === 1 ? "floor-row usual" : "floor-row"} />
				))}
				<path d={`M${CAMERA.x - 9} ${CAMERA.y}h18l-5 -9h-8z`} className="floor-camera" />
				<text x={WIDTH - 4} y={back({ distance: FAR }) + 12} className="floor-word">
					far
				</text>
				<text x={WIDTH - 4} y={back({ distance: NEAR }) + 4} className="floor-word">
					near
				</text>
				{spots.map(({ speaker, spot }) => (
					<g
						key={speaker}
						role="slider"
						tabIndex={0}
						aria-label={`${shownName(speaker) || "The host"}: arrow keys move`}
						aria-valuenow={Math.round(spot.x * 100)}
						aria-valuetext={words(spot)}
						className={held === speaker ? "floor-host on" : "floor-host"}
						transform={`translate(${across(spot)} ${back(spot)})`}
						onPointerDown={(event) => {
							event.currentTarget.setPointerCapture(event.pointerId);
							setHeld(speaker);
						}}
						onPointerMove={drag}
						onPointerUp={() => setHeld("")}
						onKeyDown={(event) => keys(event, speaker, spot)}
					>
						<circle r={13} className="floor-grip" />
						<circle r={9} />
						<text y={4.5}>{(shownName(speaker) || "H").slice(0, 1)}</text>
						<path d="M-4 10.5h8l-4 5z" transform={`rotate(${-(spot.facing ?? 0) * 55})`} />
					</g>
				))}
			</svg>
			<p className="small floor-place">
				{spots.map(({ speaker, spot, own }) => (
					<span key={speaker}>
						<b>{shownName(speaker) || "The host"}</b> {words(spot)}, faces{" "}
						<select
							className="small"
							aria-label={`${shownName(speaker) || "The host"} faces`}
							value={spot.facing ?? 0}
							onChange={(event) => put(speaker, { facing: Number(event.target.value) as Spot["facing"] })}
						>
							{FACING.map(([value, text]) => (
								<option key={value} value={value}>
									{text}
								</option>
							))}
						</select>
						{own && (
							<button
								type="button"
								className="link small"
								aria-label={`as usual: ${shownName(speaker) || "the host"}`}
								onClick={() => {
									const { [speaker]: _, ...blocking } = scene.staging.blocking;
									change({}, [{ sceneId: scene.id, staging: { blocking } }]);
								}}
							>
								as usual
							</button>
						)}
					</span>
				))}
			</p>
		</div>
	);
}

/** A spot in the words of the stage. */
function words({ x, distance }: Spot): string {
	const side = x < 0.3 ? "left" : x < 0.45 ? "centre left" : x <= 0.55 ? "centre" : x <= 0.7 ? "centre right" : "right";
	const depth = distance < 0.95 ? ", near" : distance > 1.1 ? ", far" : "";
	return `${side}${depth}`;
}
