import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from "react";
import { type Distance, useGrip } from "../document/stageGrip";

/** Pixels that an arrow key moves by; with Shift ten times as many. */
const STEP = 2;
const NEARER = 1.05;
const NOWHERE: Distance = { x: 0, y: 0 };

/** Over the picture: what a panel lets be moved is dragged here, and brought nearer by the wheel. */
export function StageGrip({ shape }: { shape: string }) {
	const grip = useGrip();
	const box = useRef<HTMLButtonElement>(null);
	const [from, setFrom] = useState<Distance | null>(null);
	const [by, setBy] = useState<Distance>(NOWHERE);
	useWheel(box, grip?.onNear);
	if (!grip) return null;
	const stage = () => box.current?.getBoundingClientRect() ?? new DOMRect(0, 0, 1, 1);
	const since = (event: PointerEvent): Distance => ({
		x: event.clientX - (from?.x ?? event.clientX),
		y: event.clientY - (from?.y ?? event.clientY),
	});
	const stop = () => {
		setFrom(null);
		grip.onCancel?.();
	};
	const keys = (event: KeyboardEvent) => {
		const step = event.shiftKey ? 10 * STEP : STEP;
		const by: Record<string, Distance> = {
			ArrowLeft: { x: -step, y: 0 },
			ArrowRight: { x: step, y: 0 },
			ArrowUp: { x: 0, y: -step },
			ArrowDown: { x: 0, y: step },
		};
		const moved = by[event.code];
		if (moved) grip.onEnd(moved, stage());
		else if (event.key === "+") grip.onNear?.(NEARER);
		else if (event.key === "-") grip.onNear?.(1 / NEARER);
		else if (event.key === "Escape" && from) stop();
		else return;
		event.preventDefault();
		event.stopPropagation();
	};
	return (
		<button
			ref={box}
			type="button"
			className={from ? "stage-grip on" : "stage-grip"}
			style={{ aspectRatio: shape.replace(":", " / ") }}
			aria-label={`${grip.label}: drag it, or use the arrow keys${grip.onNear ? ", + and -" : ""}`}
			onPointerDown={(event) => {
				event.currentTarget.setPointerCapture(event.pointerId);
				setFrom({ x: event.clientX, y: event.clientY });
				setBy(NOWHERE);
			}}
			onPointerMove={(event) => {
				if (!from) return;
				setBy(since(event));
				grip.onMove?.(since(event), stage());
			}}
			onPointerUp={(event) => {
				if (from) grip.onEnd(since(event), stage());
				setFrom(null);
			}}
			onPointerCancel={stop}
			onKeyDown={keys}
		>
			{grip.at && from && (
				<svg
					className="stage-mark"
					viewBox="-9 -9 18 18"
					width={18}
					height={18}
					style={markedAt(grip.at, by)}
					aria-hidden="true"
				>
					<path d="M-8 0h16M0-8v16" />
				</svg>
			)}
		</button>
	);
}

function markedAt(at: Distance, by: Distance) {
	return { left: `calc(${100 * at.x}% + ${by.x - 9}px)`, top: `calc(${100 * at.y}% + ${by.y - 9}px)` };
}

/** The wheel over the stage; React's own listener could not keep the page from scrolling. */
function useWheel(box: React.RefObject<HTMLElement | null>, onNear: ((factor: number) => void) | undefined): void {
	useEffect(() => {
		const element = box.current;
		if (!element || !onNear) return;
		const turned = (event: WheelEvent) => {
			event.preventDefault();
			onNear(NEARER ** (-event.deltaY / 100));
		};
		element.addEventListener("wheel", turned, { passive: false });
		return () => element.removeEventListener("wheel", turned);
	}, [box, onNear]);
}
