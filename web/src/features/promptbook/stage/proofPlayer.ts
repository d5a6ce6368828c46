import { playhead } from "../playhead";

const MIME = 'video/mp4; codecs="avc1.64001E, mp4a.40.2"';

/** Plays scenes as they are made: a proof is streamed into the video element piece by piece. */
export class ProofPlayer {
	private abort: AbortController | null = null;
	private frame = 0;
	private from = 0;
	private url = "";

	constructor(
		private readonly video: HTMLVideoElement,
		private readonly onEnd: (sceneId: string) => void,
		private readonly onProblem: (sentence: string) => void,
	) {
		video.addEventListener("ended", () => this.finished());
	}

	/** Play a scene of a kept revision from `at` seconds on. */
	async play(address: string, sceneId: string, at: number): Promise<void> {
		this.halt();
		this.from = at;
		const abort = new AbortController();
		this.abort = abort;
		playhead.set({ sceneId, at, playing: true });
		const source = new MediaSource();
		this.url = URL.createObjectURL(source);
		this.video.src = this.url;
		this.watch();
		try {
			await new Promise((resolve) => source.addEventListener("sourceopen", resolve, { once: true }));
			const answer = await fetch(address, { signal: abort.signal });
			if (!answer.ok || !answer.body) throw new Error((await answer.json()).detail ?? "The scene cannot be played.");
			const buffer = source.addSourceBuffer(MIME);
			const reader = answer.body.getReader();
			let begun = false;
			for (;;) {
				const { done, value } = await reader.read();
				if (done) break;
				await append(buffer, value);
				if (!begun && this.video.readyState >= 2) {
					begun = true;
					await this.video.play();
				}
			}
			if (source.readyState === "open") source.endOfStream();
			if (!begun) await this.video.play();
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

	private halt(): void {
		this.abort?.abort();
		this.abort = null;
		cancelAnimationFrame(this.frame);
		this.video.pause();
		if (this.url) URL.revokeObjectURL(this.url);
		this.url = "";
	}

	private finished(): void {
		const { sceneId } = playhead.get();
		this.halt();
		this.onEnd(sceneId);
	}

	private watch(): void {
		const step = () => {
			if (this.video.readyState >= 2) playhead.set({ at: this.from + this.video.currentTime });
			this.frame = requestAnimationFrame(step);
		};
		this.frame = requestAnimationFrame(step);
	}
}

function append(buffer: SourceBuffer, piece: Uint8Array<ArrayBuffer>): Promise<void> {
	return new Promise((resolve, reject) => {
		buffer.addEventListener("updateend", () => resolve(), { once: true });
		buffer.addEventListener("error", () => reject(new Error("The picture could not be shown.")), { once: true });
		buffer.appendBuffer(piece);
	});
}
