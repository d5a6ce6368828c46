import { ShelfChoice } from "../../../shared/shelf/ShelfChoice";
import { isThing } from "../../../shared/shelf/useShelf";
import { Scale } from "../../../shared/ui/Scale";
import { useChoices } from "../document/catalogue";
import { EverywhereChoice } from "../document/EverywhereChoice";
import type { PanelProps } from "../document/panel";

type Props = Pick<PanelProps, "document" | "change">;

const PICTURES = ["picture"];
const NO_LOGO = "none";
const COLOURS = [
	["paper", "#fffdf4"],
	["accent", "#e24a2e"],
] as const;

/** The production's own colours and its logo. */
export function ColoursAndLogo({ document, change }: Props) {
	const table = useChoices();
	return (
		<div className="colours-and-logo">
			<div className="own-colours">
				{COLOURS.map(([name, usual]) => {
					const label = table.find((one) => one.name === name)?.label ?? "";
					return (
						<p key={name} className="own-colour">
							<label>
								<span className="label">{label}</span>
								<input
									type="color"
									value={document[name] || usual}
									onChange={(event) => change({ [name]: event.target.value }, [], name)}
								/>
							</label>
							{document[name] ? (
								<button type="button" className="link small" onClick={() => change({ [name]: "" })}>
									the usual one
								</button>
							) : (
								<span className="small quiet">the usual one</span>
							)}
						</p>
					);
				})}
			</div>
			<p className="small quiet">What is written is kept readable: a colour gives way a little where it must.</p>
			{isThing(document.logo) && (
				<div className="own-words">
					<EverywhereChoice name="logo_place" document={document} change={change} />
					<EverywhereChoice name="logo_ground" document={document} change={change} />
					<Scale
						label="How large"
						low={0.04}
						high={0.2}
						step={0.01}
						ends={["small", "large"]}
						value={document.logo_size}
						onChange={(value) => change({ logo_size: value }, [], "logo_size")}
					/>
					<button type="button" className="link small" onClick={() => change({ logo: NO_LOGO })}>
						No logo
					</button>
				</div>
			)}
			<ShelfChoice
				label="Logo, everywhere"
				kinds={PICTURES}
				chosen={isThing(document.logo) ? [document.logo] : []}
				onChoose={([item = NO_LOGO]) => change({ logo: item })}
			/>
		</div>
	);
}
