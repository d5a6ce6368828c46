import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState } from "react";
import { Link } from "react-router";
import { sendFile, sentence } from "../../shared/api/client";
import { allSuits, EVERYBODY, type Filter, foundHosts } from "../../shared/hosts/finding";
import { LineUp } from "../../shared/hosts/LineUp";
import { type Own, useHosts } from "../../shared/hosts/useHosts";
import { Choice, PlainButton } from "../../shared/ui/controls";
import { RunningHead } from "../../shared/ui/RunningHead";
import { HostCard } from "./HostCard";

const AGES = [
	{ value: "", text: "any age" },
	{ value: "child", text: "child" },
	{ value: "young", text: "young" },
	{ value: "adult", text: "adult" },
	{ value: "senior", text: "senior" },
	{ value: "animal", text: "an animal" },
];
const DRESSES = [
	{ value: "", text: "any way" },
	{ value: "formal", text: "formal" },
	{ value: "smart", text: "smart" },
	{ value: "casual", text: "casual" },
	{ value: "work", text: "for work" },
];
const WHOSE = [
	{ value: "", text: "everybody" },
	{ value: "marked", text: "marked" },
	{ value: "own", text: "made here" },
];

/** Everybody who can be on stage, on one floor to one scale; one of them at the right. */
export function HostsPage() {
	const hosts = useHosts();
	const [filter, setFilter] = useState<Filter>(EVERYBODY);
	const [chosen, setChosen] = useState("maren");
	const set = (part: Partial<Filter>) => setFilter((now) => ({ ...now, ...part }));
	const all = hosts.data ?? [];
	const found = foundHosts(all, filter);
	const host = found.find((h) => h.id === chosen) ?? found[0];
	const suits = [{ value: "", text: "anything" }, ...allSuits(all).map((text) => ({ value: text, text }))];
	return (
		<>
			<RunningHead />
			<div className="spread hosts-spread">
				<main className="hosts-page">
					<div className="voices-head">
						<h1 className="page-title">Hosts</h1>
						<span className="small quiet num">
							{found.length} of {all.length}
						</span>
					</div>
					<div className="hosts-filter">
						<label className="hosts-search">
							<span className="label">Somebody like</span>
							<input
								value={filter.typed}
								placeholder="teacher, warm, captain…"
								onChange={(event) => set({ typed: event.target.value })}
							/>
						</label>
						<Choice label="of" value={filter.age} options={AGES} onChange={(age) => set({ age })} />
						<Choice label="dressed" value={filter.dress} options={DRESSES} onChange={(dress) => set({ dress })} />
						<Choice label="for" value={filter.suits} options={suits} onChange={(next) => set({ suits: next })} />
						<Choice label="among" value={filter.whose} options={WHOSE} onChange={(whose) => set({ whose })} />
					</div>
					{hosts.isPending && <p className="quiet">Looking for hosts…</p>}
					{hosts.isError && (
						<p role="alert" className="problem">
							The hosts cannot be listed now. Load the page again.
						</p>
					)}
					<LineUp label="Hosts" hosts={found} chosen={host?.id ?? ""} onChoose={setChosen}>
						<li>
							<Link className="make-host" to="/hosts/workshop">
								<svg viewBox="0 0 60 150" width="60" height="150" aria-hidden="true">
									<ellipse cx="30" cy="16" rx="11" ry="14" />
									<path d="M19 38H41L48 92H41V146H32V96H28V146H19V92H12Z" />
								</svg>
								<span>Make a host</span>
							</Link>
						</li>
					</LineUp>
					{hosts.data && !found.length && <p className="quiet">Nobody is like that. Take a word or a choice away.</p>}
				</main>
				<div className="spread-spine" aria-hidden="true" />
				<section className="host-side" aria-label="Chosen host">
					{host && <HostCard key={host.id} host={host} />}
					<ImportHost onTaken={setChosen} />
				</section>
			</div>
		</>
	);
}

/** A host from another machine. */
function ImportHost({ onTaken }: { onTaken: (hostId: string) => void }) {
	const queries = useQueryClient();
	const files = useRef<HTMLInputElement>(null);
	const take = useMutation({
		mutationFn: (file: File) => sendFile<Own>("/api/workshop/import", file, file.name),
		onSuccess: async (taken) => {
			await queries.invalidateQueries({ queryKey: ["hosts"] });
			onTaken(taken.id);
		},
	});
	return (
		<div className="host-more">
			<h2 className="panel-title">Or start from</h2>
			<p className="change-buttons">
				<Link className="link small" to="/hosts/workshop">
					words, chance or parts
				</Link>
				<PlainButton small disabled={take.isPending} onClick={() => files.current?.click()}>
					{take.isPending ? "Taking it in…" : "A host’s file"}
				</PlainButton>
				<input
					ref={files}
					type="file"
					hidden
					accept=".json,application/json"
					aria-label="A host’s file"
					onChange={(event) => {
						const file = event.target.files?.[0];
						if (file) take.mutate(file);
						event.target.value = "";
					}}
				/>
			</p>
			{take.isSuccess && (
				<p className="small quiet">{[`${take.data.name} is here.`, ...(take.data.notes ?? [])].join(" ")}</p>
			)}
			{take.isError && (
				<p role="alert" className="problem small">
					{sentence(take.error)}
				</p>
			)}
		</div>
	);
}
