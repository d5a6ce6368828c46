import { ChakraProvider, defaultSystem } from "@chakra-ui/react";
import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { fireEvent, render, screen, waitFor } from "@testing-library/react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { JobProgress } from "./JobProgress";
import { isWaiting, type Job, useJob } from "./useJob";

const JOB: Job = {
	id: "5f0c3c1a-0000-4000-8000-000000000001",
	kind: "draft",
	status: "running",
	progress: 0.25,
	doing: "listening",
	seconds_left: null,
	message: "",
	stop_requested: false,
	result: {},
};

const answers: Job[] = [];
const asked: string[] = [];

beforeEach(() => {
	answers.length = asked.length = 0;
	vi.stubGlobal("fetch", async (request: Request) => {
		asked.push(`${request.method} ${new URL(request.url).pathname}`);
		return Response.json(answers.shift() ?? JOB);
	});
});
afterEach(() => vi.unstubAllGlobals());

function Watched({ started }: { started: Job | null }) {
	const job = useJob(started).data;
	return (
		<>
			<b>{job?.status ?? "none"}</b>
			{job && <JobProgress job={job} label="Listening" />}
		</>
	);
}

function shown(started: Job | null) {
	const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
	return render(
		<ChakraProvider value={defaultSystem}>
			<QueryClientProvider client={queries}>
				<Watched started={started} />
			</QueryClientProvider>
		</ChakraProvider>,
	);
}

describe("a job", () => {
	it("is not asked for before it is started", async () => {
		shown(null);
		expect(screen.getByText("none")).toBeInTheDocument();
		expect(asked).toEqual([]);
	});

	it("is asked for until it has ended, and then no more", async () => {
		answers.push({ ...JOB, progress: 0.6 }, { ...JOB, status: "done", progress: 1 });
		shown(JOB);
		await waitFor(() => expect(screen.getByText("done")).toBeInTheDocument(), { timeout: 4000 });
		const before = asked.length;
		await new Promise((resolve) => setTimeout(resolve, 900));
		expect(asked.length).toBe(before);
		expect(new Set(asked)).toEqual(new Set([`GET /api/jobs/${JOB.id}`]));
	});

	it("shows how far it is and what it does", () => {
		answers.push(JOB, JOB, JOB);
		shown(JOB);
		expect(screen.getByRole("progressbar", { name: "Listening" })).toHaveAttribute("aria-valuenow", "25");
		expect(screen.getByText("listening")).toBeInTheDocument();
	});

	it("waits its turn", () => {
		shown({ ...JOB, status: "queued", progress: 0 });
		expect(screen.getByText("waits its turn")).toBeInTheDocument();
	});

	it("is stopped by its button, once", async () => {
		answers.push(JOB, { ...JOB, stop_requested: true }, { ...JOB, stop_requested: true });
		shown(JOB);
		fireEvent.click(screen.getByRole("button", { name: "Stop: Listening" }));
		await waitFor(() => expect(screen.getByRole("button", { name: "Stop: Listening" })).toBeDisabled());
		expect(asked).toContain(`POST /api/jobs/${JOB.id}/stop`);
	});

	it("says why it failed, as an alert, and that it was stopped, as a remark", () => {
		const failed = { ...JOB, status: "failed" as const, message: "The disk is full." };
		const { unmount } = shown(failed);
		expect(screen.getByRole("alert")).toHaveTextContent("The disk is full.");
		unmount();
		shown({ ...failed, status: "stopped", message: "Stopped." });
		expect(screen.getByRole("status")).toHaveTextContent("Stopped.");
		expect(screen.queryByRole("alert")).toBeNull();
	});

	it.each([
		["queued", true],
		["running", true],
		["done", false],
		["failed", false],
		["stopped", false],
	] as const)("%s is waiting: %s", (status, waiting) => expect(isWaiting({ ...JOB, status })).toBe(waiting));
});
