/** Solid cut shapes on a 16 grid; always beside words, but for play and ticks. */
const SHAPES = {
	play: "M3 1.5 14 8 3 14.5z",
	stop: "M2.5 2.5h11v11h-11z",
	undo: "M6 1v4h3.5c3 0 5 2 5 4.7 0 2-1 3.6-2.5 4.8.6-3.5-.8-5-3-5H6v4L.5 7.2z",
	tick: "M1.5 8.6 4 6l2.6 2.7L12.4 2 15 4.3 6.9 14z",
	warning: "M8 1 15.5 15H.5zM7.1 6l.3 4.6h1.2L8.9 6zM7.2 11.8h1.6v1.6H7.2z",
	cross:
		"M8 .5a7.5 7.5 0 1 1 0 15 7.5 7.5 0 0 1 0-15zM5.2 3.8 3.8 5.2 6.6 8l-2.8 2.8 1.4 1.4L8 9.4l2.8 2.8 1.4-1.4L9.4 8l2.8-2.8-1.4-1.4L8 6.6z",
	down: "M6.5 1h3v7H13l-5 6-5-6h3.5z",
} as const;

export function Icon({ name, size = 16 }: { name: keyof typeof SHAPES; size?: number }) {
	return (
		<svg className="icon" viewBox="0 0 16 16" width={size} height={size} aria-hidden="true">
			<path d={SHAPES[name]} fillRule="evenodd" />
		</svg>
	);
}
