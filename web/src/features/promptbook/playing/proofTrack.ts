/** Something to lay, and from which second of the video on. */
export type Run = { address: string; start: number };

/** How long to wait before what had no room is appended again. */
const NO_ROOM_MS = 200;

type Pieces = AsyncGenerator<Uint8Array<ArrayBuffer>>;

/** One kind of what is played, picture or sound, as it comes: later runs lie over earlier ones. */
export class ProofTrack {
	/** What is being laid. */
	private going: AbortController | null = null;
	/** What is asked for and not there yet. */
	private coming: AbortController | null = null;
	private work: Promise<void> = Promise.resolve();
	private readonly buffer: SourceBuffer;

	constructor(
		private readonly source: MediaSource,
		mime: string,
		private readonly onLaid: () => void,
	) {
		this.buffer = source.addSourceBuffer(mime);
	}

	/** The second at which what was laid ends. */
	get end(): number {
		const { buffered } = this.buffer;
		return buffered.length ? buffered.end(buffered.length - 1) : 0;
	}

	/**
	 * Lay runs one after the other. What was being laid goes on until the first of them is there, or makes room `atOnce`;
	 * whoever waits for it is let go without an error.
	 */
	lay(runs: Run[], signal: AbortSignal, atOnce = false): Promise<void> {
		const laying = this.laid(runs, signal, atOnce);
		this.work = laying.catch(() => {});
		return laying;
	}

	/** Once nothing is being laid. */
	async settled(): Promise<void> {
		for (let work: Promise<void> | null = null; work !== this.work; ) {
			work = this.work;
			await work;
		}
	}

	private async laid(runs: Run[], signal: AbortSignal, atOnce: boolean): Promise<void> {
		const { buffer, going: before } = this;
		const mine = new AbortController();
		this.coming?.abort();
		this.coming = mine;
		if (atOnce) before?.abort();
		const either = AbortSignal.any([signal, mine.signal]);
		try {
			for (const [index, { address, start }] of runs.entries()) {
				const pieces = await opened(address, either);
				if (index === 0) {
					before?.abort();
					this.going = mine;
					this.coming = null;
				}
				await idle(buffer);
				either.throwIfAborted();
				// what came before may have ended in the middle of a piece
				if (this.source.readyState === "open") buffer.abort();
				buffer.timestampOffset = start;
				for await (const piece of pieces) {
					await appended(buffer, piece, either);
					this.onLaid();
				}
			}
		} catch (error) {
			if (!mine.signal.aborted) throw error;
		} finally {
			if (this.going === mine) this.going = null;
		}
	}
}

/** A film as it comes, its first piece in hand. */
async function opened(address: string, signal: AbortSignal): Promise<Pieces> {
	const answer = await fetch(address, { signal });
	if (!answer.ok || !answer.body) throw new Error((await answer.json()).detail ?? "The scene cannot be played.");
	const reader = answer.body.getReader();
	const first = await reader.read();
	return (async function* () {
		for (let read = first; !read.done; read = await reader.read()) yield read.value;
	})();
}

/** Once nothing is being appended. */
function idle(buffer: SourceBuffer): Promise<void> {
	if (!buffer.updating) return Promise.resolve();
	return new Promise((resolve) => buffer.addEventListener("updateend", () => resolve(), { once: true }));
}

/** Append a piece; while the browser has no room for more, wait until some of what lies there was played. */
async function appended(buffer: SourceBuffer, piece: Uint8Array<ArrayBuffer>, signal: AbortSignal): Promise<void> {
	for (;;) {
		signal.throwIfAborted();
		try {
			buffer.appendBuffer(piece);
			break;
		} catch (error) {
			if (!(error instanceof DOMException) || error.name !== "QuotaExceededError") throw error;
			await new Promise((resolve) => setTimeout(resolve, NO_ROOM_MS));
		}
	}
	await new Promise<void>((resolve, reject) => {
		buffer.addEventListener("updateend", () => resolve(), { once: true });
		buffer.addEventListener("error", () => reject(new Error("The scene could not be shown.")), { once: true });
	});
}
