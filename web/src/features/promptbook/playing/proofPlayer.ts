import { playhead } from "../document/playhead";

const MIME = 'video/mp4; codecs="avc1.64001E, mp4a.40.2"';
/** Seconds of picture to have in hand before the next scene is asked for. */
const AHEAD = 12;
/** Seconds in hand that last until something else has come. */
const BRIDGE = 2.5;
/** Seconds at most from now until what has changed sets in: as long as it took to come the last time. */
const SOON = 1.5;

/** A part of what is played: a scene from `at` seconds on. */
export type Part = { sceneId: string; address: string; at: number };
/** From one moment to another, over and over. */
export type Loop = { sceneId: string; from: number; to: number };

type Pieces = AsyncGenerator<Uint8Array<ArrayBuffer>>;
/** What comes over what was laid: from when on, and what to do once it is there. */
type Over = { from: number; takeOver: () => Promise<void> };
type Laid = { sceneId: string; at: number; start: number };

/** Plays scenes as they are made: proofs are streamed into one video element, scene after scene without a gap. */
export class ProofPlayer {
	private abort: AbortController | null = null;
	/** What is about to come over what is played. */
	private coming: AbortController | null = null;
	private frame = 0;
	private laid: Laid[] = [];
	private source: MediaSource | null = null;
	private buffer: SourceBuffer | null = null;
	private url = "";
	private loop: Loop | null = null;
	/** Seconds it took until the latest part began to come. */
	private takes = 0.2;

	constructor(
		private readonly video: HTMLVideoElement,
		private readonly onProblem: (sentence: string) => void,
	) {
		video.addEventListener("ended", () => (this.loop ? this.rewind() : this.stop()));
	}

	/** Half to twice the speed; voices keep their pitch. */
	set speed(rate: number) {
		this.video.defaultPlaybackRate = rate;
		this.video.playbackRate = rate;
	}

	/** The stretch that is repeated, if one is. */
	get repeated(): Loop | null {
		return this.loop;
	}

	/** Play parts one after the other; `loop` repeats a stretch of the first. */
	async play(parts: Part[], loop: Loop | null = null): Promise<void> {
		const first = parts[0];
		if (!first) return;
		this.halt();
		this.loop = loop;
		this.laid = [];
		const abort = new AbortController();
		this.abort = abort;
		playhead.set({ sceneId: first.sceneId, at: first.at, playing: true });
		const source = new MediaSource();
		this.source = source;
		this.url = URL.createObjectURL(source);
		this.video.src = this.url;
		this.watch();
		await this.minding(abort.signal, async () => {
			await new Promise((resolve) => source.addEventListener("sourceopen", resolve, { once: true }));
			this.buffer = source.addSourceBuffer(MIME);
			await this.lay(parts, abort.signal);
		});
	}

	/**
	 * Go on without a pause with what is heard otherwise from now on: `partsFrom` a moment of a scene, as long as before,
	 * come over what was laid. What is repeated is laid as a whole.
	 */
	async goOn(partsFrom: (sceneId: string, at: number) => Part[]): Promise<void> {
		const { buffer, loop, laid } = this;
		const soon = loop ? 0 : this.video.currentTime + Math.min(SOON, this.takes) * this.video.playbackRate;
		const there = laid.findLast(({ start }) => start <= soon);
		if (!buffer || !there) {
			const { sceneId, at } = playhead.get();
			if (sceneId) await this.play(partsFrom(sceneId, at), loop);
			return;
		}
		this.coming?.abort();
		const coming = new AbortController();
		this.coming = coming;
		const takeOver = async () => {
			this.abort?.abort();
			this.abort = coming;
			this.coming = null;
			await idle(buffer);
		};
		// what is still made of the old would slow the new down; with little in hand it has to go on until that is there
		if (this.ahead() > BRIDGE * this.video.playbackRate) this.abort?.abort();
		const parts = partsFrom(there.sceneId, there.at + soon - there.start);
		await this.minding(coming.signal, () => this.lay(parts, coming.signal, { from: soon, takeOver }));
	}

