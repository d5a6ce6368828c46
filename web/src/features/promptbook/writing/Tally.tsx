const MOST = 15;
const STEP = 5;
const FIVE_WIDE = 20;

/** A count as tally strokes, the fifth across the four; a numeral beyond fifteen. */
export function Tally({ count }: { count: number }) {
	if (count > MOST) return <b className="tally num">{count}</b>;
	const strokes = Array.from({ length: count }, (_, i) => {
		const five = Math.floor(i / 5) * FIVE_WIDE;
		return i % 5 === 4 ? `M${five - 1} 12 ${five + 4 * STEP - 4} 3` : `M${five + (i % 5) * STEP + 1} 2v11`;
	});
	return (
		<svg
			className="tally"
			width={FIVE_WIDE * Math.ceil(count / 5)}
			height={15}
			role="img"
			aria-label={`${count} times`}
		>
			<path d={strokes.join("")} />
		</svg>
	);
}
