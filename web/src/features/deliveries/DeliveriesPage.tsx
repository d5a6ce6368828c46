import { useState } from "react";
import { Link } from "react-router";
import { DeliveryRow } from "../../shared/deliveries/DeliveryRow";
import {
	type Delivery,
	useBringBackDelivery,
	useDeliveries,
	useRemoveDelivery,
} from "../../shared/deliveries/useDeliveries";
import { Choice } from "../../shared/ui/controls";
import { PutAwayNote } from "../../shared/ui/PutAwayNote";
import { RunningHead } from "../../shared/ui/RunningHead";
import { EVERY, foundDeliveries, STATES } from "./finding";

/** Every film, newest first, to find, play, fetch and remove. */
export function DeliveriesPage() {
	const deliveries = useDeliveries();
	const remove = useRemoveDelivery();
	const bringBack = useBringBackDelivery();
	const [filter, setFilter] = useState(EVERY);
	const [removed, setRemoved] = useState<Delivery | null>(null);
	const all = deliveries.data ?? [];
	const found = foundDeliveries(all, filter);
	const take = (delivery: Delivery) =>
		remove.mutate(delivery.id, { onSuccess: ({ kept }) => setRemoved(kept ? delivery : null) });
	return (
		<>
			<RunningHead />
			<main className="single page">
				<h1 className="page-title">Deliveries</h1>
				{deliveries.data?.length === 0 && !removed && (
					<p className="reading">
						Nothing has been rendered yet. Open a production from <Link to="/">the Desk</Link> and choose Deliver.
					</p>
				)}
				{all.length > 1 && (
					<div className="deliveries-filter">
						<label>
							<span className="label">Find a film</span>
							<input
								type="search"
								value={filter.typed}
								onChange={(event) => setFilter({ ...filter, typed: event.target.value })}
							/>
						</label>
						<Choice
							label="that are"
							value={filter.state}
							options={STATES}
							onChange={(state) => setFilter({ ...filter, state })}
						/>
					</div>
				)}
				<PutAwayNote
					says={removed ? `The film “${removed.title}” is removed. It is kept for an hour.` : ""}
					problem={bringBack.error}
					onUndo={() => {
						if (removed) bringBack.mutate(removed.id);
						setRemoved(null);
					}}
				/>
				{all.length > 0 && found.length === 0 && <p className="quiet">No film is like that.</p>}
				<ul className="deliveries">
					{found.map((d) => (
						<DeliveryRow key={d.id} delivery={d} onRemove={() => take(d)} />
					))}
				</ul>
			</main>
		</>
	);
}
