import { MICROPHONE, type Source, sourceProblem } from "./sources";

/** What a recorder is doing. Levels in dB full scale, none of what is silent. */
export type Recording =
	| { state: "off" }
	| { state: "asking" }
	| { state: "counting"; left: number }
	| { state: "recording"; seconds: number; levels: number[] }
	| { state: "done"; file: Blob; seconds: number; cut: string }
	| { state: "refused"; says: string };

const COUNT = 3;
const TICK_MS = 50;
const SOUND_BITS = 192_000;
/** A recording of the longest time is no larger than what the shelf takes. */
const PICTURE_BITS = 6_000_000;

/** Records a source after a count; tells level and time while it does. */
export class Recorder {
	private streams: MediaStream[] = [];
	private media: MediaRecorder | null = null;
	private context: AudioContext | null = null;
	private timer = 0;
	private cut = "";
	private begun = 0;

	constructor(
		private readonly tell: (recording: Recording) => void,
		private source: Source = MICROPHONE,
	) {}

	/** What is seen by what is recorded, to be looked at meanwhile. */
	get picture(): MediaStream | null {
		return this.streams.find((stream) => stream.getVideoTracks().length > 0) ?? null;
	}

	/** Ask for the source, count down, record. */
	async start(count = COUNT, source = this.source): Promise<void> {
		this.close();
		this.source = source;
		this.tell({ state: "asking" });
		try {
			this.streams = await source.open();
		} catch (error) {
			this.tell({ state: "refused", says: sourceProblem(source, error) });
			return;
		}
		for (const track of this.streams[0]?.getTracks() ?? []) {
			track.addEventListener("ended", () => {
				this.cut = source.lost;
				this.stop();
			});
		}
		this.countDown(count);
	}

	private countDown(left: number): void {
		if (left <= 0) {
			this.record();
			return;
		}
		this.tell({ state: "counting", left });
		this.timer = window.setTimeout(() => this.countDown(left - 1), 700);
	}

	private record(): void {
		const pieces: Blob[] = [];
		const levels: number[] = [];
		this.context = new AudioContext();
		const { recorded, analyser } = mixed(this.streams, this.context);
		const samples = new Float32Array(analyser.fftSize);
		this.media = new MediaRecorder(recorded, { audioBitsPerSecond: SOUND_BITS, videoBitsPerSecond: PICTURE_BITS });
		this.media.ondataavailable = (event) => pieces.push(event.data);
		this.media.onstop = () => {
			const seconds = (performance.now() - this.begun) / 1000;
			const type = this.media?.mimeType ?? "";
			const cut = this.cut;
			this.close();
			this.tell({ state: "done", file: new Blob(pieces, { type }), seconds, cut });
		};
		this.media.start(250);
		this.begun = performance.now();
		const hasSound = recorded.getAudioTracks().length > 0;
		this.timer = window.setInterval(() => {
			analyser.getFloatTimeDomainData(samples);
			if (hasSound) levels.push(decibels(samples));
			const seconds = (performance.now() - this.begun) / 1000;
			this.tell({ state: "recording", seconds, levels: [...levels] });
			if (seconds > this.source.longest) {
				this.cut = `${this.source.longest / 60} minutes are as much as can be recorded at once.`;
				this.stop();
			}
		}, TICK_MS);
	}

	/** End the recording; it comes as `done`. Before it began, nothing is kept. */
	stop(): void {
		if (this.media && this.media.state !== "inactive") this.media.stop();
		else this.cancel();
	}

	/** Let everything go. */
	cancel(): void {
		if (this.media) this.media.onstop = null;
		this.close();
		this.tell({ state: "off" });
	}

	private close(): void {
		window.clearTimeout(this.timer);
		window.clearInterval(this.timer);
		for (const track of this.streams.flatMap((stream) => stream.getTracks())) track.stop();
		if (this.context && this.context.state !== "closed") void this.context.close();
		this.streams = [];
		this.context = null;
		this.media = null;
		this.cut = "";
	}
}

/** What is recorded of several streams: their pictures, and their sounds as one, since recorders take no more. */
function mixed(streams: readonly MediaStream[], context: AudioContext) {
	const analyser = context.createAnalyser();
	analyser.fftSize = 2048;
	const pictures = streams.flatMap((stream) => stream.getVideoTracks());
	const sounding = streams.filter((stream) => stream.getAudioTracks().length > 0);
	const sounds = sounding.map((stream) => context.createMediaStreamSource(stream));
	for (const sound of sounds) sound.connect(analyser);
	if (sounding.length < 2) {
		const own = sounding.flatMap((stream) => stream.getAudioTracks());
		return { recorded: new MediaStream([...pictures, ...own]), analyser };
	}
	const together = context.createMediaStreamDestination();
	for (const sound of sounds) sound.connect(together);
	return { recorded: new MediaStream([...pictures, ...together.stream.getAudioTracks()]), analyser };
}

/** Level in dB full scale; -100 is silence. */
export function decibels(samples: Float32Array): number {
	let sum = 0;
	for (const sample of samples) sum += sample * sample;
	return Math.max(-100, 10 * Math.log10(sum / Math.max(1, samples.length) + 1e-10));
}
