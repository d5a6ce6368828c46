import { hasWords } from "../../shared/words";
import type { Summary } from "./useProductions";

/** Those whose title or hosts hold every word that was typed. */
export function found(productions: readonly Summary[], typed: string): Summary[] {
	return productions.filter(({ title, hosts }) => hasWords(`${title} ${hosts.join(" ")}`, typed));
}
