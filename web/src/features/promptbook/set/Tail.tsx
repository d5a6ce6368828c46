import type { SceneChange } from "../document/choosing";
import type { Scene } from "../document/document";
import { LONGEST_TAIL, USUAL_TAIL } from "../document/tail";

type Props = { scene: Scene; number: number; change: (part: object, own: SceneChange[], field?: string) => void };

/** How long a scene holds after its last word; the same as dragging its end on the ribbon. */
export function Tail({ scene, number, change }: Props) {
	const { tail } = scene.staging;
	return (
		<label className="tail-field">
			<span className="label">Scene {number} holds after its last word</span>
			<input
				type="number"
				min={0}
				max={LONGEST_TAIL}
				step={0.1}
				value={tail ?? USUAL_TAIL}
				onChange={(event) => {
					const seconds = event.target.valueAsNumber;
					if (Number.isFinite(seconds) && seconds >= 0 && seconds <= LONGEST_TAIL)
						change({}, [{ sceneId: scene.id, staging: { tail: seconds } }], `tail ${scene.id}`);
				}}
			/>{" "}
			s
			{tail != null && (
				<button
					type="button"
					className="link small"
					onClick={() => change({}, [{ sceneId: scene.id, staging: { tail: null } }])}
				>
					As usual
				</button>
			)}
		</label>
	);
}
