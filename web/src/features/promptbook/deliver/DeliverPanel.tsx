import type { Editor } from "@tiptap/core";
import { useState } from "react";
import { Link } from "react-router";
import { type Schemas, sentence } from "../../../shared/api/client";
import { DeliveryRow } from "../../../shared/deliveries/DeliveryRow";
import { AskToTell } from "../../../shared/deliveries/FilmsDone";
import { useDeliveries, useEstimate, useOrderDelivery } from "../../../shared/deliveries/useDeliveries";
import { about, megabytes } from "../../../shared/time";
import { Choice, MainButton } from "../../../shared/ui/controls";
import { Icon } from "../../../shared/ui/icons";
import type { ProductionDocument } from "../document/document";
import { FileLink } from "../document/FileLink";
import { showPlace } from "../document/places";
import type { Check } from "../document/useSceneTimes";
import { Credits, useCredits } from "./Credits";
import { SoundParts } from "./SoundParts";
import { VoiceOver } from "./VoiceOver";

const SIZES: Record<string, { value: string; text: string }[]> = {
	"16:9": [
		{ value: "720", text: "720p" },
		{ value: "1080", text: "1080p" },
		{ value: "2160", text: "2160p" },
	],
	"1:1": [
		{ value: "720", text: "720×720" },
		{ value: "1080", text: "1080×1080" },
	],
	"9:16": [
		{ value: "1280", text: "720×1280" },
		{ value: "1920", text: "1080×1920" },
	],
};

type Captions = Schemas["OrderDelivery"]["captions"];
type Form = Schemas["OrderDelivery"]["form"];
type Rate = Schemas["OrderDelivery"]["frames_per_second"];

/** Checks, then the render itself. */
export function DeliverPanel(props: {
	productionId: string;
	revision: number;
	document: ProductionDocument;
	check: Check | null;
	kept: boolean;
	editor: Editor;
}) {
	const { document, check } = props;
	const sizes = SIZES[document.shape] ?? [];
	const [size, setSize] = useState("");
	const [rate, setRate] = useState<Rate>(30);
	const [captions, setCaptions] = useState<Captions>();
	const [form, setForm] = useState<Form>("mp4");
	const deliveries = useDeliveries();
	const order = useOrderDelivery();
	const owed = useCredits(props.productionId, props.revision);
	const stops = check?.findings.filter((f) => f.stops) ?? [];
	const height = sizes.some((s) => s.value === size) ? size : (sizes[1]?.value ?? "1080");
	const asked = captions ?? (document.captions ? "burn" : "none");
	const mode = form === "webm" && asked === "soft" ? "file" : asked;
	const wanted = {
		production_id: props.productionId,
		height: Number(height),
		frames_per_second: rate,
		captions: mode,
		form,
	};
	const estimate = useEstimate(wanted, props.revision);
	const mine = deliveries.data?.filter((d) => d.production_id === props.productionId) ?? [];
	return (
		<div className="panel-grid deliver">
			<div>
				<h3 className="panel-title">Before rendering</h3>
				<ul className="checks">
					{stops.length === 0 && owed.missing.length === 0 && (
						<li>
							<Icon name="tick" /> Nothing is open; every direction stays unsaid
						</li>
					)}
					{check?.findings.map((finding) => (
						<li key={finding.message} className={finding.stops ? "problem" : ""}>
							<Icon name={finding.stops ? "cross" : "warning"} />
							<span>
								{finding.message}{" "}
								{finding.at && (
									<button type="button" className="link small" onClick={() => showPlace(props.editor, finding.at)}>
										Show it
									</button>
								)}
							</span>
						</li>
					))}
					{owed.missing.map((missing) => (
						<li key={missing} className="problem">
							<Icon name="cross" />
							<span>
								{missing} <Link to="/shelf">Say it on the Shelf</Link>
							</span>
						</li>
					))}
				</ul>
				<div className="choices">
					<Choice label="Size" value={height} options={sizes} onChange={setSize} />
					<Choice
						label="Frames a second"
						value={String(rate)}
						options={["24", "25", "30", "50", "60"].map((v) => ({ value: v, text: v }))}
						onChange={(value) => setRate(Number(value) as Rate)}
					/>
					<Choice
						label="Captions"
						value={mode}
						options={[
							{ value: "burn", text: "in the picture" },
							form === "webm" ? { value: "file", text: "beside the film" } : { value: "soft", text: "to switch on" },
							{ value: "none", text: "none" },
						]}
						onChange={(value) => setCaptions(value as Captions)}
					/>
					<Choice
						label="Behind the hosts"
						value={form}
						options={[
							{ value: "mp4", text: "the set" },
							{ value: "webm", text: "nothing, as WebM" },
							{ value: "mov", text: "nothing, as MOV" },
						]}
						onChange={(value) => setForm(value as Form)}
					/>
				</div>
				{form !== "mp4" && (
					<p className="small quiet">
						Transparent, to lay over other pictures:{" "}
						{form === "webm" ? "for web pages and streams." : "for editing programs."}
					</p>
				)}
				<div className="order">
					<MainButton
						disabled={stops.length > 0 || owed.missing.length > 0 || !props.kept || order.isPending}
						onClick={() => order.mutate(wanted)}
					>
						Render
					</MainButton>
					<span className="small quiet">
						{stops.length > 0 || owed.missing.length > 0
							? "Waits for what is open above."
							: !props.kept
								? "Waits until the text is kept."
								: estimate && `${about(estimate.seconds)}, about ${megabytes(estimate.size)}`}
					</span>
					<AskToTell />
				</div>
				{order.isError && (
					<p role="alert" className="problem small">
						{sentence(order.error)}
					</p>
				)}
			</div>
			<div>
				<h3 className="panel-title">Films of this production</h3>
				{mine.length === 0 && <p className="small quiet">None yet.</p>}
				<ul className="deliveries">
					{mine.map((d) => (
						<DeliveryRow key={d.id} delivery={d} compact />
					))}
				</ul>
				<Credits lines={owed.lines} />
				<VoiceOver productionId={props.productionId} />
				<SoundParts productionId={props.productionId} />
				<SaveAs productionId={props.productionId} />
			</div>
		</div>
	);
}

const FILES: [string, string, string][] = [
	["script.fountain", "Fountain", "the script with its cues"],
	["script.md", "Markdown", "the script with its cues"],
	["script.txt", "plain text", "the words alone"],
	["script.ssml", "SSML", "what is said and how, for other speech engines"],
	["production.dearhost", "one file", "the whole production but its recordings, for another machine"],
];

/** The script, or everything, to keep or go on with elsewhere. */
function SaveAs({ productionId }: { productionId: string }) {
	return (
		<div className="script-file">
			<h3 className="panel-title">Save as</h3>
			<ul className="small">
				{FILES.map(([name, kind, what]) => (
					<li key={name}>
						<FileLink address={`/api/productions/${productionId}/file/${name}`}>{kind}</FileLink>
						<span className="quiet">, {what}</span>
					</li>
				))}
			</ul>
		</div>
	);
}
