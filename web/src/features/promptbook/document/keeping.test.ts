import { describe, expect, it } from "vitest";
import { type KeepingAction, type KeepingState, NOT_OPENED, type Production, reduce } from "./keeping";
import { productionOf } from "./testing";

const document = productionOf(["s", "The pier", []]);
const other = productionOf(["s", "The tide room", []]);
const production = (revision: number, title = "The pier"): Production => ({
	id: "p",
	title,
	revision,
	updated_at: "2026-01-01T00:00:00Z",
	document,
	notes: [],
});

const reached = (...actions: KeepingAction[]): KeepingState => actions.reduce(reduce, NOT_OPENED);
const OPENED: KeepingAction = { type: "opened", production: production(3), draft: null };
const CHANGED: KeepingAction = { type: "changed", document: other };

describe("keeping a production", () => {
	it("begins with what the server has", () => {
		expect(reached(OPENED)).toEqual({
			title: "The pier",
			document,
			revision: 3,
			keeping: { state: "kept", at: null },
			unsaved: 0,
		});
	});

	it("goes on with a draft; one made on an earlier revision is sent as that, so that both are compared", () => {
		const draft = { title: "Draft", document: other, revision: 3 };
		const held = reached({ type: "opened", production: production(3), draft });
		expect(held).toMatchObject({ title: "Draft", document: other, unsaved: 1, keeping: { state: "keeping" } });
		const later = reached({ type: "opened", production: production(4), draft });
		expect(later).toMatchObject({ title: "Draft", document: other, revision: 3, unsaved: 1 });
		const refused = reduce(later, { type: "stale", theirs: production(4), detail: "" });
		expect(refused.keeping).toMatchObject({ state: "stale", theirs: { revision: 4 } });
		expect(refused.document).toBe(other);
	});

	it("counts changes until they are kept", () => {
		const two = reached(OPENED, CHANGED, { type: "changed", title: "Another" });
		expect(two).toMatchObject({ unsaved: 2, title: "Another", document: other, keeping: { state: "keeping" } });
		const kept = reduce(two, { type: "kept", production: production(4), changes: 2 });
		expect(kept).toMatchObject({ unsaved: 0, revision: 4, keeping: { state: "kept" } });
		expect(kept.document).toBe(other);
	});

	it("is not kept while something was written meanwhile", () => {
		const meanwhile = reached(OPENED, CHANGED, { type: "sending" }, { type: "changed", title: "More" });
		const kept = reduce(meanwhile, { type: "kept", production: production(4), changes: 1 });
		expect(kept).toMatchObject({ unsaved: 1, revision: 4, title: "More", keeping: { state: "keeping" } });
	});

	it("says since when the server is away, and how much waits", () => {
		const [first, later] = [new Date(1000), new Date(9000)];
		const away = reached(OPENED, CHANGED, { type: "lost", at: first });
		expect(away.keeping).toEqual({ state: "lost", since: first, changes: 1 });
		const longer = reduce(reduce(away, CHANGED), { type: "lost", at: later });
		expect(longer.keeping).toEqual({ state: "lost", since: first, changes: 2 });
		expect(reduce(longer, { type: "sending" }).keeping.state).toBe("lost");
		expect(reduce(longer, { type: "kept", production: production(4), changes: 2 }).keeping.state).toBe("kept");
	});

	it("stays stale whatever is written, until one of both is taken", () => {
		const theirs = production(7, "Theirs");
		const stale = reached(OPENED, CHANGED, { type: "stale", theirs, detail: "changed elsewhere" });
		expect(reduce(stale, CHANGED).keeping.state).toBe("stale");
		const mine = reduce(stale, { type: "mine", revision: 7 });
		expect(mine).toMatchObject({ revision: 7, unsaved: 1, document: other, keeping: { state: "keeping" } });
		const taken = reduce(stale, { type: "theirs", production: theirs });
		expect(taken).toMatchObject({ title: "Theirs", revision: 7, unsaved: 0, document, keeping: { state: "kept" } });
	});

	it("keeps what was written when it is refused", () => {
		const refused = reached(OPENED, CHANGED, { type: "refused", detail: "too big" });
		expect(refused).toMatchObject({ document: other, unsaved: 1, keeping: { state: "refused", detail: "too big" } });
	});

	it("never changes a state that was", () => {
		const state = Object.freeze(reached(OPENED, CHANGED));
		for (const action of [CHANGED, { type: "sending" }, { type: "lost", at: new Date() }] as KeepingAction[]) {
			expect(reduce(state, action)).not.toBe(state);
		}
		expect(state.unsaved).toBe(1);
	});
});
