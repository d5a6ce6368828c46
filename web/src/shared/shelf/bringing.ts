import { useRef, useState } from "react";
import { sentence } from "../api/client";
import type { Job } from "../jobs/useJob";
import { bringFile } from "./useShelf";

/** A file on its way to the shelf: sent, then read by a job; or what is wrong with it. */
export type Brought = { key: number; name: string; job: Job | null; problem: string };

/** Files brought one after the other; `brought` are those not yet on the shelf. */
export function useBringing() {
	const [brought, setBrought] = useState<readonly Brought[]>([]);
	const next = useRef(0);
	const queue = useRef(Promise.resolve());
	const change = (key: number, part: Partial<Brought>) =>
		setBrought((list) => list.map((one) => (one.key === key ? { ...one, ...part } : one)));
	const bring = (files: readonly File[]) => {
		for (const file of files) {
			next.current += 1;
			const key = next.current;
			setBrought((list) => [...list, { key, name: file.name, job: null, problem: "" }]);
			queue.current = queue.current.then(() =>
				bringFile(file).then(
					(job) => change(key, { job }),
					(error: unknown) => change(key, { problem: sentence(error) }),
				),
			);
		}
	};
	const away = (key: number) => setBrought((list) => list.filter((one) => one.key !== key));
	return { brought, bring, away };
}
