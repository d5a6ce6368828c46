import { playhead } from "../document/playhead";
import { ProofTrack } from "./proofTrack";

const PICTURE = 'video/mp4; codecs="avc1.64001E"';
const SOUND = 'audio/mp4; codecs="flac"';
/** Seconds to have in hand before the next scene is asked for. */
const AHEAD = 12;
/** Seconds in hand that last until another sound has come. */
const BRIDGE = 2.5;
/** Milliseconds without anything to play after which one is told. */
const SOON = 400;
/** Seconds at the beginning of what was laid from which they were taken back. */
const GONE = 0.1;

/** A part of what is played: a scene from `at` seconds on, where its picture and its sound are found. */
export type Part = { sceneId: string; picture: string; sound: string; at: number };
/** From one moment to another, over and over. */
export type Loop = { sceneId: string; from: number; to: number };

type Laid = { sceneId: string; at: number; start: number };
/** What is played; it is being laid until the last picture is there. */
type Film = {
	parts: Part[];
	source: MediaSource;
	picture: ProofTrack;
	sound: ProofTrack;
	abort: AbortController;
	isBeingLaid: boolean;
};

/** Plays scenes as they are made: proofs are streamed into one video element, scene after scene without a gap. */
export class ProofPlayer {
	private film: Film | null = null;
	/** What ends what is played before there is a film of it, too. */
	private abort: AbortController | null = null;
	/** Where each scene's sound is found now. */
	private sounds = new Map<string, string>();
	private laid: Laid[] = [];
	private frame = 0;
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
		this.sounds = new Map(parts.map(({ sceneId, sound }) => [sceneId, sound]));
		this.laid = [];
		const abort = new AbortController();
		this.abort = abort;
		playhead.set({ sceneId: first.sceneId, at: first.at, playing: true });
		const source = new MediaSource();
		this.url = URL.createObjectURL(source);
		this.video.src = this.url;
		this.watch();
		await this.minding(abort.signal, async () => {
			await new Promise((resolve) => source.addEventListener("sourceopen", resolve, { once: true }));
			if (abort.signal.aborted) return;
			const [picture, sound] = [PICTURE, SOUND].map((mime) => new ProofTrack(source, mime, () => this.start()));
			if (!picture || !sound) return;
			this.film = { parts, source, picture, sound, abort, isBeingLaid: true };
			await this.lay(this.film);
		});
	}

	/**
	 * Go on without a pause with what is heard otherwise from now on: `partsFrom` a moment of a scene, as long as before.
	 * Their sound comes over what was laid, the picture stays. What is repeated is laid as a whole.
	 */
	async goOn(partsFrom: (sceneId: string, at: number) => Part[]): Promise<void> {
		const { film, loop, laid } = this;
		const from = loop ? 0 : this.video.currentTime;
		const there = laid.findLast(({ start }) => start <= from);
		if (!film || !there) {
			const { sceneId, at } = playhead.get();
			if (sceneId) await this.play(partsFrom(sceneId, at), loop);
			return;
		}
		const now = partsFrom(there.sceneId, there.at + from - there.start);
		const runs = now.flatMap(({ sceneId, sound }, index) => {
			this.sounds.set(sceneId, sound);
			const start = index === 0 ? from : laid.find((one) => one.sceneId === sceneId)?.start;
			return start === undefined ? [] : [{ address: sound, start }];
		});
		// what is still made of the old would slow the new down; with little in hand it has to go on until that is there
		const enough = film.sound.end - this.video.currentTime > BRIDGE * this.video.playbackRate;
		await this.minding(film.abort.signal, async () => {
			await film.sound.lay(runs, film.abort.signal, enough);
			await this.finish(film);
		});
	}

	/** Lay parts one after the other, each once little enough lies ahead; picture and sound at the same moment. */
	private async lay(film: Film): Promise<void> {
		const { picture, sound, abort } = film;
		for (const { sceneId, at, picture: address } of film.parts) {
			if (this.laid.length) await this.room(abort.signal);
			await sound.settled();
			const start = picture.end;
			this.laid.push({ sceneId, at, start });
			await Promise.all([
				picture.lay([{ address, start }], abort.signal),
				sound.lay([{ address: this.sounds.get(sceneId) ?? "", start }], abort.signal),
			]);
		}
		film.isBeingLaid = false;
		await this.finish(film);
	}

	/** Say that nothing more comes, once that is so. */
	private async finish(film: Film): Promise<void> {
		const { source, sound, abort } = film;
		await sound.settled();
		if (film.isBeingLaid || abort.signal.aborted || source.readyState !== "open") return;
		source.endOfStream();
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
		playhead.set({ playing: false, waiting: false });
	}

	/** A stretch that is repeated is all there is in the video, unless the browser had no room for all of it. */
	private rewind(): void {
		const { buffered } = this.video;
		if (this.film && buffered.length && buffered.start(0) > GONE) {
			const parts = this.film.parts.map((part) => ({ ...part, sound: this.sounds.get(part.sceneId) ?? part.sound }));
			this.play(parts, this.loop);
			return;
		}
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
		this.abort = this.film = null;
		cancelAnimationFrame(this.frame);
		this.video.pause();
		if (this.url) URL.revokeObjectURL(this.url);
		this.url = "";
	}

	private watch(): void {
		let ready = performance.now();
		const step = () => {
			const now = this.video.currentTime;
			if (this.video.readyState > 2) ready = performance.now();
			const waiting = performance.now() - ready > SOON;
			if (waiting !== playhead.get().waiting) playhead.set({ waiting });
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
