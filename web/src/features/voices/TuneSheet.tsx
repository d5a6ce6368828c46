import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef, useState } from "react";
import { api, ask, type Schemas, sentence } from "../../shared/api/client";
import { listen, silence, useListening } from "../../shared/sound/listening";
import { PlainButton } from "../../shared/ui/controls";
import { Scale } from "../../shared/ui/Scale";
import { Sheet } from "../../shared/ui/Sheet";
import { auditionAddress, type MadeVoice } from "../../shared/voices/useVoices";
import { series } from "../../shared/words";

type Shape = Schemas["ShapeSchema"];
type Part = keyof Shape;

const PARTS: readonly { part: Part; label: string; step: number; ends: readonly [string, string] }[] = [
	{ part: "mean", label: "Pitch", step: 1, ends: ["lower", "higher"] },
	{ part: "spread", label: "Tune", step: 0.05, ends: ["even", "lively"] },
	{ part: "warp", label: "Body", step: 0.01, ends: ["larger", "smaller"] },
	{ part: "tilt", label: "Colour", step: 0.1, ends: ["dark", "bright"] },
	{ part: "pace", label: "Pace", step: 0.01, ends: ["slower", "quicker"] },
	{ part: "breath", label: "Breath", step: 0.02, ends: ["none", "much"] },
];
const SAVED_AFTER = 350;

type Props = { voiceId: string; text: string; onClose: () => void };

/** A made voice: what was understood of its description, and every part of it to move. Kept as one moves it. */
export function TuneSheet({ voiceId, text, onClose }: Props) {
	const queries = useQueryClient();
	const path = { voice_id: voiceId };
	const made = useQuery({
		queryKey: ["made", voiceId],
		queryFn: () => ask(api.GET("/api/voices/made/{voice_id}", { params: { path } })),
	});
	const [problem, setProblem] = useState("");
	/** As it is now, and as it was when the sheet was opened. */
	const [voice, setVoice] = useState<MadeVoice | null>(null);
	const [first, setFirst] = useState<MadeVoice | null>(null);
	const heard = useListening((h) => h.key);
	const trouble = useListening((h) => h.problem);
	const pending = useRef<ReturnType<typeof setTimeout> | null>(null);
	const saving = useRef<Promise<unknown>>(Promise.resolve());
	useEffect(() => silence, []);
	useEffect(() => {
		if (!made.data) return;
		setFirst((known) => known ?? made.data);
		setVoice((known) => known ?? made.data);
	}, [made.data]);
	const send = (next: MadeVoice) => {
		pending.current = null;
		const body = { name: next.name.trim() || "A voice", shape: next.shape };
		saving.current = ask(api.PUT("/api/voices/made/{voice_id}", { params: { path }, body }))
			.then(() => setProblem(""))
			.catch((error) => setProblem(sentence(error)));
		return saving.current;
	};
	const change = (next: MadeVoice) => {
		setVoice(next);
		if (pending.current) clearTimeout(pending.current);
		pending.current = setTimeout(() => send(next), SAVED_AFTER);
	};
	/** What was moved last is kept before it is heard. */
	const settle = async () => {
		if (pending.current && voice) {
			clearTimeout(pending.current);
			send(voice);
		}
		await saving.current;
	};
	const close = async () => {
		await settle();
		queries.removeQueries({ queryKey: ["made", voiceId] });
		void queries.invalidateQueries({ queryKey: ["voices"] });
		void queries.invalidateQueries({ queryKey: ["melody", voiceId] });
		onClose();
	};
	const hear = async () => {
		await settle();
		await listen(`made ${voiceId}`, auditionAddress(voiceId, text));
	};
	const remove = async () => {
		try {
			if (pending.current) clearTimeout(pending.current);
			pending.current = null;
			await ask(api.DELETE("/api/voices/made/{voice_id}", { params: { path } }));
			close();
		} catch (error) {
			setProblem(sentence(error));
		}
	};
	return (
		<Sheet label="Tune a made voice" kind="tune-sheet" onClose={close}>
			{made.isError && (
				<p role="alert" className="problem">
					{sentence(made.error)}
				</p>
			)}
			{voice && (
				<>
					<input
						className="tune-name serif"
						aria-label="Name of the voice"
						value={voice.name}
						maxLength={60}
						onChange={(event) => change({ ...voice, name: event.target.value })}
					/>
					<p className="small quiet">
						Made from {voice.base_name}. {voice.understood.map((u) => `“${u.words}”: ${u.means}`).join("; ")}
						{voice.unknown.length > 0 && <>. Nothing was made of {series(voice.unknown.map((word) => `“${word}”`))}</>}.
					</p>
					<div className="tune-scales">
						{PARTS.map(({ part, label, step, ends }) => {
							const limit = voice.limits.find((l) => l.part === part);
							return (
								<Scale
									key={part}
									label={label}
									low={limit?.low ?? 0}
									high={limit?.high ?? 1}
									step={step}
									ends={ends}
									value={voice.shape[part]}
									onChange={(value) => change({ ...voice, shape: { ...voice.shape, [part]: value } })}
								/>
							);
						})}
					</div>
				</>
			)}
			<Uses voiceId={voiceId} />
			{(problem || trouble) && (
				<p role="alert" className="problem small">
					{problem || trouble}
				</p>
			)}
			<div className="change-buttons">
				<PlainButton onClick={hear} disabled={!voice}>
					{heard === `made ${voiceId}` ? "Stop" : "Hear it"}
				</PlainButton>
				<PlainButton onClick={() => first && change(first)} disabled={!first || first === voice}>
					As it was
				</PlainButton>
				<PlainButton onClick={remove}>Delete the voice</PlainButton>
				<PlainButton onClick={close}>Close</PlainButton>
			</div>
		</Sheet>
	);
}

/** Where a change of the voice would be heard. */
function Uses({ voiceId }: { voiceId: string }) {
	const uses = useQuery({
		queryKey: ["voice-uses", voiceId],
		queryFn: () => ask(api.GET("/api/productions/using/{voice_id}", { params: { path: { voice_id: voiceId } } })),
	});
	if (!uses.data?.length) return null;
	return <p className="small">It speaks in {series(uses.data.map((use) => use.title))}: a change is heard there.</p>;
}
