import { type RefObject, useCallback, useEffect, useRef, useState } from "react";
import { playhead, usePlayhead } from "../document/playhead";
import type { SceneTimes } from "../document/useSceneTimes";
import { type Loop, type Part, ProofPlayer } from "./proofPlayer";

type Props = {
	productionId: string;
	revision: number;
	/** The scenes in which something is spoken, in order. */
	spoken: string[];
	current: string;
	times: Map<string, SceneTimes>;
	/** The stretch to repeat, or null to go on to the end. */
	loop: () => Loop | null;
};

export type Playing = ReturnType<typeof usePlaying>;

/** Playing from a moment on, through scene borders, at a speed, over and over if wished. */
export function usePlaying({ productionId, revision, spoken, current, times, loop }: Props) {
	const video: RefObject<HTMLVideoElement | null> = useRef(null);
	const player = useRef<ProofPlayer>(null);
	const [problem, setProblem] = useState("");
	const [speed, setSpeed] = useState(1);
	const [looping, setLooping] = useState(false);
	const playing = usePlayhead((p) => p.playing);
	useEffect(() => {
		if (!video.current) return;
		player.current = new ProofPlayer(video.current, setProblem);
		return () => player.current?.stop();
	}, []);
	useEffect(() => {
		if (player.current) player.current.speed = speed;
	}, [speed]);

	/** A part of a scene; `chosen`, as JSON, is what is only heard. */
	const proofOf = useCallback(
		(sceneId: string, at: number, asked: Record<string, string> = {}, chosen = ""): Part => {
			const address = (part: string, more?: Record<string, string>) => {
				const query = new URLSearchParams({ at: at.toFixed(3), ...asked, ...more, r: String(revision) });
				return `/pictures/${productionId}/${sceneId}/proof-${part}.mp4?${query}`;
			};
			return { sceneId, at, picture: address("picture"), sound: address("sound", chosen ? { chosen } : {}) };
		},
		[productionId, revision],
	);
	const partsFrom = useCallback(
		(scene: string, at: number, chosen?: (sceneId: string) => string) =>
			spoken.slice(spoken.indexOf(scene)).map((sceneId, i, following) => {
				const from = i === 0 ? at : 0;
				const before = following[i - 1]; // a scene may dissolve from its end
				return proofOf(sceneId, from, before ? { before } : {}, chosen?.(sceneId));
			}),
		[proofOf, spoken],
	);
	const play = useCallback(
		(scene: string, at: number) => {
			if (!spoken.includes(scene)) return;
			setProblem("");
			player.current?.play(partsFrom(scene, at));
		},
		[partsFrom, spoken],
	);
	const stop = useCallback(() => {
		if (playhead.get().playing) player.current?.stop();
	}, []);
	const partOf = useCallback(
		({ sceneId, from, to }: Loop, chosen?: string) => proofOf(sceneId, from, { until: (to + 0.2).toFixed(3) }, chosen),
		[proofOf],
	);
	const repeat = useCallback(
		(stretch: Loop) => {
			setProblem("");
			player.current?.play([partOf(stretch)], stretch);
		},
		[partOf],
	);
	/** What is played goes on with other sound, which is not kept yet. */
	const hearOtherwise = useCallback(
		(chosen: (sceneId: string) => string) => {
			const stretch = player.current?.repeated;
			player.current?.goOn((sceneId, at) =>
				stretch ? [partOf(stretch, chosen(sceneId))] : partsFrom(sceneId, at, chosen),
			);
		},
		[partOf, partsFrom],
	);
	const toggle = useCallback(() => {
		if (playhead.get().playing) return stop();
		const stretch = looping ? loop() : null;
		if (stretch) return repeat(stretch);
		const duration = times.get(current)?.duration ?? 0;
		const { at } = playhead.get();
		play(current, at >= duration - 0.3 ? 0 : at);
	}, [current, play, repeat, stop, times, looping, loop]);
	const wish = useRef<{ lineId: string; offset: number } | null>(null);
	const speakFrom = useCallback(
		(lineId: string, offset: number) => {
			wish.current = null;
			for (const [scene, known] of times) {
				const word = known.lines.find((l) => l.id === lineId)?.words.find((w) => w.to > offset);
				if (word) return play(scene, Math.max(0, word.start - 0.05));
			}
			wish.current = { lineId, offset }; // its scene is still being read: it is heard as soon as it can be
		},
		[times, play],
	);
	useEffect(() => {
		if (wish.current && times.size) speakFrom(wish.current.lineId, wish.current.offset);
	}, [times, speakFrom]);
	const tryCue = useCallback(
		(lineId: string, offset: number, kind: string) => {
			for (const [sceneId, known] of times) {
				const word = known.lines.find((l) => l.id === lineId)?.words.find((w) => w.to > offset);
				if (!word) continue;
				const at = Math.max(0, word.start - 1.1);
				const until = (word.end + 1.9).toFixed(3);
				setProblem("");
				player.current?.play([proofOf(sceneId, at, { until, line: lineId, offset: String(offset), cue: kind })]);
			}
		},
		[times, proofOf],
	);
	return {
		video,
		problem,
		playing,
		speed,
		setSpeed,
		looping,
		setLooping,
		stop,
		toggle,
		hearOtherwise,
		speakFrom,
		tryCue,
	};
}
