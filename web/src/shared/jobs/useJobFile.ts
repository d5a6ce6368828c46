import { useEffect, useRef } from "react";
import type { Job } from "./useJob";

/** Saves the file a job made once it is done. */
export function useJobFile(job: Job | undefined): void {
	const saved = useRef("");
	useEffect(() => {
		if (job?.status !== "done" || saved.current === job.id) return;
		saved.current = job.id;
		const link = document.createElement("a");
		link.href = `/api/jobs/${job.id}/file`;
		link.download = "";
		link.click();
	}, [job]);
}
