import { afterEach, describe, expect, it, vi } from "vitest";
import { CAMERA, MICROPHONE, screenSource, sourceProblem } from "./sources";

describe("a source that cannot be used", () => {
	it.each([
		[MICROPHONE, "NotAllowedError", "leave"],
		[MICROPHONE, "SecurityError", "leave"],
		[MICROPHONE, "NotFoundError", "No microphone"],
		[MICROPHONE, "NotReadableError", "Another program"],
		[MICROPHONE, "OtherError", "Upload a recording"],
		[CAMERA, "NotFoundError", "No camera"],
		[CAMERA, "OtherError", "Drop a clip"],
		[screenSource(false), "NotAllowedError", "No screen was chosen"],
		[screenSource(true), "NotAllowedError", "leave your voice out"],
		[screenSource(true), "NotFoundError", "No microphone"],
	])("is told with what to do: %o %s", (source, name, says) => {
		expect(sourceProblem(source, new DOMException("", name))).toContain(says);
	});
});

describe("the screen with a voice", () => {
	afterEach(() => vi.unstubAllGlobals());
	it("is let go again where the microphone is refused", async () => {
		const stop = vi.fn();
		const refused = new DOMException("", "NotAllowedError");
		vi.stubGlobal("navigator", {
			mediaDevices: {
				getDisplayMedia: async () => ({ getTracks: () => [{ stop }, { stop }] }),
				getUserMedia: async () => Promise.reject(refused),
			},
		});
		await expect(screenSource(true).open()).rejects.toBe(refused);
		expect(stop).toHaveBeenCalledTimes(2);
		await expect(screenSource(false).open()).resolves.toHaveLength(1);
	});
});
