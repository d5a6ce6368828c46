import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { api, ask } from "../../../shared/api/client";
import { BringFile } from "../../../shared/shelf/BringFile";
import { kindOfItem } from "../../../shared/shelf/items";
import { useThings } from "../../../shared/shelf/useShelf";
import { WordsInClip } from "../../../shared/shelf/WordsInClip";
import { Tick, WordChoice } from "../../../shared/ui/controls";
import { Scale } from "../../../shared/ui/Scale";
import { TypedNumber } from "../../../shared/ui/TypedNumber";
import { useChoices } from "../document/catalogue";
import type { ProductionDocument, Scene, Staging } from "../document/document";
import { dragged, liesOtherwise, NEAREST, type OwnPlace, otherwise, placeIn, withPlace } from "../document/ownPlaces";
import { type ChoiceValue, holds, type OwnChoice, optionsOf } from "../document/scope";
import { useOnStage } from "../document/stageGrip";
import { trying, useNothingTriedAfter } from "../document/trying";

type Props = {
	document: ProductionDocument;
	scene: Scene;
	choose: (name: OwnChoice, value: ChoiceValue) => void;
	chooseAll: (values: Partial<Record<OwnChoice, ChoiceValue>>, says: string, field?: string) => void;
};

/** A scale: its label, from what to what in which steps, and what its ends are called. */
type How = readonly [label: string, low: number, high: number, step: number, ends: readonly [string, string]];

const PLACES: readonly [keyof OwnPlace, How][] = [
	["zoom", ["Near", 1, NEAREST, 0.05, ["all", "near"]]],
	["x", ["Across", 0, 1, 0.02, ["left", "right"]]],
	["y", ["Down", 0, 1, 0.02, ["top", "foot"]]],
];
const SCALES: readonly [OwnChoice, How][] = [
	["own_blur", ["Blurred", 0, 16, 0.5, ["sharp", "soft"]]],
	["own_dim", ["Dimmed", 0, 0.8, 0.02, ["as it is", "dark"]]],
];

/** Seconds of a clip that are played at least. */
const SHORTEST = 0.1;

/** A number of a clip: its label, from what to what in which steps, and its unit. */
type Figure = readonly [OwnChoice, label: string, low: number, high: number, step: number, unit: string];

const FIGURES: readonly Figure[] = [
	["own_begins", "Begins at", 0, 600, 0.1, "s"],
	["own_until", "Ends at (0 for its end)", 0, 600, 0.1, "s"],
	["own_speed", "Speed", 0.25, 4, 0.25, "×"],
];

/** How an own picture or clip lies behind the hosts. */
export function BehindThem({ document, scene, choose, chooseAll }: Props) {
	const table = useChoices();
	const set = String(holds(document, scene, "set"));
	const isClip = kindOfItem(set) === "clip";
	const until = Number(holds(document, scene, "own_until"));
	const endsTooSoon = until > 0 && until <= Number(holds(document, scene, "own_begins")) + SHORTEST;
	const place = placeIn(document, scene);
	const put = (moved: Partial<OwnPlace>) =>
		chooseAll(valuesOf(withPlace(document, scene, moved)), MOVED, `place ${scene.id}`);
	useDraggedOnStage(document, scene, set, put);
	const scales = [
		...PLACES.map(([name, how]) => ({ how, value: place[name], onChange: (to: number) => put({ [name]: to }) })),
		...SCALES.map(([name, how]) => ({
			how,
			value: Number(holds(document, scene, name)),
			onChange: (to: number) => choose(name, to),
		})),
	];
	const words = (name: OwnChoice) => {
		const entry = table.find((one) => one.name === name);
		return (
			<WordChoice
				key={name}
				label={entry?.asks ?? ""}
				value={String(holds(document, scene, name))}
				options={optionsOf(entry).map(({ value, text }) => ({ value: String(value), text }))}
				onChange={(value) => choose(name, value)}
			/>
		);
	};
	return (
		<section className="own-picture" aria-label="How it lies behind them">
			<div className="own-words">
				{words("own_fit")}
				{words("own_tone")}
				{isClip && words("own_ends")}
				{isClip && words("own_sound")}
			</div>
			<p className="small quiet">Drag it on the stage; the wheel brings it nearer.</p>
			<div className="own-scales">
				{scales.map(({ how: [label, low, high, step, ends], value, onChange }) => (
					<Scale key={label} {...{ label, low, high, step, ends, value, onChange }} />
				))}
			</div>
			{isClip && (
				<>
					<div className="clip-figures">
						{FIGURES.map((figure) => (
							<ClipFigure key={figure[0]} {...{ figure, document, scene, choose }} />
						))}
					</div>
					{endsTooSoon && <p className="small warning-text">It ends before it begins: it is played to its own end.</p>}
					<CutByWords key={set} {...{ document, scene, item: set, chooseAll }} />
				</>
			)}
			<LightFit document={document} scene={scene} item={set} choose={choose} />
			<div className="own-words">
				<Tick
					label={`Lies otherwise in ${document.shape}`}
					checked={liesOtherwise(document, scene)}
					onChange={(on) => chooseAll(valuesOf(otherwise(document, scene, on ? place : null)), MOVED)}
				/>
				<Tick
					label="Turned over"
					checked={Boolean(holds(document, scene, "own_mirrored"))}
					onChange={(on) => choose("own_mirrored", on)}
				/>
				<Tick
					label="Hosts stand in its light"
					checked={Boolean(holds(document, scene, "own_light"))}
					onChange={(on) => choose("own_light", on)}
				/>
			</div>
		</section>
	);
}

