import type { CueKind, CueValues, PlacedCue } from "../document/cues";
import { type Grip, useOnStage } from "../document/stageGrip";

type Parameter = CueKind["parameters"][number];

/** What a cue puts on the stage by hand is dragged there, and made larger by the wheel, while its settings are open. */
export function useCueOnStage(
	asked: readonly Parameter[],
	cue: PlacedCue,
	onChange: (parameters: CueValues) => void,
): void {
	const [across, down] = ["x", "y"].map((name) => asked.find((one) => one.name === name && one.only_for[0]));
	const size = asked.find(({ name }) => name === "size");
	const value = (one: Parameter) => Number(cue.parameters[one.name] ?? one.default);
	const put = (values: CueValues) => onChange({ ...cue.parameters, ...values });
	const gripped = (x: Parameter, y: Parameter): Grip => ({
		label: "What stands there",
		at: { x: value(x), y: value(y) },
		onEnd: (by, stage) => {
			const moved = { x: value(x) + by.x / stage.width, y: value(y) + by.y / stage.height };
			if (by.x || by.y) put({ x: held(x, moved.x), y: held(y, moved.y) });
		},
		...(size && { onNear: (factor: number) => put({ size: held(size, value(size) * factor) }) }),
	});
	useOnStage(across && down ? gripped(across, down) : null);
}

function held({ low, high }: Parameter, value: number): number {
	return Math.round(Math.min(high, Math.max(low, value)) * 1000) / 1000;
}
