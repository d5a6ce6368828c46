import type { Summary } from "./useProductions";

/** Where a still of a production is. */
export function picture(production: Summary): string {
	const base = `/pictures/${production.id}/${production.first_scene}/still.jpg`;
	return `${base}?at=5.2&r=${production.revision}`;
}

/** What it consists of. */
export function facts(production: Summary): string {
	const scenes = production.scenes === 1 ? "one scene" : `${production.scenes} scenes`;
	return production.hosts.length ? `${scenes}, with ${production.hosts.join(" and ")}` : scenes;
}
