import type { Summary } from "./useProductions";

/** Those whose title or hosts hold every word that was typed, wherever it stands in them. */
export function found(productions: readonly Summary[], typed: string): Summary[] {
	const words = plain(typed).split(/\s+/).filter(Boolean);
	return productions.filter((production) => {
		const text = plain(`${production.title} ${production.hosts.join(" ")}`);
		return words.every((word) => text.includes(word));
	});
}

/** Without capitals and accents. */
function plain(text: string): string {
	return text.normalize("NFD").replace(/\p{M}/gu, "").toLowerCase();
}
