import { playhead } from "../document/playhead";

const MIME = 'video/mp4; codecs="avc1.64001E, mp4a.40.2"';
/** Seconds of picture to have in hand before the next scene is asked for. */
const AHEAD = 12;

/** A part of what is played: a scene from `at` seconds on. */
export type Part = { sceneId: string; address: string; at: number };
/** From one moment to another, over and over. */
export type Loop = { sceneId: string; from: number; to: number };

type Laid = { sceneId: string; at: number; start: number };

/** Plays scenes as they are made: proofs are streamed into one video element, scene after scene without a gap. */
export class ProofPlayer {
	private abort: AbortController | null = null;
	private frame = 0;
	private laid: Laid[] = [];
	private url = "";
	private loop: Loop | null = null;

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
		this.url = URL.createObjectURL(source);
		this.video.src = this.url;
		this.watch();
		try {
			await new Promise((resolve) => source.addEventListener("sourceopen", resolve, { once: true }));
			const buffer = source.addSourceBuffer(MIME);
			for (const part of parts) {
				await this.room(abort.signal);
				await this.append(buffer, part, abort.signal);
			}
			if (source.readyState === "open") source.endOfStream();
			this.start();
		} catch (error) {
			if (abort.signal.aborted) return;
			this.stop();
			this.onProblem(error instanceof Error ? error.message : String(error));
		}
	}

	/** Stop, and leave the playhead where it is. */
	stop(): void {
		this.halt();
		playhead.set({ playing: false });
	}

	private async append(buffer: SourceBuffer, part: Part, signal: AbortSignal): Promise<void> {
		const answer = await fetch(part.address, { signal });
		if (!answer.ok || !answer.body) throw new Error((await answer.json()).detail ?? "The scene cannot be played.");
		const start = buffer.buffered.length ? buffer.buffered.end(buffer.buffered.length - 1) : 0;
		buffer.timestampOffset = start;
		this.laid.push({ sceneId: part.sceneId, at: part.at, start });
		const reader = answer.body.getReader();
		for (;;) {
			const { done, value } = await reader.read();
			if (done) return;
			await appended(buffer, value);
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
		const { video } = this;
		const ahead = () => (video.buffered.length ? video.buffered.end(video.buffered.length - 1) - video.currentTime : 0);
		while (ahead() > AHEAD * video.playbackRate) {
			if (signal.aborted) throw signal.reason;
			await new Promise((resolve) => setTimeout(resolve, 200));
		}
	}

	private halt(): void {
		this.abort?.abort();
		this.abort = null;
		cancelAnimationFrame(this.frame);
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

function appended(buffer: SourceBuffer, piece: Uint8Array<ArrayBuffer>): Promise<void> {
	return new Promise((resolve, reject) => {
		buffer.addEventListener("updateend", () => resolve(), { once: true });
		buffer.addEventListener("error", () => reject(new Error("The picture could not be shown.")), { once: true });
		buffer.appendBuffer(piece);
	});
}
