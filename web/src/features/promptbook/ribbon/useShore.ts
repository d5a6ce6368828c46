import { type RefObject, useCallback, useEffect, useLayoutEffect, useMemo, useRef, useState } from "react";
import { playhead, usePlayhead } from "../document/playhead";
import { type LaidScene, sceneAt, within, xOf } from "../document/scale";

/** What of the ribbon is seen, at which scale; it follows the playhead and stays put while it is zoomed. */
export function useShore(box: RefObject<HTMLElement | null>, laid: readonly LaidScene[], scale: number) {
	const [view, setView] = useState({ left: 0, width: 1200 });
	const sceneId = usePlayhead((p) => p.sceneId);
	const at = usePlayhead((p) => p.at);
	const playing = usePlayhead((p) => p.playing);
	const current = laid.find((scene) => scene.id === sceneId);
	const x = xOf((current?.start ?? 0) + at, scale);
	const held = useRef(false);

	const look = useCallback(() => {
		const element = box.current;
		if (!element) return;
		const { scrollLeft: left, clientWidth: width } = element;
		setView((was) => (was.left === left && was.width === width ? was : { left, width }));
	}, [box]);
	useEffect(() => {
		const element = box.current;
		if (!element) return;
		const sizes = new ResizeObserver(look);
		sizes.observe(element);
		element.addEventListener("scroll", look, { passive: true });
		return () => {
			sizes.disconnect();
			element.removeEventListener("scroll", look);
		};
	}, [box, look]);

	// zoomed, or a scene before it grew: the playhead stays where it is on the screen
	const drawn = useRef({ scale, start: current?.start ?? 0, x });
	useLayoutEffect(() => {
		const element = box.current;
		const start = current?.start ?? 0;
		const before = drawn.current;
		if (element && (before.scale !== scale || (before.start !== start && current?.id === sceneId))) {
			element.scrollLeft += x - before.x;
		}
		drawn.current = { scale, start, x };
	}, [box, scale, current, sceneId, x]);

	useEffect(() => {
		const element = box.current;
		if (!element || held.current) return;
		const room = element.clientWidth;
		const shown = x - element.scrollLeft;
		if (shown < 60 || shown > room * 0.8) element.scrollLeft = playing ? x - room * 0.25 : x - room * 0.4;
	}, [box, x, playing]);

	const seen = useMemo(() => {
		const spare = view.width * 0.5;
		return laid.filter(
			(scene) =>
				xOf(scene.start + scene.seconds, scale) > view.left - spare &&
				xOf(scene.start, scale) < view.left + view.width + spare,
		);
	}, [laid, scale, view]);

	const momentAt = (clientX: number) => {
		const element = box.current;
		return element ? (clientX - element.getBoundingClientRect().left + element.scrollLeft - xOf(0, scale)) / scale : 0;
	};
	const goTo = (moment: number) => {
		const scene = sceneAt(laid, Math.max(0, moment));
		if (!scene) return;
		const within = Math.min(Math.max(0, moment - scene.start), Math.max(0, scene.seconds - 0.04));
		playhead.set({ sceneId: scene.id, at: within });
	};
	return { view, seen, current, at, x, held, momentAt, goTo };
}

/** Ctrl and the wheel zoom the ribbon; the browser must not zoom the page meanwhile. */
export function useWheelZoom(
	box: RefObject<HTMLElement | null>,
	scale: number,
	onScale: (scale: number) => void,
): void {
	useEffect(() => {
		const element = box.current;
		const wheel = (event: WheelEvent) => {
			if (event.ctrlKey) {
				event.preventDefault();
				onScale(within(scale * Math.exp(-event.deltaY / 300)));
			} else if (element && Math.abs(event.deltaY) > Math.abs(event.deltaX)) {
				event.preventDefault();
				element.scrollLeft += event.deltaY;
			}
		};
		element?.addEventListener("wheel", wheel, { passive: false });
		return () => element?.removeEventListener("wheel", wheel);
	}, [box, scale, onScale]);
}
