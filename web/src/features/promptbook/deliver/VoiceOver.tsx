import { useState } from "react";
import { Choice, PlainButton } from "../../../shared/ui/controls";

const SCOPES = [
	{ value: "whole", text: "in one file" },
	{ value: "scene", text: "a file a scene" },
	{ value: "line", text: "a file a line" },
	{ value: "speaker", text: "a file a speaker" },
];
const KINDS = ["wav", "flac", "mp3", "opus", "m4a"].map((value) => ({ value, text: value.toUpperCase() }));
const LOUDNESS = [
	{ value: "-16", text: "-16 LUFS, films" },
	{ value: "-19", text: "-19 LUFS, podcasts" },
	{ value: "-23", text: "-23 LUFS, broadcast" },
	{ value: "0", text: "as it comes" },
];
const PATTERN = "{title}-{number:02}-{name}";

/** The voice alone, with word times, captions and a cue sheet, in one zip. */
export function VoiceOver({ productionId }: { productionId: string }) {
	const [scope, setScope] = useState("whole");
	const [kind, setKind] = useState("wav");
	const [loudness, setLoudness] = useState("-16");
	const [pattern, setPattern] = useState(PATTERN);
	const [making, setMaking] = useState(false);
	const [problem, setProblem] = useState("");
	const save = async () => {
		setMaking(true);
		setProblem("");
		const query = new URLSearchParams({ scope, kind, loudness, pattern, rate: "48000" });
		const answer = await fetch(`/api/productions/${productionId}/voice-over.zip?${query}`).catch(() => null);
		setMaking(false);
		if (!answer?.ok) {
			const said = answer ? ((await answer.json().catch(() => ({}))) as { detail?: string }).detail : "";
			setProblem(said || "Dear Host does not answer. Try again.");
			return;
		}
		const link = document.createElement("a");
		link.href = URL.createObjectURL(await answer.blob());
		link.download = /filename="([^"]+)"/.exec(answer.headers.get("Content-Disposition") ?? "")?.[1] ?? "voice.zip";
		link.click();
		setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
	};
	return (
		<div className="script-file">
			<h3 className="panel-title">The voice alone</h3>
			<div className="choices">
				<Choice label="Divided" value={scope} options={SCOPES} onChange={setScope} />
				<Choice label="Kind" value={kind} options={KINDS} onChange={setKind} />
				<Choice label="Loudness" value={loudness} options={LOUDNESS} onChange={setLoudness} />
			</div>
			<label className="name-pattern">
				<span className="label">File names</span>
				<input value={pattern} maxLength={120} onChange={(event) => setPattern(event.target.value)} />
			</label>
			<p>
				<PlainButton small disabled={making} onClick={save}>
					{making ? "Reading and packing…" : "Save the voice"}
				</PlainButton>{" "}
				<span className="small quiet">With word times, captions and a cue sheet.</span>
			</p>
			{problem && (
				<p role="alert" className="problem small">
					{problem}
				</p>
			)}
		</div>
	);
}
