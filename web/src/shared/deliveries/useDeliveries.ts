import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { api, ask, type Schemas } from "../api/client";

export type Delivery = Schemas["DeliveryOut"];

const KEY = ["deliveries"];

function withChange(list: Delivery[] | undefined, changed: Delivery): Delivery[] {
	const known = list ?? [];
	return known.some((d) => d.id === changed.id)
		? known.map((d) => (d.id === changed.id ? changed : d))
		: [changed, ...known];
}

/** All deliveries, kept up to date by the server's events. */
export function useDeliveries() {
	const queries = useQueryClient();
	useEffect(() => {
		const events = new EventSource("/events/deliveries");
		events.onmessage = (event) => {
			const changed = JSON.parse(event.data) as Delivery;
			queries.setQueryData<Delivery[]>(KEY, (list) => withChange(list, changed));
		};
		return () => events.close();
	}, [queries]);
	return useQuery({ queryKey: KEY, queryFn: () => ask(api.GET("/api/deliveries")) });
}

export function useOrderDelivery() {
	const queries = useQueryClient();
	return useMutation({
		mutationFn: (body: Schemas["OrderDelivery"]) => ask(api.POST("/api/deliveries", { body })),
		onSuccess: (made) => queries.setQueryData<Delivery[]>(KEY, (list) => withChange(list, made)),
	});
}

export function useStopDelivery() {
	const queries = useQueryClient();
	return useMutation({
		mutationFn: (id: string) =>
			ask(api.POST("/api/deliveries/{delivery_id}/stop", { params: { path: { delivery_id: id } } })),
		onSuccess: (changed) => queries.setQueryData<Delivery[]>(KEY, (list) => withChange(list, changed)),
	});
}

export function useRemoveDelivery() {
	const queries = useQueryClient();
	return useMutation({
		mutationFn: (id: string) =>
			ask(api.DELETE("/api/deliveries/{delivery_id}", { params: { path: { delivery_id: id } } })),
		onSuccess: (_, id) => queries.setQueryData<Delivery[]>(KEY, (list) => list?.filter((d) => d.id !== id)),
	});
}