function ClipFigure({ figure, document, scene, choose }: Omit<Props, "chooseAll"> & { figure: Figure }) {
	const [name, label, low, high, step, unit] = figure;
	return (
		<TypedNumber
			className="clip-figure"
			{...{ label, low, high, step, unit }}
			value={Number(holds(document, scene, name))}
			onChange={(value) => choose(name, value)}
		/>
	);
}

/** From which word to which a clip is played, where somebody can be heard in it. */
function CutByWords({ document, scene, item, chooseAll }: Omit<Props, "choose"> & { item: string }) {
	const thing = useThings(CLIPS).find((one) => one.item === item);
	if (!thing?.sounds) return null;
	const [begins, until] = [Number(holds(document, scene, "own_begins")), Number(holds(document, scene, "own_until"))];
	return (
		<WordsInClip
			item={item}
			title={thing.title}
			cut={{ begins, until }}
			onCut={(cut) => chooseAll({ own_begins: cut.begins, own_until: cut.until }, "What of the clip is played")}
		/>
	);
}

const CLIPS = ["clip"];
const MOVED = "Where the picture lies";

function valuesOf(staging: Partial<Staging>): Partial<Record<OwnChoice, ChoiceValue>> {
	return staging as Partial<Record<OwnChoice, ChoiceValue>>;
}

/** The picture behind them follows the hand on the stage: tried while it is dragged, chosen when it is let go. */
function useDraggedOnStage(
	document: ProductionDocument,
	scene: Scene,
	item: string,
	put: (place: Partial<OwnPlace>) => void,
): void {
	const size = useThings(["picture", "clip"]).find((thing) => thing.item === item);
	const place = placeIn(document, scene);
	useNothingTriedAfter();
	useOnStage(
		size
			? {
					label: "The picture behind them",
					onMove: (by, stage) =>
						trying.show({
							choices: withPlace(document, scene, dragged(place, by, size, stage)),
							words: MOVED,
						}),
					onEnd: (by, stage) => {
						if (by.x || by.y) put(dragged(place, by, size, stage));
						else trying.end();
					},
					onCancel: trying.end,
					onNear: (factor) => put({ zoom: place.zoom * factor }),
				}
			: null,
	);
}

/** How well hosts stand in the light of what is behind them, and what would mend it. */
function LightFit({ document, scene, item, choose }: Omit<Props, "chooseAll"> & { item: string }) {
	const placed = {
		mirrored: Boolean(holds(document, scene, "own_mirrored")),
		lit: Boolean(holds(document, scene, "own_light")),
		dim: Number(holds(document, scene, "own_dim")),
		blur: Number(holds(document, scene, "own_blur")),
	};
	const fit = useQuery({
		queryKey: ["light", item, placed],
		queryFn: () => ask(api.GET("/api/shelf/{item}/light", { params: { path: { item }, query: placed } })),
		placeholderData: keepPreviousData,
		staleTime: Number.POSITIVE_INFINITY,
		retry: false,
	});
	if (!fit.data) return null;
	const { score, is_poor, sentence, remedy } = fit.data;
	return (
		<p className="small" role="status">
			<span className={is_poor ? "problem" : "quiet"}>
				Light: {score} of 100. {sentence}
			</span>{" "}
			{remedy && (
				<button type="button" className="link small" onClick={() => choose(remedy.name, remedy.value)}>
					{remedy.words}
				</button>
			)}
		</p>
	);
}

/** A way to bring a picture or clip, to stand behind the hosts. */
export function BringBehind({ onBrought }: { onBrought: (item: string) => void }) {
	return (
		<div className="bring-behind">
			<BringFile
				says="A picture or clip of your own…"
				label="A picture or clip of your own"
				accept="image/*,video/*,.svg,.mkv"
				onBrought={onBrought}
			/>
		</div>
	);
}
