type Props = {
	label: string;
	className: string;
	low: number;
	high: number;
	step: number;
	unit: string;
	value: number;
	onChange: (value: number) => void;
};

/** A number that is typed, kept within its range. */
export function TypedNumber({ label, className, low, high, step, unit, value, onChange }: Props) {
	return (
		<label className={className}>
			<span className="label">{label}</span>
			<input
				type="number"
				min={low}
				max={high}
				step={step}
				value={value}
				onChange={({ target: { valueAsNumber: typed } }) => {
					if (Number.isFinite(typed)) onChange(Math.min(high, Math.max(low, typed)));
				}}
			/>
			<span className="num">{unit}</span>
		</label>
	);
}
