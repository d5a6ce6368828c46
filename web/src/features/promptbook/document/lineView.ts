import type { NodeViewRenderer } from "@tiptap/core";
import { shownName } from "./document";

const NEW = "\u0000new";

/** A line with its speaker in the margin: a plain DOM view, so that long scripts stay quick. */
export const lineView: NodeViewRenderer = ({ editor, node, getPos }) => {
	let current = node;
	const dom = document.createElement("div");
	dom.className = "line";
	const who = document.createElement("div");
	who.className = "who";
	who.contentEditable = "false";
	const select = document.createElement("select");
	select.setAttribute("aria-label", "Speaker");
	select.tabIndex = -1;
	who.append(select);
	const text = document.createElement("p");
	text.className = "line-text";
	dom.append(who, text);

	const speakers = () => {
		const names = new Set<string>();
		editor.state.doc.descendants((child) => {
			if (child.type.name === "line") names.add(String(child.attrs.speaker ?? ""));
			return child.type.name !== "line";
		});
		return [...names];
	};
	const fill = (names: string[]) => {
		const speaker = String(current.attrs.speaker ?? "");
		const options = [...new Set([...names, speaker])].map((name) => {
			const option = new Option(shownName(name) || "(no name)", name);
			option.selected = name === speaker;
			return option;
		});
		select.replaceChildren(...options, new Option("New speaker…", NEW));
		select.value = speaker;
	};
	const show = () => {
		dom.dataset.id = String(current.attrs.id ?? "");
		dom.dataset.speaker = String(current.attrs.speaker ?? "");
		fill([]);
	};
	const setSpeaker = (speaker: string) => {
		const position = getPos();
		if (position === undefined) return;
		editor.view.dispatch(editor.state.tr.setNodeAttribute(position, "speaker", speaker));
	};
	const askName = () => {
		const input = document.createElement("input");
		input.setAttribute("aria-label", "Name of the new speaker");
		input.className = "new-speaker";
		who.replaceChildren(input);
		input.focus();
		const done = (keep: boolean) => {
			const name = input.value.trim();
			who.replaceChildren(select);
			if (keep && name) setSpeaker(name);
			else show();
		};
		input.addEventListener("blur", () => done(true), { once: true });
		input.addEventListener("keydown", (event) => {
			if (event.key === "Enter") input.blur();
			if (event.key === "Escape") {
				input.value = "";
				input.blur();
			}
		});
	};
	select.addEventListener("mousedown", () => fill(speakers()));
	select.addEventListener("focus", () => fill(speakers()));
	select.addEventListener("change", () => (select.value === NEW ? askName() : setSpeaker(select.value)));
	show();

	return {
		dom,
		contentDOM: text,
		stopEvent: (event: Event) => who.contains(event.target as globalThis.Node),
		ignoreMutation: (mutation) => mutation.type !== "selection" && !text.contains(mutation.target),
		update: (updated) => {
			if (updated.type !== current.type) return false;
			current = updated;
			show();
			return true;
		},
	};
};
