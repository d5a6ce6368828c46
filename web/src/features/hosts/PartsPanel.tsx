import { useState } from "react";
import type { Parts, Sheet } from "../../shared/hosts/useHosts";
import { WordChoice } from "../../shared/ui/controls";
import { PictureChoice } from "../../shared/ui/PictureChoice";
import { Scale } from "../../shared/ui/Scale";
import { LooksOfHost } from "./LooksOfHost";
import { at, withOutfit, withValue } from "./sheet";

const GROUPS = [
	{ value: "body", text: "body" },
	{ value: "face", text: "face" },
	{ value: "hair", text: "hair" },
	{ value: "clothes", text: "clothes" },
	{ value: "things", text: "things" },
] as const;
type Group = (typeof GROUPS)[number]["value"];

type Props = { parts: Parts; sheet: Sheet; onChange: (sheet: Sheet, field: string) => void };

/** Everything a host is made from, a group at a time. */
export function PartsPanel({ parts, sheet, onChange }: Props) {
	const [group, setGroup] = useState<Group>("body");
	const set = (path: string, value: unknown, field = "") => onChange(withValue(sheet, path, value), field);
	return (
		<section className="parts" aria-label="Parts">
			<WordChoice label="Parts of" value={group} options={GROUPS} onChange={setGroup} />
			{parts.choices
				.filter((choice) => choice.group === group)
				.map((choice) => (
					<WordChoice
						key={choice.path}
						label={choice.label}
						value={String(at(sheet, choice.path) ?? "")}
						options={[
							...(choice.empty ? [{ value: "", text: "none" }] : []),
							...choice.options.map((value) => ({ value, text: value })),
						]}
						onChange={(value) =>
							choice.path === "outfit.cut"
								? onChange(withOutfit(sheet, parts.outfits[value] ?? {}), "")
								: set(choice.path, value)
						}
					/>
				))}
			{parts.colours
				.filter((colour) => colour.group === group)
				.map((colour) => (
					<fieldset key={colour.path} className="swatches">
						<legend className="label">{colour.label}</legend>
						{(colour.empty ? ["", ...colour.values] : colour.values).map((value) => {
							const chosen = String(at(sheet, colour.path) ?? "") === value;
							const shown = colour.colours[colour.values.indexOf(value)];
							return (
								<label key={value || "none"} className={chosen ? "on" : ""} style={{ background: shown ?? "none" }}>
									<input
										type="radio"
										name={colour.path}
										checked={chosen}
										aria-label={`${colour.label} ${value || "none"}`}
										onChange={() => set(colour.path, colour.path === "skin" ? Number(value) : value)}
									/>
									{!value && "×"}
								</label>
							);
						})}
					</fieldset>
				))}
			{group === "clothes" && (
				<LooksOfHost sheet={sheet} taken={Object.keys(parts.outfits)} onChange={(to) => onChange(to, "")} />
			)}
			{group === "things" && (
				<PictureChoice<{ badge: string }>
					label="Badge, on the chest or the lanyard"
					source={at(sheet, "badge") ? `data:image/png;base64,${at(sheet, "badge")}` : ""}
					alt="The badge"
					path="/api/workshop/badge"
					onMade={(made) => set("badge", made.badge)}
					onRemove={() => set("badge", "")}
				/>
			)}
			<div className="face-scales">
				{parts.scales
					.filter((scale) => scale.group === group)
					.map((scale) => (
						<Scale
							key={scale.path}
							label={scale.label}
							low={scale.low}
							high={scale.high}
							step={(scale.high - scale.low) / 40}
							ends={["less", "more"]}
							value={Number(at(sheet, scale.path) ?? scale.low)}
							onChange={(value) => set(scale.path, value, scale.path)}
						/>
					))}
			</div>
		</section>
	);
}
