import { useEffect, useRef } from "react";
import { saveFile } from "../api/saveFile";
import type { Job } from "./useJob";

/** Saves the file a job made once it is done. */
export function useJobFile(job: Job | undefined): void {
	const saved = useRef("");
	useEffect(() => {
		if (job?.status !== "done" || saved.current === job.id) return;
		saved.current = job.id;
		saveFile(`/api/jobs/${job.id}/file`);
	}, [job]);
}
