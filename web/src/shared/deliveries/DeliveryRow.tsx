import { useState } from "react";
import { Link } from "react-router";
import { clock, dayOf, hourOf, megabytes, timeLeft } from "../time";
import { PlainButton } from "../ui/controls";
import { Icon } from "../ui/icons";
import { type Delivery, useStopDelivery } from "./useDeliveries";

const CAPTIONS: Record<string, string> = {
	burn: "captions in the picture",
	soft: "captions to switch on",
	file: "captions beside it",
	none: "no captions",
};

/** Endings of the files captions come as, and what they are called. */
const FILES = [
	["srt", "SRT"],
	["vtt", "WebVTT"],
	["ttml", "IMSC"],
	["ass", "ASS"],
	["txt", "Text"],
	["html", "Page"],
	["docx", "Word"],
] as const;
const USUAL = 2;

/** "1080p" for a wide picture, else its width and height. */
function size({ shape, height }: Delivery): string {
	const [across = 16, down = 9] = shape.split(":").map(Number);
	return across > down ? `${height}p` : `${Math.round((height * across) / down)}×${height}`;
}

/** One delivery: its progress, or its film. `compact` is for the panel under the stage. */
export function DeliveryRow(props: { delivery: Delivery; compact?: boolean; onRemove?: () => void }) {
	const { delivery, compact = false, onRemove } = props;
	const stop = useStopDelivery();
	const [more, setMore] = useState(false);
	const [playing, setPlaying] = useState(false);
	const film = `/files/deliveries/${delivery.id}/film.${delivery.form}`;
	const captions = `/files/deliveries/${delivery.id}/captions`;
	const made = new Date(delivery.created_at);
	const running = delivery.status === "running" || delivery.status === "queued";
	const removal = onRemove && (
		<button type="button" className="link small remove" onClick={onRemove}>
			Remove
		</button>
	);
	return (
		<li className={`delivery ${compact ? "compact" : ""}`} aria-label={delivery.title} data-status={delivery.status}>
			{!compact && (
				<span className="frame delivery-picture">
					{delivery.status === "done" && (
						<img src={`/files/deliveries/${delivery.id}/picture.jpg`} alt="" loading="lazy" />
					)}
				</span>
			)}
			<div className="delivery-line">
				<span className="delivery-name">
					{delivery.status === "done" && <Icon name="tick" />}
					{delivery.status === "failed" && <Icon name="cross" />}
					{compact ? (
						hourOf(made)
					) : delivery.production_id ? (
						<Link to={`/productions/${delivery.production_id}`}>{delivery.title}</Link>
					) : (
						delivery.title
					)}
				</span>
				<span className="quiet small">
					{!compact && `${dayOf(made)}, ${hourOf(made)}; `}
					{size(delivery)}, {delivery.frames_per_second} a second, {CAPTIONS[delivery.captions]}
					{delivery.form !== "mp4" && `, transparent ${delivery.form === "webm" ? "WebM" : "MOV"}`}
				</span>
				{running && (
					<PlainButton
						small
						onClick={() => stop.mutate(delivery.id)}
						disabled={delivery.stop_requested}
						label={`Stop ${delivery.title}`}
					>
						<Icon name="stop" size={11} /> {delivery.stop_requested ? "Stopping…" : "Stop"}
					</PlainButton>
				)}
			</div>
			{running && (
				<div className="delivery-line">
					<div
						className="progress"
						role="progressbar"
						aria-label={`Rendering ${delivery.title}`}
						aria-valuenow={Math.round(delivery.progress * 100)}
						aria-valuemin={0}
						aria-valuemax={100}
					>
						<i style={{ width: `${delivery.progress * 100}%` }} />
					</div>
					<span className="small quiet num">
						{delivery.status === "queued" ? "waits its turn" : timeLeft(delivery.seconds_left) || "beginning…"}
					</span>
				</div>
			)}
			{delivery.message && (
				<p className={`small ${delivery.status === "failed" ? "problem" : "quiet"}`}>{delivery.message}</p>
			)}
			{delivery.status === "done" && (
				<div className="delivery-line links small">
					<span className="num quiet">
						{clock(delivery.seconds)}, {megabytes(delivery.size)}
					</span>
					{delivery.form === "mov" ? (
						<span className="quiet">plays in editing programs</span>
					) : (
						<button type="button" className="link" onClick={() => setPlaying(!playing)} aria-expanded={playing}>
							{playing ? "Close" : "Play"}
						</button>
					)}
					<a className="link" href={`${film}?download`}>
						Download
					</a>
					{FILES.slice(0, more ? FILES.length : USUAL).map(([ending, name]) => (
						<a key={ending} className="link" href={`${captions}.${ending}?download`}>
							{name}
						</a>
					))}
					{!more && (
						<button type="button" className="link" onClick={() => setMore(true)}>
							More captions
						</button>
					)}
					{removal}
				</div>
			)}
			{playing && (
				<video
					className={`delivery-film ${delivery.form === "webm" ? "transparent" : ""}`}
					src={film}
					controls
					autoPlay
					aria-label={`Film: ${delivery.title}`}
				>
					<track kind="captions" src={`${captions}.vtt`} label="Captions" />
				</video>
			)}
			{!running && delivery.status !== "done" && removal}
		</li>
	);
}
