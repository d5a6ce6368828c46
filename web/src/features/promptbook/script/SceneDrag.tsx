import type { Editor } from "@tiptap/core";
import { useEffect, useState } from "react";
import { moveSceneTo, NUMBER_WIDTH } from "../document/scenes";

type Drag = { from: number; to: number; top: number };

/** A scene is taken by its number and let go between two others. */
export function SceneDrag({ editor, root }: { editor: Editor; root: HTMLElement }) {
	const [drag, setDrag] = useState<Drag | null>(null);
	useEffect(() => {
		let held: { index: number; y: number } | null = null;
		let now: Drag | null = null;
		const scenes = () => [...root.querySelectorAll<HTMLElement>(".scene")];
		const show = (next: Drag | null) => {
			now = next;
			setDrag(next);
		};
		const down = (event: PointerEvent) => {
			const heading = event.target instanceof HTMLElement ? event.target.closest<HTMLElement>(".scene-heading") : null;
			if (!heading || event.button !== 0) return;
			if (event.clientX - heading.getBoundingClientRect().left > NUMBER_WIDTH) return;
			held = { index: scenes().indexOf(heading.parentElement as HTMLElement), y: event.clientY };
			window.addEventListener("pointermove", move);
			window.addEventListener("pointerup", up, { once: true });
			window.addEventListener("keydown", stop, { once: true });
		};
		const move = (event: PointerEvent) => {
			if (!held || (!now && Math.abs(event.clientY - held.y) < 6)) return;
			event.preventDefault();
			getSelection()?.removeAllRanges();
			const places = scenes().map((scene) => scene.getBoundingClientRect());
			const to = places.filter((place) => place.top + place.height / 2 < event.clientY).length;
			const edge = places[to]?.top ?? places.at(-1)?.bottom ?? 0;
			show({ from: held.index, to, top: edge - root.getBoundingClientRect().top - 8 });
			const scroller = root.parentElement;
			const view = scroller?.getBoundingClientRect();
			if (scroller && view && event.clientY < view.top + 30) scroller.scrollTop -= 16;
			if (scroller && view && event.clientY > view.bottom - 30) scroller.scrollTop += 16;
		};
		const stop = () => {
			held = null;
			show(null);
			window.removeEventListener("pointermove", move);
		};
		const up = () => {
			if (now) editor.view.dispatch(moveSceneTo(editor.state, now.from, now.to));
			stop();
		};
		root.addEventListener("pointerdown", down);
		return () => {
			stop();
			root.removeEventListener("pointerdown", down);
		};
	}, [editor, root]);
	if (!drag) return null;
	return <div className="scene-drop" style={{ top: drag.top }} aria-hidden="true" />;
}
