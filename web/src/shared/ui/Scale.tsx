type Props = {
	label: string;
	/** Whose it is, where several scales have the same label. */
	whose?: string;
	low: number;
	high: number;
	step: number;
	value: number;
	/** What stands at its ends. */
	ends: readonly [string, string];
	onChange: (value: number) => void;
};

/** A ruled scale with words at its ends. */
export function Scale({ label, whose = "", low, high, step, value, ends, onChange }: Props) {
	return (
		<label className="scale">
			<span className="label">{label}</span>
			<span className="small quiet">{ends[0]}</span>
			<input
				type="range"
				aria-label={whose ? `${label} of ${whose}` : label}
				min={low}
				max={high}
				step={step}
				value={value}
				onChange={(event) => onChange(event.target.valueAsNumber)}
			/>
			<span className="small quiet">{ends[1]}</span>
		</label>
	);
}
