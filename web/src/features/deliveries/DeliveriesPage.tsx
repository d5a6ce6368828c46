import { Link } from "react-router";
import { DeliveryRow } from "../../shared/deliveries/DeliveryRow";
import { useDeliveries } from "../../shared/deliveries/useDeliveries";
import { RunningHead } from "../../shared/ui/RunningHead";

export function DeliveriesPage() {
	const deliveries = useDeliveries();
	return (
		<>
			<RunningHead />
			<main className="single page">
				<h1 className="page-title">Deliveries</h1>
				{deliveries.data?.length === 0 && (
					<p className="reading">
						Nothing has been rendered yet. Open a production from <Link to="/">the Desk</Link> and choose Deliver.
					</p>
				)}
				<ul className="deliveries">
					{deliveries.data?.map((d) => (
						<DeliveryRow key={d.id} delivery={d} />
					))}
				</ul>
			</main>
		</>
	);
}
