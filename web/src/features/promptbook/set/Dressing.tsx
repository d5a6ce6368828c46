import { useQuery } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { api, ask } from "../../../shared/api/client";
import { isThing, thumbnailOf, useThings } from "../../../shared/shelf/useShelf";
import { useChoices } from "../document/catalogue";
import type { ProductionDocument, Scene } from "../document/document";
import { type ChoiceValue, holds, type OwnChoice } from "../document/scope";
import { ThingField } from "../document/ThingField";

type Slot = Extract<OwnChoice, `${"wall" | "floor"}_${"left" | "right"}`>;
type Props = {
	document: ProductionDocument;
	scene: Scene;
	choose: (name: OwnChoice, value: ChoiceValue) => void;
	chooseAll: (values: Partial<Record<OwnChoice, ChoiceValue>>, says: string) => void;
};

const AS_THE_SET = "own";
const NOTHING = "none";
const SEEDS = 1_000_000;
const USUAL_WORDS = "sea boat fish";
const PICTURES = ["picture"];

/** What hangs on the walls of a set and stands on its ground. */
export function Dressing({ document, scene, choose, chooseAll }: Props) {
	const set = String(holds(document, scene, "set"));
	const found = useQuery({
		queryKey: ["dressing", set],
		queryFn: () => ask(api.GET("/api/staging/sets/{set_id}/dressing", { params: { path: { set_id: set } } })),
		staleTime: Number.POSITIVE_INFINITY,
	});
	const [open, setOpen] = useState<Slot>();
	const seed = useRef(Math.floor(Math.random() * SEEDS));
	if (!found.data) return null;
	const { own, wall, floor } = found.data;
	const slots = Object.keys(own) as Slot[];
	const another = async () => {
		seed.current = (seed.current + 1) % SEEDS;
		const params = { path: { set_id: set }, query: { seed: seed.current } };
		chooseAll(await ask(api.GET("/api/staging/sets/{set_id}/dressing/another", { params })), "Dressed otherwise");
	};
	const asTheSet = () => chooseAll(Object.fromEntries(slots.map((slot) => [slot, AS_THE_SET])), "As the set has it");
	const changed = slots.some((slot) => holds(document, scene, slot) !== AS_THE_SET);
	return (
		<section className="dressing" aria-label="What dresses the set">
			<p className="dressing-ways">
				<button type="button" className="link" onClick={another}>
					Dress it otherwise
				</button>
				{changed && (
					<button type="button" className="link small" onClick={asTheSet}>
						All as the set has it
					</button>
				)}
			</p>
			{slots.map((slot) => (
				<SlotField
					key={slot}
					slot={slot}
					own={own[slot] ?? ""}
					props={slot.startsWith("wall") ? wall : floor}
					value={String(holds(document, scene, slot))}
					open={slot === open}
					onOpen={() => setOpen(slot === open ? undefined : slot)}
					onChange={(value) => {
						setOpen(slot);
						choose(slot, value);
					}}
				/>
			))}
		</section>
	);
}

type Prop = { name: string; words: string; takes: number; pictures: boolean };
type SlotProps = {
	slot: Slot;
	own: string;
	props: readonly Prop[];
	value: string;
	open: boolean;
	onOpen: () => void;
	onChange: (value: string) => void;
};

function SlotField({ slot, own, props, value, open, onOpen, onChange }: SlotProps) {
	const label = useChoices().find((one) => one.name === slot)?.label ?? "";
	const now = value === AS_THE_SET ? own : value;
	const [kind = "", thing = ""] = now.split(":");
	const prop = props.find((one) => one.name === kind);
	const pictures = useThings(prop?.pictures ? PICTURES : []);
	const choose = (name: string) => {
		if (name === AS_THE_SET || name === NOTHING) return onChange(name);
		const next = props.find((one) => one.name === name);
		const held = next?.takes && !(isThing(thing) && !next.pictures) ? thing.split("+")[0] : "";
		onChange(held ? `${name}:${held}` : name);
	};
	const name = isThing(thing) ? (pictures.find(({ item }) => item === thing)?.title ?? "") : plain(thing);
	return (
		<div className={open ? "dressing-slot open" : "dressing-slot"}>
			<label>
				<span className="label">{label}</span>
				<select
					aria-label={label}
					value={value.includes(":") ? kind : value}
					onChange={(event) => choose(event.target.value)}
				>
					<option value={AS_THE_SET}>as the set has it</option>
					<option value={NOTHING}>nothing</option>
					{props.map(({ name, words }) => (
						<option key={name} value={name}>
							{words}
						</option>
					))}
				</select>
			</label>
			{prop && prop.takes > 0 && value !== AS_THE_SET && (
				<button type="button" className="link small" aria-expanded={open} onClick={onOpen}>
					{name || "its usual thing"}
				</button>
			)}
			{open && prop && prop.takes > 0 && value !== AS_THE_SET && (
				<ThingField
					label={`${label}: which thing`}
					value={isThing(thing) ? "" : (thing.split("+")[0] ?? "")}
					words={plain(thing) || USUAL_WORDS}
					onChange={(name) => onChange(`${kind}:${name}`)}
				/>
			)}
			{open && prop?.pictures && value !== AS_THE_SET && pictures.length > 0 && (
				<fieldset className="thing-field">
					<legend className="label">or a picture of the shelf</legend>
					<div className="things pictures">
						{pictures.slice(0, 12).map(({ item, title }) => (
							<label key={item} className={item === thing ? "on" : ""} title={title}>
								<input
									type="radio"
									name={`${slot} picture`}
									aria-label={title}
									checked={item === thing}
									onChange={() => onChange(`${kind}:${item}`)}
								/>
								<img src={thumbnailOf(item)} alt="" width={71} height={40} loading="lazy" />
							</label>
						))}
					</div>
				</fieldset>
			)}
		</div>
	);
}

function plain(thing: string): string {
	return isThing(thing) ? "" : thing.replaceAll("+", " and ").replaceAll("-", " ");
}
