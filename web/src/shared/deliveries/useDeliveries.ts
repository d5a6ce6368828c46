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

/** Keeps the list of deliveries up to date by the server's events; `onEnd` hears of every one that ended meanwhile. */
export function useDeliveryEvents(onEnd: (delivery: Delivery) => void): void {
	const queries = useQueryClient();
	useEffect(() => {
		const unfinished = new Set<string>();
		const events = new EventSource("/events/deliveries");
		events.onmessage = (event) => {
			const changed = JSON.parse(event.data) as Delivery;
			queries.setQueryData<Delivery[]>(KEY, (list) => withChange(list, changed));
			if (changed.status === "queued" || changed.status === "running") unfinished.add(changed.id);
			else if (unfinished.delete(changed.id) && changed.status !== "stopped") onEnd(changed);
		};
		return () => events.close();
	}, [queries, onEnd]);
}

/** All deliveries, newest first. */
export function useDeliveries() {
	return useQuery({ queryKey: KEY, queryFn: () => ask(api.GET("/api/deliveries")) });
}

/** What a render would take and give; null until that is known. */
export function useEstimate(order: Schemas["OrderDelivery"], revision: number): Schemas["EstimateOut"] | null {
	const { data } = useQuery({
		queryKey: ["estimate", order, revision],
		queryFn: () => ask(api.POST("/api/deliveries/estimate", { body: order })),
		retry: false,
		placeholderData: (before: Schemas["EstimateOut"] | undefined) => before,
	});
	return data ?? null;
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

export function useBringBackDelivery() {
	const queries = useQueryClient();
	return useMutation({
		mutationFn: (id: string) =>
			ask(api.POST("/api/deliveries/{delivery_id}/bring-back", { params: { path: { delivery_id: id } } })),
		onSuccess: () => queries.invalidateQueries({ queryKey: KEY }),
	});
}
