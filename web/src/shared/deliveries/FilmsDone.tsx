import { useCallback, useEffect, useState } from "react";
import { Link } from "react-router";
import { type Delivery, useDeliveryEvents } from "./useDeliveries";

/** Says that a film is done wherever one is: on the page, in the window's title, and by the system where it may. */
export function FilmsDone() {
	const [ended, setEnded] = useState<Delivery | null>(null);
	useDeliveryEvents(
		useCallback((delivery: Delivery) => {
			setEnded(delivery);
			const says = outcome(delivery);
			if (!document.hidden) return;
			document.title = `${says} – Dear Host`;
			if ("Notification" in window && Notification.permission === "granted") new Notification(says);
		}, []),
	);
	useEffect(() => {
		const looked = () => {
			if (!document.hidden) document.title = "Dear Host";
		};
		document.addEventListener("visibilitychange", looked);
		return () => document.removeEventListener("visibilitychange", looked);
	}, []);
	return (
		<div role="status" className="films-done">
			{ended && (
				<p>
					{outcome(ended)}.{" "}
					<Link className="link small" to="/deliveries" onClick={() => setEnded(null)}>
						Show it
					</Link>{" "}
					<button type="button" className="link small" onClick={() => setEnded(null)}>
						Close
					</button>
				</p>
			)}
		</div>
	);
}

function outcome({ title, status }: Delivery): string {
	return status === "done" ? `The film “${title}” is done` : `The film “${title}” could not be made`;
}

/** Asks whether the system may say when a film is done; nothing where it was answered or cannot be asked. */
export function AskToTell() {
	const [asked, setAsked] = useState("Notification" in window && Notification.permission === "default");
	if (!asked) return null;
	return (
		<button
			type="button"
			className="link small"
			onClick={() => Notification.requestPermission().finally(() => setAsked(false))}
		>
			Tell me when it is done
		</button>
	);
}
