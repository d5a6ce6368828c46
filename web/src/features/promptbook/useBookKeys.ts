import { useEffect } from "react";
import { nextRegion } from "./regions";

type Keys = {
	onCue: () => void;
	onPut: (kind: string) => void;
	onSayAs: () => void;
	onPlay: (writing: boolean) => void;
	onUndo: (redo: boolean) => void;
	onFind: () => void;
	onTab: (number: number) => void;
	onFullScreen: () => void;
	onLoop: () => void;
};

const TYPING = "[contenteditable=true], input, select, textarea, button, [role=slider]";

/** The keys that work everywhere in the prompt book. */
export function useBookKeys(keys: Keys): void {
	const { onCue, onPut, onSayAs, onPlay, onUndo, onFind, onTab, onFullScreen, onLoop } = keys;
	useEffect(() => {
		const pressed = (event: KeyboardEvent) => {
			const target = event.target as HTMLElement;
			const does = (action: () => void) => {
				event.preventDefault();
				action();
			};
			const command = event.ctrlKey || event.metaKey;
			if (event.code === "F6") return does(() => nextRegion(event.shiftKey ? -1 : 1));
			if (command && ["KeyF", "KeyH"].includes(event.code) && !event.shiftKey) return does(onFind);
			if (command && event.code === "KeyZ" && !target.closest(".script, .own-undo")) {
				return does(() => onUndo(event.shiftKey));
			}
			if (event.altKey && event.shiftKey && event.code === "KeyF") return does(onFullScreen);
			if (event.altKey && event.shiftKey && event.code === "KeyL") return does(onLoop);
			if (event.altKey && event.code === "KeyQ") return does(onCue);
			if (event.altKey && !event.shiftKey && event.code === "KeyE") return does(() => onPut("emphasis"));
			if (event.altKey && !event.shiftKey && event.code === "KeyY") return does(onSayAs);
			if ((event.altKey && event.code === "Enter") || (event.code === "Space" && !target.closest(TYPING))) {
				return does(() => onPlay(Boolean(target.closest(".script"))));
			}
			const number = event.altKey && event.shiftKey ? Number(event.code.replace("Digit", "")) : 0;
			if (number) does(() => onTab(number));
		};
		window.addEventListener("keydown", pressed);
		return () => window.removeEventListener("keydown", pressed);
	}, [onCue, onPut, onSayAs, onPlay, onUndo, onFind, onTab, onFullScreen, onLoop]);
}
