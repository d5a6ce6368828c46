import { WordChoice } from "../../../shared/ui/controls";
import { useChoices } from "./catalogue";
import type { Choices, ProductionDocument } from "./document";
import { optionsOf } from "./scope";
import { triesOf, useNothingTriedAfter } from "./trying";

/** Choices in words for the whole production. */
type Name = "shape" | "liveliness" | "type" | "loudness" | "hearing" | "logo_place" | "logo_ground";

type Props = { name: Name; document: ProductionDocument; change: (part: Partial<Choices>) => void };

/** A choice for the whole production, with the words of the table of choices. */
export function EverywhereChoice({ name, document, change }: Props) {
	const choice = useChoices().find((one) => one.name === name);
	useNothingTriedAfter();
	return (
		<WordChoice
			label={choice?.asks ?? ""}
			note=", everywhere"
			value={String(document[name])}
			options={optionsOf(choice).map(({ value, text }) => ({ value: String(value), text }))}
			whilePointedAt={triesOf(choice, document[name])}
			onChange={(value) => change({ [name]: value })}
		/>
	);
}
