import { afterEach, beforeEach, describe, expect, test, vi } from "vitest";

import { playhead } from "../document/playhead";
import { type Part, ProofPlayer } from "./proofPlayer";

/** A piece of a film: so many seconds of it, told apart by a letter. */
type Piece = { seconds: number; of: string };

/** What lies in the video: which part covers which seconds, the later laid over the earlier. */
class FakeBuffer extends EventTarget {
	timestampOffset = 0;
	updating = false;
	full = false;
	gone = 0;
	readonly laid: { from: number; to: number; of: string }[] = [];
	private within = 0;
	private last = "";

	get end(): number {
		return Math.max(0, ...this.laid.map(({ to }) => to));
	}
	get buffered() {
		const { end } = this;
		return { length: end ? 1 : 0, start: () => this.gone, end: () => end };
	}
	appendBuffer(bytes: Uint8Array) {
		if (this.updating) throw new Error("InvalidStateError");
		if (this.full) throw new DOMException("no room", "QuotaExceededError");
		const { seconds, of } = JSON.parse(new TextDecoder().decode(bytes)) as Piece;
		const key = `${of}@${this.timestampOffset}`;
		if (key !== this.last) this.within = 0;
		this.last = key;
		const from = this.timestampOffset + this.within;
		this.laid.push({ from, to: from + seconds, of });
		this.within += seconds;
		this.updating = true;
		queueMicrotask(() => {
			this.updating = false;
			this.dispatchEvent(new Event("updateend"));
		});
	}
	abort() {
		if (this.updating || FakeSource.latest.readyState !== "open") throw new Error("InvalidStateError");
	}
	/** What is heard or seen at a moment. */
	at(moment: number): string {
		return this.laid.findLast(({ from, to }) => from <= moment && moment < to)?.of ?? "";
	}
}

class FakeSource extends EventTarget {
	static latest: FakeSource;
	readyState = "closed";
	readonly picture = new FakeBuffer();
	readonly sound = new FakeBuffer();
	constructor() {
		super();
		FakeSource.latest = this;
		setTimeout(() => {
			this.readyState = "open";
			this.dispatchEvent(new Event("sourceopen"));
		});
	}
	addSourceBuffer(mime: string) {
		return mime.startsWith("video") ? this.picture : this.sound;
	}
	endOfStream() {
		this.readyState = "ended";
	}
}

let ready = 4;

/** A video that shows what was laid, and stays where it is put. */
function fakeVideo() {
	const video = document.createElement("video");
	let now = 0;
	ready = 4;
	Object.defineProperties(video, {
		currentTime: { get: () => now, set: (moment: number) => (now = moment) },
		buffered: { get: () => FakeSource.latest.sound.buffered },
		readyState: { get: () => ready },
		play: { value: () => Promise.resolve() },
		pause: { value: () => {} },
	});
	return video;
}

/** Addresses are "letter:seconds:seconds…", a piece each; what is asked for, in order. */
let asked: string[] = [];
let stopped: string[] = [];

function answer(address: string, { signal }: { signal: AbortSignal }): Promise<Response> {
	asked.push(address);
	signal.addEventListener("abort", () => stopped.push(address));
	const [of = "", ...pieces] = address.split(":");
	if (of === "bad") return Promise.resolve(new Response('{"detail": "No voice."}', { status: 422 }));
	const body = new ReadableStream({
		start(controller) {
			signal.addEventListener("abort", () => controller.error(signal.reason));
			for (const seconds of pieces) {
				if (seconds === "goes-on") return; // more of it is still to come
				controller.enqueue(new TextEncoder().encode(JSON.stringify({ of, seconds: Number(seconds) })));
			}
			controller.close();
		},
	});
	return Promise.resolve(new Response(body));
}

/** A part whose picture lasts as long as its sound, unless that is told. */
const part = (sceneId: string, sound: string, at = 0, picture = sound.replace(":goes-on", ":6")): Part => ({
	sceneId,
	at,
	sound,
	picture: `p-${picture}`,
});
const sounds = () => asked.filter((address) => !address.startsWith("p-"));
const pictures = () => asked.filter((address) => address.startsWith("p-"));
const settled = () => new Promise((resolve) => setTimeout(resolve, 30));

