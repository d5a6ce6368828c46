import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useReducer, useState } from "react";
import { Link, useParams } from "react-router";
import { api, ask, type Schemas, sentence } from "../../shared/api/client";
import { type Own, type Parts, useHosts, useParts } from "../../shared/hosts/useHosts";
import { Choice, MainButton, PlainButton } from "../../shared/ui/controls";
import { RunningHead } from "../../shared/ui/RunningHead";
import { useSettled } from "../../shared/useSettled";
import { Beginnings } from "./Beginnings";
import { KeepVersions } from "./KeepVersions";
import { PartsPanel } from "./PartsPanel";
import { SheetPicture } from "./SheetPicture";
import { type History, type Step, stepped } from "./sheet";
import { Talking } from "./Talking";

const VIEWS = ["face", "left", "right", "speaking", "happy", "sad"];
const NOBODY_YET = "maren";

/** The workshop: a host from parts, words or chance, seen as it will be drawn. */
export function WorkshopPage() {
	const { hostId = NOBODY_YET } = useParams();
	const parts = useParts();
	const start = useQuery({
		queryKey: ["host-sheet", hostId],
		staleTime: Number.POSITIVE_INFINITY,
		queryFn: () => ask(api.GET("/api/workshop/hosts/{host_id}", { params: { path: { host_id: hostId } } })),
	});
	return (
		<>
			<RunningHead />
			<div className="spread workshop-spread">
				{start.isError && (
					<p role="alert" className="problem waiting">
						{sentence(start.error)}
					</p>
				)}
				{start.data && parts.data && <Workshop key={hostId} start={start.data} parts={parts.data} />}
			</div>
		</>
	);
}

function Workshop({ start, parts }: { start: Own; parts: Parts }) {
	const hosts = useHosts();
	const [saved, setSaved] = useState<Own | null>(null);
	const changes = saved?.id ?? (hosts.data?.some((h) => h.id === start.id && h.own) ? start.id : "");
	const own = changes !== "";
	const [history, step] = useReducer<History, [Step]>(stepped, { past: [], now: start.sheet, field: "" });
	const [name, setName] = useState("");
	const [card, setCard] = useState<Card>({ ...BLANK, ...(start.card as Partial<Card>) });
	const sheet = history.now;
	const shown = useSettled(sheet, 120);
	const queries = useQueryClient();
	useEffect(() => {
		if (own) setName((now) => now || start.name);
	}, [own, start.name]);
	useEffect(() => {
		const keys = (event: KeyboardEvent) => {
			if (!(event.ctrlKey || event.metaKey) || event.code !== "KeyZ") return;
			if ((event.target as HTMLElement).matches("input:not([type=radio]):not([type=range])")) return;
			event.preventDefault();
			step("undo");
		};
		window.addEventListener("keydown", keys);
		return () => window.removeEventListener("keydown", keys);
	}, []);
	const save = useMutation({
		mutationFn: (changes: string) =>
			ask(api.POST("/api/workshop/hosts", { body: { name, card, sheet, changes } satisfies Schemas["HostIn"] })),
		onSuccess: async (made) => {
			await queries.invalidateQueries({ queryKey: ["hosts"] });
			setSaved(made);
			// the address is that of the host from now on; what can be undone stays
			window.history.replaceState(null, "", `/hosts/workshop/${made.id}`);
		},
	});
	const set = (part: Partial<Card>) => setCard((now) => ({ ...now, ...part }));
	return (
		<>
			<main className="workshop">
				<p className="trail small">
					<Link to="/hosts">Hosts</Link>
				</p>
				<div className="voices-head">
					<h1 className="page-title">Workshop</h1>
					<PlainButton small disabled={!history.past.length} onClick={() => step("undo")}>
						Undo
					</PlainButton>
				</div>
				<Beginnings
					sheet={sheet}
					groups={parts.groups}
					onChoose={(next, said) => {
						step({ to: next });
						if (said?.role || said?.mood) set({ role: said.role || card.role, mood: said.mood || card.mood });
					}}
				/>
				<PartsPanel parts={parts} sheet={sheet} onChange={(to, field) => step({ to, field })} />
			</main>
			<div className="spread-spine" aria-hidden="true" />
			<section className="host-side workshop-side" aria-label="The host">
				<div className="workshop-look">
					<Talking sheet={shown} voice={card.voice} />
					<div className="workshop-faces">
						{VIEWS.map((view) => (
							<SheetPicture key={view} sheet={shown} view={view} width={112} height={112} alt={`The host, ${view}`} />
						))}
					</div>
				</div>
				<form
					className="host-form"
					onSubmit={(event) => {
						event.preventDefault();
						if (name.trim()) save.mutate(changes);
					}}
				>
					<label>
						<span className="label">Name</span>
						<input value={name} maxLength={60} onChange={(event) => setName(event.target.value)} />
					</label>
					<label>
						<span className="label">Role</span>
						<input value={card.role} maxLength={60} onChange={(event) => set({ role: event.target.value })} />
					</label>
					<label>
						<span className="label">Mood</span>
						<input value={card.mood} maxLength={60} onChange={(event) => set({ mood: event.target.value })} />
					</label>
					<Choice
						label="Dress"
						value={card.dress}
						options={parts.dresses.map((value) => ({ value, text: value }))}
						onChange={(dress) => set({ dress })}
					/>
					<div className="change-buttons">
						<MainButton type="submit" disabled={!name.trim() || save.isPending}>
							{own ? "Save as the next version" : "Save the host"}
						</MainButton>
						{own && (
							<PlainButton disabled={!name.trim()} onClick={() => save.mutate("")}>
								Save as another host
							</PlainButton>
						)}
					</div>
				</form>
				{save.isError && (
					<p role="alert" className="problem small">
						{sentence(save.error)}
					</p>
				)}
				{saved && <KeepVersions host={saved} />}
			</section>
		</>
	);
}

type Card = { role: string; age: string; dress: string; mood: string; suits: string[]; voice: string };

const BLANK: Card = { role: "", age: "adult", dress: "casual", mood: "", suits: [], voice: "" };
