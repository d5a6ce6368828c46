import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { sentence } from "../../shared/api/client";
import { JobProgress } from "../../shared/jobs/JobProgress";
import { isWaiting, type Job, useJob } from "../../shared/jobs/useJob";
import { type KeySettings, keyedStill, SHELF, type ShelfThing, useKeyThing } from "../../shared/shelf/useShelf";
import { PlainButton, WordChoice } from "../../shared/ui/controls";
import { Scale } from "../../shared/ui/Scale";
import { useSettled } from "../../shared/useSettled";

const AS_USUAL: KeySettings = { strength: 0.5, softness: 0.5, spill: 1, shadow: 0.6, ground: "" };
const PERSON = "person";
type Behind = "" | "chosen" | typeof PERSON;
const BEHIND: { value: Behind; text: string }[] = [
	{ value: "", text: "one colour" },
	{ value: "chosen", text: "this colour" },
	{ value: PERSON, text: "anything; a person is found" },
];
const UNSEEN: Record<Behind, string> = {
	"": "No ground of one colour is seen about the edges: say its colour, or let a person be found.",
	chosen: "The figure cannot be cut out of this colour.",
	[PERSON]: "Nobody is seen here: one person near the camera is found; drawn figures and people far away are not.",
};
/** What only grounds of one colour have. */
const OF_GROUNDS = ["spill", "shadow"];
const GREEN = "#3cbe46";
const SCALES: [name: "strength" | "softness" | "spill" | "shadow", label: string, ends: [string, string]][] = [
	["strength", "Taken away", ["less", "more"]],
	["softness", "Edge", ["hard", "soft"]],
	["spill", "Spill off", ["no", "all"]],
	["shadow", "Shadow", ["none", "all"]],
];

/** A figure cut out of the green, blue or other even ground it was taken before: looked at first, then made. */
export function Keying({ thing }: { thing: ShelfThing }) {
	const [open, setOpen] = useState(false);
	const [settings, setSettings] = useState(AS_USUAL);
	const [moment, setMoment] = useState(0);
	const [missing, setMissing] = useState("");
	const shown = useSettled(JSON.stringify([settings, moment]), 250);
	const key = useKeyThing();
	const queries = useQueryClient();
	const [started, setStarted] = useState<Job | null>(null);
	const job = useJob(started).data;
	const done = job?.status === "done";
	useEffect(() => {
		if (done) void queries.invalidateQueries({ queryKey: SHELF });
	}, [done, queries]);
	if (!open) {
		return (
			<p>
				<PlainButton small onClick={() => setOpen(true)}>
					Cut a figure out of its ground
				</PlainButton>
			</p>
		);
	}
	const [asked, at] = JSON.parse(shown) as [KeySettings, number];
	const behind: Behind = settings.ground === "" || settings.ground === PERSON ? settings.ground : "chosen";
	const set = (part: Partial<KeySettings>) => setSettings({ ...settings, ...part });
	return (
		<section className="keying" aria-label="Cut out">
			<img
				className="keying-shown"
				src={keyedStill(thing.item, asked, at)}
				alt="The figure without its ground"
				onLoad={() => setMissing("")}
				onError={() => setMissing(UNSEEN[behind])}
				hidden={missing !== ""}
			/>
			{missing && (
				<p role="alert" className="problem small">
					{missing}
				</p>
			)}
			<div className="keying-scales">
				{SCALES.filter(([name]) => behind !== PERSON || !OF_GROUNDS.includes(name)).map(([name, label, ends]) => (
					<Scale
						key={name}
						label={label}
						low={0}
						high={1}
						step={0.05}
						ends={ends}
						value={settings[name]}
						onChange={(value) => set({ [name]: value })}
					/>
				))}
				{thing.kind === "clip" && (
					<Scale
						label="Seen at"
						low={0}
						high={Math.max(0.1, thing.seconds)}
						step={0.1}
						ends={["begin", "end"]}
						value={moment}
						onChange={setMoment}
					/>
				)}
				<div className="keying-ground">
					<WordChoice
						label="Behind it is"
						value={behind}
						options={BEHIND}
						onChange={(value) => set({ ground: value === "chosen" ? GREEN.slice(1) : value })}
					/>
					{behind === "chosen" && (
						<input
							type="color"
							aria-label="The ground's colour"
							value={`#${settings.ground}`}
							onChange={(event) => set({ ground: event.target.value.slice(1) })}
						/>
					)}
				</div>
			</div>
			<p className="change-buttons">
				<PlainButton
					small
					disabled={missing !== "" || key.isPending || isWaiting(job)}
					onClick={() => key.mutate({ item: thing.item, ...settings }, { onSuccess: setStarted })}
				>
					Cut it out
				</PlainButton>
				<PlainButton small onClick={() => setOpen(false)}>
					Not now
				</PlainButton>
			</p>
			{job && <JobProgress job={job} label="Cutting it out" />}
			<p role="status" className="small quiet">
				{done && "It stands on the shelf as a thing of its own. Show it with the cue “Figure”."}
			</p>
			{key.error && (
				<p role="alert" className="problem small">
					{sentence(key.error)}
				</p>
			)}
		</section>
	);
}
