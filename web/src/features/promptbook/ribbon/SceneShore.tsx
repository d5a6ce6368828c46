import { memo } from "react";
import { clock } from "../../../shared/time";
import type { LaidScene } from "../document/scale";
import { envelope, melody, spacedMouths, spacedWords, WATERLINE } from "./drawing";
import { body, surface } from "./water";

/** Whether the music is drawn, and whether words blur in it. */
export type Water = "none" | "clear" | "blurs";

type Props = { scene: LaidScene; left: number; scale: number; water: Water };

/** One scene of the shore: what is said swells above the waterline, lips hang below it, then the words. */
export const SceneShore = memo(function SceneShore({ scene, left, scale, water }: Props) {
	const width = Math.max(1, scene.seconds * scale);
	const { times } = scene;
	return (
		<svg className="scene-shore" style={{ left }} width={width} height={124} aria-hidden="true">
			<path d={`M0 ${WATERLINE}.5H${width}`} className={times ? "waterline" : "waterline unread"} />
			{scene.number > 1 && <path d="M.5 20V104" className="scene-border" />}
			{times ? (
				<>
					{times.lines.map((line) => (
						<g key={line.id}>
							<path d={envelope(line, scale)} className="swell" />
							<path d={melody(line, scale)} className="melody" />
						</g>
					))}
					{water !== "none" && (
						<>
							<path d={body(times.water, scale)} className={`water ${water}`} />
							<path d={surface(times.water, scale)} className="water-surface" />
						</>
					)}
					{spacedMouths(times, scale).map((mouth) => (
						<MouthGlyph key={mouth.at} x={mouth.at * scale} {...mouth} />
					))}
					{spacedWords(times, scale).map((word) => (
						<text key={word.key} x={word.x} y={97} className="ribbon-word">
							{word.text}
						</text>
					))}
				</>
			) : (
				width > 90 && (
					<text x={10} y={97} className="ribbon-unread">
						not read yet{width > 190 && `, about ${clock(scene.seconds)}`}
					</text>
				)
			)}
		</svg>
	);
});

type Mouth = { x: number; open: number; wide: number; round: number; closed: boolean };

/** The outline of the lips; closed lips are a thick bar. */
function MouthGlyph({ x, open, wide, round, closed }: Mouth) {
	if (closed) return <rect x={x - 4} y={WATERLINE + 9} width={8} height={2.4} className="mouth-bar" />;
	return (
		<ellipse cx={x} cy={WATERLINE + 10} rx={4.2 + 1.6 * wide - 1.8 * round} ry={1.1 + 5 * open} className="mouth" />
	);
}
