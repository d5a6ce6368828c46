import { type KeyboardEvent, type PointerEvent, useState } from "react";
import type { SceneChange } from "../document/choosing";
import { type LaidScene, xOf } from "../document/scale";
import { LONGEST_TAIL } from "../document/tail";

type Props = {
	scene: LaidScene;
	/** Seconds after the last word, as chosen for the scene. */
	tail: number;
	scale: number;
	onStage: (change: SceneChange, field: string) => void;
};

/** The end of the scene: dragged on, or moved by the arrow keys, the scene holds longer after its last word. */
export function TailHandle({ scene, tail, scale, onStage }: Props) {
	const [drag, setDrag] = useState<{ x: number; dx: number } | null>(null);
	const lastWord = scene.times?.lines.at(-1)?.end ?? 0;
	const put = (seconds: number) => {
		const rounded = Math.round(Math.min(LONGEST_TAIL, Math.max(0, seconds)) * 20) / 20;
		onStage({ sceneId: scene.id, staging: { tail: rounded } }, `tail ${scene.id}`);
	};
	const keys = (event: KeyboardEvent) => {
		const step = event.shiftKey ? 1 : 0.1;
		if (event.code === "ArrowRight") put(tail + step);
		else if (event.code === "ArrowLeft") put(tail - step);
		else return;
		event.preventDefault();
	};
	const wished = Math.min(LONGEST_TAIL, Math.max(0, tail + (drag ? drag.dx / scale : 0)));
	const up = () => {
		if (drag && Math.abs(drag.dx) > 2) put(wished);
		setDrag(null);
	};
	return (
		<button
			type="button"
			className={`tail-handle ${drag ? "on" : ""}`}
			style={{ left: xOf(scene.start + lastWord + wished, scale) - 12 }}
			aria-label={`End of scene ${scene.number}: holds ${wished.toFixed(1)} seconds after the last word; arrow keys change it`}
			onPointerDown={(event: PointerEvent<HTMLButtonElement>) => {
				event.currentTarget.setPointerCapture(event.pointerId);
				setDrag({ x: event.clientX, dx: 0 });
			}}
			onPointerMove={(event) => drag && setDrag({ ...drag, dx: event.clientX - drag.x })}
			onPointerUp={up}
			onPointerCancel={() => setDrag(null)}
			onKeyDown={keys}
		>
			<svg viewBox="0 0 12 60" width={12} height={60} aria-hidden="true">
				<path d="M11.5 0V60" className="tail-edge" />
				<path d="M11 24l-7 6l7 6z" className="tail-grip" />
			</svg>
			<span className="num">holds {wished.toFixed(1)} s</span>
		</button>
	);
}
