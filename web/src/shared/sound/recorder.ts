/** What the microphone is doing. */
export type Hearing =
	| { state: "off" }
	| { state: "asking" }
	| { state: "counting"; left: number }
	| { state: "recording"; seconds: number; level: number; levels: number[] }
	| { state: "done"; sound: Blob; seconds: number; cut: string }
	| { state: "refused"; says: string };

const COUNT = 3;
const TICK_MS = 50;
const LONGEST_SECONDS = 600;

/** Why the microphone cannot be heard, and what to do. */
export function microphoneProblem(error: unknown): string {
	const name = error instanceof DOMException ? error.name : "";
	if (name === "NotAllowedError" || name === "SecurityError") {
		return "The browser has no leave to use the microphone. Allow it beside the address, then try again.";
	}
	if (name === "NotFoundError") return "No microphone is connected. Connect one, then try again.";
	if (name === "NotReadableError") return "Another program holds the microphone. Close it, then try again.";
	return "The microphone cannot be used here. Upload a recording instead.";
}

/** Records from the microphone after a count; tells level and time while it does. */
export class Recorder {
	private stream: MediaStream | null = null;
	private media: MediaRecorder | null = null;
	private context: AudioContext | null = null;
	private timer = 0;
	private cut = "";
	private begun = 0;

	constructor(private readonly tell: (hearing: Hearing) => void) {}

	/** Ask for the microphone, count down, record. */
	async start(count = COUNT): Promise<void> {
		this.close();
		this.tell({ state: "asking" });
		try {
			if (!navigator.mediaDevices) throw new Error("no microphones here");
			this.stream = await navigator.mediaDevices.getUserMedia({
				// what the browser would do to a voice on the telephone spoils a recording
				audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false, channelCount: 1 },
			});
		} catch (error) {
			this.tell({ state: "refused", says: microphoneProblem(error) });
			return;
		}
		const track = this.stream.getAudioTracks()[0];
		track?.addEventListener("ended", () => {
			this.cut = "The microphone went away. What was recorded until then is kept.";
			this.stop();
		});
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
		if (!this.stream) return;
		const pieces: Blob[] = [];
		const levels: number[] = [];
		this.context = new AudioContext();
		const analyser = this.context.createAnalyser();
		analyser.fftSize = 2048;
		this.context.createMediaStreamSource(this.stream).connect(analyser);
		const samples = new Float32Array(analyser.fftSize);
		this.media = new MediaRecorder(this.stream, { audioBitsPerSecond: 192_000 });
		this.media.ondataavailable = (event) => pieces.push(event.data);
		this.media.onstop = () => {
			const seconds = (performance.now() - this.begun) / 1000;
			const type = this.media?.mimeType ?? "audio/webm";
			const cut = this.cut;
			this.close();
			this.tell({ state: "done", sound: new Blob(pieces, { type }), seconds, cut });
		};
		this.media.start(250);
		this.begun = performance.now();
		this.timer = window.setInterval(() => {
			analyser.getFloatTimeDomainData(samples);
			const level = decibels(samples);
			levels.push(level);
			const seconds = (performance.now() - this.begun) / 1000;
			this.tell({ state: "recording", seconds, level, levels: [...levels] });
			if (seconds > LONGEST_SECONDS) {
				this.cut = "Ten minutes are as much as can be recorded at once.";
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
		for (const track of this.stream?.getTracks() ?? []) track.stop();
		if (this.context && this.context.state !== "closed") void this.context.close();
		this.stream = null;
		this.context = null;
		this.media = null;
		this.cut = "";
	}
}

/** Level in dB full scale; -100 is silence. */
export function decibels(samples: Float32Array): number {
	let sum = 0;
	for (const sample of samples) sum += sample * sample;
	return Math.max(-100, 10 * Math.log10(sum / Math.max(1, samples.length) + 1e-10));
}
