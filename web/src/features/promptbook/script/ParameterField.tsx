import { itemsIn } from "../../../shared/shelf/items";
import { ShelfChoice } from "../../../shared/shelf/ShelfChoice";
import { OwnColour } from "../../../shared/ui/OwnColour";
import { PictureChoice } from "../../../shared/ui/PictureChoice";
import { TypedNumber } from "../../../shared/ui/TypedNumber";
import type { CueKind } from "../document/cues";
import { ThingField } from "../document/ThingField";
import { SoundField } from "./SoundField";

type FieldProps = {
	parameter: CueKind["parameters"][number];
	value: number | string;
	/** What is said there. */
	words: string;
	onChange: (value: number | string) => void;
};

/** A sound is one of many; the sound of clips is off or on. */
const OFF_AND_ON = 2;
/** More choices than this are looked for, not listed. */
const LISTED = 40;
/** A range up to this is set in hundredths. */
const FINE = 1.5;
/** A range beyond this is no scale. */
const LONGEST = 60;

/** A setting of a cue. */
export function ParameterField({ parameter, value, words, onChange }: FieldProps) {
	if (parameter.name === "sound" && parameter.choices.length > OFF_AND_ON) {
		return <SoundField label={parameter.label} value={String(value)} choices={parameter.choices} onChange={onChange} />;
	}
	if (parameter.choices.length > LISTED) {
		return <ThingField label={parameter.label} value={String(value)} words={words} onChange={onChange} />;
	}
	if (parameter.kind === "choice") {
		const usual = String(parameter.default);
		return (
			<>
				<fieldset className="words">
					<legend className="label">{parameter.label}</legend>
					{parameter.choices.map((choice) => (
						<label key={choice} className={choice === value ? "on" : ""}>
							<input type="radio" name={parameter.name} checked={choice === value} onChange={() => onChange(choice)} />
							{choice.replaceAll("-", " ")}
						</label>
					))}
				</fieldset>
				{parameter.colour && (
					<OwnColour
						label="a colour of its own"
						value={String(value)}
						without={{ value: usual, says: usual.replaceAll("-", " ") }}
						onChoose={onChange}
					/>
				)}
			</>
		);
	}
	if (parameter.asset) {
		return (
			<ShelfChoice
				label={parameter.several ? `${parameter.label}; several come one after another` : parameter.label}
				kinds={parameter.asset.split(" ")}
				chosen={itemsIn(value)}
				several={parameter.several}
				onChoose={(items) => onChange(items.join(" "))}
			/>
		);
	}
	if (parameter.name === "picture") {
		return (
			<PictureChoice<{ picture: string }>
				label="The picture; one with a transparent ground is held as it is cut"
				source={value ? `/api/hosts/pictures/${value}.png` : ""}
				alt="The picture in the hand"
				path="/api/hosts/pictures"
				onMade={(made) => onChange(made.picture)}
				onRemove={() => onChange("")}
			/>
		);
	}
	if (parameter.kind === "text") {
		return (
			<label className="cue-field">
				<span className="label">{parameter.label}</span>
				<input value={String(value)} maxLength={120} onChange={(event) => onChange(event.target.value)} />
			</label>
		);
	}
	return <NumberField parameter={parameter} value={Number(value)} onChange={onChange} />;
}

/** A scale as fine as its range asks for; a long range is typed. */
function NumberField({ parameter, value, onChange }: Omit<FieldProps, "value" | "words"> & { value: number }) {
	const { label, low, high, unit } = parameter;
	if (high - low > LONGEST) {
		return <TypedNumber {...{ label, low, high, unit, value, onChange }} className="cue-field typed" step={0.1} />;
	}
	const digits = high - low <= FINE || unit === "×" ? 2 : 1;
	return (
		<label className="cue-field">
			<span className="label">{label}</span>
			<input
				type="range"
				min={low}
				max={high}
				step={10 ** -digits}
				value={value}
				onChange={(event) => onChange(Number(event.target.value))}
			/>
			<output className="num">
				{value.toFixed(digits)}
				{unit && ` ${unit}`}
			</output>
		</label>
	);
}
