/** Where a recording comes from. `longest`: it is stopped by itself after so many seconds. */
export type Source = {
	/** Asks for leave, and opens what is recorded together. Rejects where there is none. */
	open: () => Promise<MediaStream[]>;
	/** Why it cannot be used, by the name of the browser's error, and what to do. */
	problems: Readonly<Record<string, string>>;
	otherwise: string;
	longest: number;
	/** What is said when it goes away while it is recorded; "" where that is how a recording ends. */
	lost: string;
};

const MICROPHONE_SOUND: MediaTrackConstraints = {
	// what the browser would do to a voice on the telephone spoils a recording
	echoCancellation: false,
	noiseSuppression: false,
	autoGainControl: false,
	channelCount: 1,
};
const TEN_MINUTES = 600;
const TWENTY_MINUTES = 1200;

function devices(): MediaDevices {
	if (!navigator.mediaDevices) throw new Error("nothing can be recorded here");
	return navigator.mediaDevices;
}

export const MICROPHONE: Source = {
	open: async () => [await devices().getUserMedia({ audio: MICROPHONE_SOUND })],
	problems: {
		NotAllowedError: "The browser has no leave to use the microphone. Allow it beside the address, then try again.",
		NotFoundError: "No microphone is connected. Connect one, then try again.",
		NotReadableError: "Another program holds the microphone. Close it, then try again.",
	},
	otherwise: "The microphone cannot be used here. Upload a recording instead.",
	longest: TEN_MINUTES,
	lost: "The microphone went away. What was recorded until then is kept.",
};

/** The camera, with its microphone. */
export const CAMERA: Source = {
	open: async () => [
		await devices().getUserMedia({
			video: { width: { ideal: 1920 }, height: { ideal: 1080 }, frameRate: { ideal: 30 } },
			audio: MICROPHONE_SOUND,
		}),
	],
	problems: {
		NotAllowedError: "The browser has no leave to use the camera. Allow it beside the address, then try again.",
		NotFoundError: "No camera with a microphone is connected. Connect one, then try again.",
		NotReadableError: "Another program holds the camera. Close it, then try again.",
	},
	otherwise: "The camera cannot be used here. Drop a clip on the shelf instead.",
	longest: TWENTY_MINUTES,
	lost: "The camera went away. What was recorded until then is kept.",
};

/** The screen, a window or a tab, as the browser lets one choose; with one's own voice on request. */
export function screenSource(withVoice: boolean): Source {
	return {
		open: async () => {
			const screen = await devices().getDisplayMedia({ video: { frameRate: { ideal: 30 } }, audio: true });
			if (!withVoice) return [screen];
			try {
				return [screen, await devices().getUserMedia({ audio: MICROPHONE_SOUND })];
			} catch (error) {
				for (const track of screen.getTracks()) track.stop();
				throw error;
			}
		},
		problems: {
			NotAllowedError: withVoice
				? "The screen or the microphone was not allowed. Begin again and allow both, or leave your voice out."
				: "No screen was chosen. Begin again, and choose a screen, a window or a tab.",
			NotFoundError: withVoice
				? "No microphone is connected. Connect one, or leave your voice out."
				: "There is no screen that can be recorded.",
			NotReadableError: "The system does not give that screen away. Choose another window, or allow it there.",
		},
		otherwise: "The screen cannot be recorded here. Drop a clip on the shelf instead.",
		longest: TWENTY_MINUTES,
		lost: "",
	};
}

/** Why a source cannot be used, and what to do. */
export function sourceProblem(source: Source, error: unknown): string {
	const name = error instanceof DOMException ? error.name : "";
	return source.problems[name === "SecurityError" ? "NotAllowedError" : name] ?? source.otherwise;
}