describe("playing proofs", () => {
	const problems: string[] = [];
	let video: HTMLVideoElement;
	let player: ProofPlayer;

	beforeEach(() => {
		asked = [];
		stopped = [];
		problems.length = 0;
		vi.stubGlobal("MediaSource", FakeSource);
		vi.stubGlobal("fetch", answer);
		URL.createObjectURL = () => "blob:film";
		URL.revokeObjectURL = () => {};
		video = fakeVideo();
		player = new ProofPlayer(video, (sentence) => problems.push(sentence));
	});
	afterEach(() => {
		player.stop();
		vi.unstubAllGlobals();
	});
	const buffer = () => FakeSource.latest.sound;
	const seen = () => FakeSource.latest.picture;

	test("who waits for the first sound, or for more of it, is told", async () => {
		const told = (waiting: boolean) => expect.poll(() => playhead.get().waiting, { timeout: 3000 }).toBe(waiting);
		ready = 0;
		player.play([part("a", "A:goes-on")]);
		await settled();
		expect(playhead.get().waiting).toBe(false); // not while it may still begin at once
		await told(true);
		ready = 4;
		await told(false);
		ready = 2;
		await told(true);
		player.stop();
		expect(playhead.get()).toMatchObject({ playing: false, waiting: false });
	});

	test("scenes lie one after the other without a gap", async () => {
		player.play([part("a", "A:1:2"), part("b", "B:2")]);
		await settled();
		expect(buffer().laid).toEqual([
			{ from: 0, to: 1, of: "A" },
			{ from: 1, to: 3, of: "A" },
			{ from: 3, to: 5, of: "B" },
		]);
		expect(seen().laid.map(({ from, to }) => [from, to])).toEqual(buffer().laid.map(({ from, to }) => [from, to]));
		expect(FakeSource.latest.readyState).toBe("ended");
		expect(playhead.get().playing).toBe(true);
	});

	test("what is far off is not asked for yet", async () => {
		player.play([part("a", "A:13"), part("b", "B:2")]);
		await settled();
		expect(sounds()).toEqual(["A:13"]);
		expect(pictures()).toEqual(["p-A:13"]);
		video.currentTime = 2;
		await new Promise((resolve) => setTimeout(resolve, 260));
		expect(sounds()).toEqual(["A:13", "B:2"]);
	});

	test("what is heard otherwise comes over what lies ahead, each scene where it lay", async () => {
		player.play([part("a", "A:4"), part("b", "B:3"), part("c", "C:2")]);
		await settled();
		video.currentTime = 1.5;
		const wanted: [string, number][] = [];
		player.goOn((sceneId, at) => {
			wanted.push([sceneId, at]);
			return [part("a", `a:${4 - at}`, at), part("b", "b:3"), part("c", "c:2")];
		});
		await settled();
		const [[scene, at]] = wanted as [[string, number]];
		expect(scene).toBe("a");
		expect(at).toBeGreaterThanOrEqual(1.5);
		expect(at).toBeLessThan(2);
		expect([1, at + 0.01, 3.9, 4.1, 6.9, 7.1].map((moment) => buffer().at(moment))).toEqual([
			"A",
			"a",
			"a",
			"b",
			"b",
			"c",
		]);
		expect(buffer().end).toBe(9);
		expect(pictures()).toEqual(["p-A:4", "p-B:3", "p-C:2"]);
		expect([1, 3.9, 4.1, 8.9].map((moment) => seen().at(moment))).toEqual(["p-A", "p-A", "p-B", "p-C"]);
		expect(FakeSource.latest.readyState).toBe("ended");
	});

	test("with little in hand the old goes on until the new is there", async () => {
		player.play([part("a", "A:2:goes-on")]);
		await settled();
		video.currentTime = 1;
		player.goOn((_, at) => [part("a", "a:3", at)]);
		expect(stopped).toEqual([]);
		await settled();
		expect(stopped).toEqual(["A:2:goes-on"]);
		expect(buffer().at(2.5)).toBe("a");
	});

	test("what took over goes on in its turn until the next is there", async () => {
		player.play([part("a", "A:2")]);
		await settled();
		video.currentTime = 1;
		player.goOn((_, at) => [part("a", "x:1:goes-on", at)]);
		await settled();
		player.goOn((_, at) => [part("a", "y:3", at)]);
		expect(stopped).not.toContain("x:1:goes-on");
		await settled();
		expect(stopped).toContain("x:1:goes-on");
	});

	test("with enough in hand the old makes room at once", async () => {
		player.play([part("a", "A:8:goes-on")]);
		await settled();
		player.goOn((_, at) => [part("a", "a:8", at)]);
		expect(stopped).toEqual(["A:8:goes-on"]);
		await settled();
		expect(buffer().at(5)).toBe("a");
	});

	test("what was not laid yet is heard as it was last chosen", async () => {
		player.play([part("a", "A:13"), part("b", "B:2")]);
		await settled();
		player.goOn((_, at) => [part("a", `a:${13 - at}`, at), part("b", "b:2")]);
		await settled();
		video.currentTime = 5;
		await new Promise((resolve) => setTimeout(resolve, 260));
		expect(sounds().at(-1)).toBe("b:2");
		expect(buffer().at(14)).toBe("b");
		expect(seen().at(14)).toBe("p-B");
		expect(FakeSource.latest.readyState).toBe("ended");
	});

	test("a change in the middle of a piece leaves the next scene to come", async () => {
		player.play([part("a", "A:3:goes-on", 0, "A:3"), part("b", "B:2")]);
		await settled();
		expect(seen().end).toBe(3);
		player.goOn((_, at) => [part("a", `a:${3 - at}`, at), part("b", "b:2")]);
		await settled();
		expect([2.9, 3.1].map((moment) => buffer().at(moment))).toEqual(["a", "b"]);
		expect(seen().end).toBe(5);
		expect(problems).toEqual([]);
		expect(FakeSource.latest.readyState).toBe("ended");
	});

	test("of two changes the later is heard", async () => {
		player.play([part("a", "A:8")]);
		await settled();
		player.goOn((_, at) => [part("a", "x:8", at)]);
		player.goOn((_, at) => [part("a", "y:8", at)]);
		await settled();
		expect(stopped).toContain("x:8");
		expect(buffer().at(4)).toBe("y");
		expect(problems).toEqual([]);
	});

	test("what is repeated is laid as a whole", async () => {
		const loop = { sceneId: "a", from: 2, to: 4 };
		player.play([part("a", "A:2.2", 2)], loop);
		await settled();
		expect(player.repeated).toEqual(loop);
		video.currentTime = 1;
		player.goOn(() => [part("a", "a:2.2", 2)]);
		await settled();
		expect(buffer().at(0.1)).toBe("a");
		expect(buffer().end).toBeCloseTo(2.2);
	});

	test("what is repeated is laid again where the browser took its beginning back", async () => {
		player.play([part("a", "A:3", 2)], { sceneId: "a", from: 2, to: 4 });
		await settled();
		buffer().gone = 1;
		video.currentTime = 2.5;
		video.dispatchEvent(new Event("ended"));
		await settled();
		expect(sounds()).toEqual(["A:3", "A:3"]);
		expect(buffer().end).toBe(3);
		expect(playhead.get().playing).toBe(true);
	});

	test("what cannot be played is told, and it stops", async () => {
		player.play([part("a", "bad:1", 0, "A:2")]);
		await settled();
		expect(problems).toEqual(["No voice."]);
		expect(playhead.get().playing).toBe(false);
	});

	test("what the browser has no room for comes once some was played", async () => {
		player.play([part("a", "A:2:2")]);
		buffer().full = true;
		await settled();
		expect(FakeSource.latest.readyState).toBe("open");
		buffer().full = false;
		await new Promise((resolve) => setTimeout(resolve, 260));
		expect(buffer().end).toBe(4);
		expect(FakeSource.latest.readyState).toBe("ended");
		expect(problems).toEqual([]);
	});

	test("stopped is nobody's fault", async () => {
		player.play([part("a", "A:2:goes-on")]);
		await settled();
		player.stop();
		await settled();
		expect(stopped).toContain("A:2:goes-on");
		expect(problems).toEqual([]);
		expect(playhead.get().playing).toBe(false);
	});
});
