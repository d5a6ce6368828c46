import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { api, ask, type Schemas } from "../api/client";

export type Job = Schemas["JobOut"];

const ASK_AGAIN_MS = 400;

/** Whether a job is still to be done or being done. */
export function isWaiting(job: Job | undefined): boolean {
	return job?.status === "queued" || job?.status === "running";
}

/** A job, asked for again until it has ended. `null` for none yet. */
export function useJob(started: Job | null) {
	const id = started?.id ?? "";
	return useQuery({
		queryKey: ["job", id],
		enabled: id !== "",
		initialData: started ?? undefined,
		queryFn: () => ask(api.GET("/api/jobs/{job_id}", { params: { path: { job_id: id } } })),
		refetchInterval: (query) => (isWaiting(query.state.data) ? ASK_AGAIN_MS : false),
	});
}

export function useStopJob() {
	const queries = useQueryClient();
	return useMutation({
		mutationFn: (id: string) => ask(api.POST("/api/jobs/{job_id}/stop", { params: { path: { job_id: id } } })),
		onSuccess: (job) => queries.setQueryData(["job", job.id], job),
	});
}
