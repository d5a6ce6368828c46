import { type DragEvent, useCallback, useRef, useState } from "react";
import { sentence } from "../../shared/api/client";
import { BroughtRow } from "../../shared/shelf/BroughtRow";
import { useBringing } from "../../shared/shelf/bringing";
import {
	type ShelfThing,
	useBringBack,
	useLicences,
	usePutAway,
	useSayRights,
	useShelf,
	useShelfAgain,
} from "../../shared/shelf/useShelf";
import { megabytes } from "../../shared/time";
import { Choice, MainButton } from "../../shared/ui/controls";
import { PutAwayNote } from "../../shared/ui/PutAwayNote";
import { RunningHead } from "../../shared/ui/RunningHead";
import { EVERYTHING, foundThings, MISSING } from "./finding";
import { type Recorded, RecordSheet } from "./RecordSheet";
import { Register } from "./Register";
import { RightsFields } from "./RightsFields";
import { ThingPage } from "./ThingPage";

const KINDS = [
	{ value: "", text: "of every kind" },
	{ value: "picture", text: "pictures" },
	{ value: "clip", text: "clips" },
	{ value: "sound", text: "sounds" },
];
const NONE: ShelfThing[] = [];

/** The shelf: what was brought, whose it is, where it is used; files are dropped anywhere on it. */
export function ShelfPage() {
	const shelf = useShelf();
	const again = useShelfAgain();
	const licences = useLicences();
	const [filter, setFilter] = useState(EVERYTHING);
	const [chosen, setChosen] = useState("");
	const [fresh, setFresh] = useState<readonly string[]>([]);
	const [putAway, setPutAway] = useState<ShelfThing | null>(null);
	const [over, setOver] = useState(false);
	const [recording, setRecording] = useState<Recorded | null>(null);
	const removing = usePutAway();
	const bringBack = useBringBack();
	const files = useRef<HTMLInputElement>(null);
	const { brought, bring, away } = useBringing();
	const all = shelf.data ?? NONE;
	const mine = all.filter((thing) => thing.mine);
	const found = foundThings(all, filter);
	const shown = all.find((thing) => thing.item === chosen) ?? found[0];
	const unsaid = all.filter((thing) => fresh.includes(thing.item) && thing.problem);
	const done = useCallback(
		(key: number, item: string) => {
			away(key);
			again();
			setFresh((list) => [...list, item]);
			setChosen(item);
		},
		[away, again],
	);
	const dropped = (event: DragEvent) => {
		event.preventDefault();
		setOver(false);
		bring([...event.dataTransfer.files]);
	};
	return (
		<>
			<RunningHead />
			{/* biome-ignore lint/a11y/noStaticElementInteractions: files are dropped anywhere; the button does the same */}
			<div
				className={over ? "spread shelf-spread over" : "spread shelf-spread"}
				onDragOver={(event) => {
					event.preventDefault();
					setOver(true);
				}}
				onDragLeave={() => setOver(false)}
				onDrop={dropped}
			>
				<main className="shelf-page">
					<h1 className="page-title">Shelf</h1>
					<div className="shelf-filter">
						<label className="shelf-search">
							<span className="label">Things called</span>
							<input
								type="search"
								value={filter.typed}
								onChange={(event) => setFilter({ ...filter, typed: event.target.value })}
							/>
						</label>
						<Choice
							label="that are"
							value={filter.kind}
							options={KINDS}
							onChange={(kind) => setFilter({ ...filter, kind })}
						/>
						<Choice
							label="under"
							value={filter.licence}
							options={[
								{ value: "", text: "any licence" },
								{ value: MISSING, text: "none said yet" },
								...licences.map(({ id, words }) => ({ value: id, text: words })),
							]}
							onChange={(licence) => setFilter({ ...filter, licence })}
						/>
						<span className="small quiet num">{all.length === 1 ? "1 thing" : `${all.length} things`}</span>
					</div>
					<PutAwayNote
						says={putAway ? `“${putAway.title}” is put away. It is kept for thirty days.` : ""}
						problem={removing.error}
						onUndo={() => {
							if (putAway) bringBack.mutate(putAway.item);
							setPutAway(null);
						}}
					/>
					{shelf.isError && (
						<p role="alert" className="problem">
							The shelf cannot be looked at now. Load the page again.
						</p>
					)}
					{unsaid.length > 0 && <SayOnce things={unsaid} onDone={() => setFresh([])} />}
					<div className="bringing">
						{brought.map((one) => (
							<BroughtRow key={one.key} one={one} onAway={() => away(one.key)} onDone={(item) => done(one.key, item)} />
						))}
						<p className="small quiet">
							Drop pictures, clips and sounds anywhere on this page, or{" "}
							<button type="button" className="link" onClick={() => files.current?.click()}>
								open files
							</button>
							, or record{" "}
							<button type="button" className="link" onClick={() => setRecording("screen")}>
								the screen
							</button>{" "}
							or{" "}
							<button type="button" className="link" onClick={() => setRecording("camera")}>
								the camera
							</button>
							.
						</p>
						<p className="small quiet">
							A clip takes 1 to 4 MB a second here; a long one less: ten minutes at most 1.4 GB, an hour 3.1 GB.
							{mine.length > 0 &&
								` What you brought takes ${megabytes(mine.reduce((sum, { bytes }) => sum + bytes, 0))}.`}
						</p>
						<input
							ref={files}
							type="file"
							hidden
							multiple
							aria-label="Open files"
							accept="image/*,video/*,audio/*,.svg,.mkv,.heic,.heif"
							onChange={(event) => {
								bring([...(event.target.files ?? [])]);
								event.target.value = "";
							}}
						/>
					</div>
					{shelf.data && all.length === 0 && (
						<p className="reading">
							Nothing is on the shelf yet. A photo can stand behind a host, a clip can run there, a product picture can
							come with its words.
						</p>
					)}
					{found.length > 0 && <Register things={found} chosen={shown?.item ?? ""} onChoose={setChosen} />}
					{all.length > 0 && found.length === 0 && <p className="quiet">Nothing on the shelf is like that.</p>}
				</main>
				<div className="spread-spine" aria-hidden="true" />
				{shown && (
					<ThingPage
						key={shown.item}
						thing={shown}
						others={all}
						onPutAway={() => removing.mutate(shown.item, { onSuccess: () => setPutAway(shown) })}
					/>
				)}
			</div>
			{recording && (
				<RecordSheet what={recording} onKeep={(file) => bring([file])} onClose={() => setRecording(null)} />
			)}
		</>
	);
}

/** Licence and author of what was just brought, asked once for all of it. */
function SayOnce({ things, onDone }: { things: readonly ShelfThing[]; onDone: () => void }) {
	const say = useSayRights();
	const [licence, setLicence] = useState("own");
	const [author, setAuthor] = useState(things.find((thing) => thing.author)?.author ?? "");
	return (
		<section className="say-once" aria-label="Whose they are">
			<p>
				Whose {things.length === 1 ? `is “${things[0]?.title}”` : `are these ${things.length}`}? Films ask for it before
				they are rendered.
			</p>
			<RightsFields licence={licence} author={author} onLicence={setLicence} onAuthor={setAuthor} />
			<MainButton
				disabled={!licence || say.isPending}
				onClick={() => say.mutate({ items: things.map(({ item }) => item), licence, author }, { onSuccess: onDone })}
			>
				Say it
			</MainButton>
			{say.isError && (
				<p role="alert" className="problem small">
					{sentence(say.error)}
				</p>
			)}
		</section>
	);
}
