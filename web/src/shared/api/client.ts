import createFetch from "openapi-fetch";
import type { components, paths } from "./schema";

export type Schemas = components["schemas"];

export const api = createFetch<paths>({
	baseUrl: `${window.location.origin}/`,
	fetch: (request) => globalThis.fetch(request),
});

api.use({
	onRequest({ request }) {
		const token = document.cookie.match(/csrftoken=([^;]+)/)?.[1];
		if (token) request.headers.set("X-CSRFToken", token);
		return request;
	},
});

/** What the server said was wrong, in its own words. */
export class Refused extends Error {
	constructor(
		message: string,
		readonly kind: string,
		readonly status: number,
	) {
		super(message);
	}
}

/** The server did not answer at all. */
export class Unreachable extends Error {}

type Answer<T> = { data?: T; error?: unknown; response: Response };

/** The data of an answer, or a Refused with the server's sentence, or an Unreachable. */
export async function ask<T>(answer: Promise<Answer<T>>): Promise<T> {
	let got: Answer<T>;
	try {
		got = await answer;
	} catch {
		throw new Unreachable("Dear Host does not answer.");
	}
	if (got.response.ok) return got.data as T;
	if (got.response.status >= 502) throw new Unreachable("Dear Host does not answer.");
	const said = got.error as { detail?: string; kind?: string } | undefined;
	throw new Refused(
		typeof said?.detail === "string" ? said.detail : `The server refused this (${got.response.status}).`,
		said?.kind ?? "",
		got.response.status,
	);
}

/** Send a file by itself and read the answer. */
export async function sendFile<T>(address: string, file: Blob, name: string): Promise<T> {
	const body = new FormData();
	body.append("file", file, name);
	const token = document.cookie.match(/csrftoken=([^;]+)/)?.[1] ?? "";
	const answer = fetch(address, { method: "POST", body, headers: { "X-CSRFToken": token } });
	return ask<T>(
		answer.then(async (response) => {
			const read: unknown = await response.json().catch(() => undefined);
			return response.ok ? { data: read as T, response } : { error: read, response };
		}),
	);
}

/** What to tell a person about any error. */
export function sentence(error: unknown): string {
	return error instanceof Error ? error.message : String(error);
}
