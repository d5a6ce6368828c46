import type { CSSProperties } from "react";
import { series } from "../../shared/words";
import type { Summary } from "./useProductions";

/** Where a still of a production is. */
export function picture(production: Summary): string {
	const base = `/pictures/${production.id}/${production.first_scene}/still.jpg`;
	return `${base}?at=5.2&r=${production.revision}`;
}

/** The style of a frame in which its picture is seen whole: how wide it is for its height. */
export function shaped({ shape }: Summary): CSSProperties {
	const [width = 16, height = 9] = shape.split(":").map(Number);
	return { "--ratio": width / height } as CSSProperties;
}

/** What it consists of. */
export function facts(production: Summary): string {
	const scenes = production.scenes === 1 ? "one scene" : `${production.scenes} scenes`;
	return production.hosts.length ? `${scenes}, with ${series(production.hosts)}` : scenes;
}
