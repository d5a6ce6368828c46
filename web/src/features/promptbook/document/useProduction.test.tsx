import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { act, renderHook } from "@testing-library/react";
import type { ReactNode } from "react";
import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { productionOf } from "./testing";
import { useProduction } from "./useProduction";

type Sent = { title: string; document: unknown; revision: number };
type Answering = { sent: Sent; answer: (response: Response) => void; fail: () => void };

const first = productionOf(["s", "The pier", []]);
const stored = (revision: number, document: unknown = first) => ({
	id: "p",
	title: "The bell",
	revision,
	updated_at: "2026-01-01T00:00:00Z",
	document,
	notes: [],
});
const saves: Answering[] = [];

beforeEach(() => {
	vi.useFakeTimers();
	saves.length = 0;
	localStorage.clear();
	vi.stubGlobal("fetch", async (request: Request) => {
		if (request.method !== "PUT") return Response.json(stored(3));
		const sent = (await request.json()) as Sent;
		return new Promise<Response>((answer, fail) => {
			saves.push({ sent, answer, fail: () => fail(new TypeError("the connection broke")) });
		});
	});
});
afterEach(() => {
	vi.useRealTimers();
	vi.unstubAllGlobals();
});

const passes = (ms: number) => act(() => vi.advanceTimersByTimeAsync(ms));

async function opened() {
	const queries = new QueryClient({ defaultOptions: { queries: { retry: false } } });
	const wrapper = ({ children }: { children: ReactNode }) => (
		<QueryClientProvider client={queries}>{children}</QueryClientProvider>
	);
	const hook = renderHook(() => useProduction("p"), { wrapper });
	await passes(1);
	expect(hook.result.current.revision).toBe(3);
	const write = (heading: string) =>
		act(() => hook.result.current.change({ document: productionOf(["s", heading, []]) }));
	return { ...hook, write };
}

/** The save that waits for its answer, after so many were sent. */
function waiting(number: number): Answering {
	expect(saves).toHaveLength(number);
	return saves[number - 1] as Answering;
}

describe("a production that is kept", () => {
	it("is saved on the revision of the last answer, even where that is not rendered yet", async () => {
		const { result, write } = await opened();
		write("The tide room");
		await passes(400);
		write("The tide");
		await passes(349);
		await act(async () => {
			waiting(1).answer(Response.json(stored(4, waiting(1).sent.document)));
			await vi.advanceTimersByTimeAsync(1); // the timer of the second change rings before anything is rendered
		});
		await passes(400);
		expect(waiting(2).sent).toMatchObject({ revision: 4, document: { script: { scenes: [{ heading: "The tide" }] } } });
		waiting(2).answer(Response.json(stored(5, waiting(2).sent.document)));
		await passes(1000);
		expect(saves).toHaveLength(2);
		expect(result.current.keeping.state).toBe("kept");
	});

	it("knows its own save where only the answer was lost, and goes on from there", async () => {
		const { result, write } = await opened();
		write("The tide room");
		await passes(400);
		const { sent, fail } = waiting(1);
		fail();
		await passes(1);
		expect(result.current.keeping.state).toBe("lost");
		write("The tide");
		await passes(4100);
		const current = stored(4, sent.document);
		waiting(2).answer(Response.json({ detail: "Stale.", kind: "StaleSave", current }, { status: 409 }));
		await passes(1);
		await passes(400);
		expect(waiting(3).sent).toMatchObject({ revision: 4, document: { script: { scenes: [{ heading: "The tide" }] } } });
		waiting(3).answer(Response.json(stored(5, waiting(3).sent.document)));
		await passes(1);
		expect(result.current.keeping.state).toBe("kept");
	});

	it("asks where another window saved something else", async () => {
		const { result, write } = await opened();
		write("The tide room");
		await passes(400);
		waiting(1).fail();
		await passes(1);
		await passes(4100);
		const current = stored(4, productionOf(["s", "The harbour", []]));
		waiting(2).answer(Response.json({ detail: "Stale.", kind: "StaleSave", current }, { status: 409 }));
		await passes(5000);
		expect(saves).toHaveLength(2);
		expect(result.current.keeping).toMatchObject({ state: "stale", theirs: { revision: 4 } });
	});

	it("says when everything is kept, or that it is not", async () => {
		const { result, write } = await opened();
		expect(await result.current.settled()).toBe(true);
		write("The tide room");
		const said: boolean[] = [];
		void result.current.settled().then((kept) => said.push(kept)); // at once, without waiting for the timer
		await passes(1);
		expect(said).toEqual([]);
		waiting(1).answer(Response.json(stored(4, waiting(1).sent.document)));
		await passes(1);
		expect(said).toEqual([true]);
		write("The tide");
		void result.current.settled().then((kept) => said.push(kept));
		await passes(1);
		waiting(2).fail();
		await passes(1);
		expect(said).toEqual([true, false]);
	});
});
