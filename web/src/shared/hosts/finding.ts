import type { Host } from "./useHosts";

export type Filter = { typed: string; age: string; dress: string; suits: string; whose: string };

export const EVERYBODY: Filter = { typed: "", age: "", dress: "", suits: "", whose: "" };

/** Hosts that fit a filter; every word that was typed must begin a word of their card. */
export function foundHosts(hosts: readonly Host[], filter: Filter): Host[] {
	const wanted = filter.typed
		.trim()
		.toLowerCase()
		.split(/[\s,]+/)
		.filter(Boolean);
	return hosts.filter((host) => {
		const text = ` ${host.name} ${host.description} ${host.age} ${host.dress} ${host.suits.join(" ")}`.toLowerCase();
		return (
			wanted.every((word) => text.includes(` ${word}`)) &&
			(!filter.age || (filter.age === "animal" ? host.age === "" : host.age === filter.age)) &&
			(!filter.dress || host.dress === filter.dress) &&
			(!filter.suits || host.suits.includes(filter.suits)) &&
			(!filter.whose || (filter.whose === "own" ? host.own : host.favourite))
		);
	});
}

/** All that hosts are said to suit, each once. */
export function allSuits(hosts: readonly Host[]): string[] {
	return [...new Set(hosts.flatMap((host) => host.suits))].sort();
}
