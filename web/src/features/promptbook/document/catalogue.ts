import { useQuery } from "@tanstack/react-query";
import { api, ask, type Schemas } from "../../../shared/api/client";

export type ProductionChoice = Schemas["ProductionChoiceOut"];

const NONE: ProductionChoice[] = [];

/** Everything that can be chosen for a production or a scene, as the table of choices has it. */
export function useChoices(): readonly ProductionChoice[] {
	const answer = useQuery({
		queryKey: ["choices"],
		queryFn: () => ask(api.GET("/api/productions/choices")),
		staleTime: Number.POSITIVE_INFINITY,
	});
	return answer.data ?? NONE;
}