	/** Lay parts one after the other; or over what lies there from a moment on, each scene where it lay. */
	private async lay(parts: Part[], signal: AbortSignal, over?: Over): Promise<void> {
		const { source, buffer } = this;
		if (!source || !buffer) return;
		const lain = new Map<string, number>();
		for (const [index, part] of parts.entries()) {
			const start = index === 0 ? over?.from : lain.get(part.sceneId);
			if (start === undefined) await this.room(signal);
			const asked = performance.now();
			const pieces = await opened(part.address, signal);
			this.takes = (performance.now() - asked) / 1000;
			if (over && index === 0) {
				await over.takeOver();
				for (const one of this.laid) lain.set(one.sceneId, one.start);
				this.laid = this.laid.filter((one) => one.start <= over.from);
			}
			await this.append(buffer, part, pieces, start);
		}
		if (source.readyState === "open") source.endOfStream();
		this.start();
	}

	private async minding(signal: AbortSignal, doing: () => Promise<void>): Promise<void> {
		try {
			await doing();
		} catch (error) {
			if (signal.aborted) return;
			this.stop();
			this.onProblem(error instanceof Error ? error.message : String(error));
		}
	}

	/** Stop, and leave the playhead where it is. */
	stop(): void {
		this.halt();
		playhead.set({ playing: false });
	}

	private async append(buffer: SourceBuffer, part: Part, pieces: Pieces, over?: number): Promise<void> {
		const start = over ?? (buffer.buffered.length ? buffer.buffered.end(buffer.buffered.length - 1) : 0);
		buffer.timestampOffset = start;
		this.laid.push({ sceneId: part.sceneId, at: part.at, start });
		for await (const piece of pieces) {
			await appended(buffer, piece);
			this.start();
		}
	}

	/** A stretch that is repeated is all there is in the video. */
	private rewind(): void {
		this.video.currentTime = 0;
		this.start();
	}

	private start(): void {
		if (this.video.paused && this.video.readyState >= 2) this.video.play().catch(() => {});
	}

	/** Wait until little enough lies ahead: what is far off may still be changed. */
	private async room(signal: AbortSignal): Promise<void> {
		while (this.ahead() > AHEAD * this.video.playbackRate) {
			if (signal.aborted) throw signal.reason;
			await new Promise((resolve) => setTimeout(resolve, 200));
		}
	}

	/** Seconds in hand. */
	private ahead(): number {
		const { buffered, currentTime } = this.video;
		return buffered.length ? buffered.end(buffered.length - 1) - currentTime : 0;
	}

	private halt(): void {
		this.abort?.abort();
		this.coming?.abort();
		this.abort = this.coming = null;
		cancelAnimationFrame(this.frame);
		this.source = this.buffer = null;
		this.video.pause();
		if (this.url) URL.revokeObjectURL(this.url);
		this.url = "";
	}

	private watch(): void {
		const step = () => {
			const now = this.video.currentTime;
			const part = this.laid.findLast((laid) => laid.start <= now + 0.001);
			if (part && this.video.readyState >= 2) {
				const at = part.at + now - part.start;
				playhead.set({ sceneId: part.sceneId, at });
				if (this.loop && at >= this.loop.to) this.rewind();
			}
			this.frame = requestAnimationFrame(step);
		};
		this.frame = requestAnimationFrame(step);
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

function appended(buffer: SourceBuffer, piece: Uint8Array<ArrayBuffer>): Promise<void> {
	return new Promise((resolve, reject) => {
		buffer.addEventListener("updateend", () => resolve(), { once: true });
		buffer.addEventListener("error", () => reject(new Error("The picture could not be shown.")), { once: true });
		buffer.appendBuffer(piece);
	});
}
