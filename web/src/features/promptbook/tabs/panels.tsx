import { useQuery } from "@tanstack/react-query";
import { api, ask } from "../../../shared/api/client";
import { Choice, Tick, WordChoice } from "../../../shared/ui/controls";
import { type ProductionDocument, shownName, speakersOf } from "../document";

type PanelProps = { document: ProductionDocument; change: (part: Partial<ProductionDocument>) => void };

export function useHosts() {
	return useQuery({
		queryKey: ["hosts"],
		queryFn: () => ask(api.GET("/api/hosts")),
		staleTime: Number.POSITIVE_INFINITY,
	});
}

export function useVoices() {
	return useQuery({
		queryKey: ["voices"],
		queryFn: () => ask(api.GET("/api/voices")),
		staleTime: Number.POSITIVE_INFINITY,
	});
}

function recast(document: ProductionDocument, speaker: string, part: { host?: string; voice?: string }) {
	const entry = document.cast[speaker] ?? { host: "maren", voice: "" };
	return { cast: { ...document.cast, [speaker]: { ...entry, ...part } } };
}

function nameOf(speaker: string): string {
	return shownName(speaker) || "The speaker";
}

/** Who plays whom, how near, how lively. */
export function HostPanel({ document, change }: PanelProps) {
	const hosts = useHosts();
	return (
		<div className="panel-grid">
			<div>
				{speakersOf(document.script).map((speaker) => (
					<fieldset key={speaker} className="portraits">
						<legend className="label">{nameOf(speaker)} is played by</legend>
						{hosts.data?.map((host) => (
							<label key={host.id} className={document.cast[speaker]?.host === host.id ? "on" : ""}>
								<input
									type="radio"
									name={`host-${speaker}`}
									checked={document.cast[speaker]?.host === host.id}
									onChange={() => change(recast(document, speaker, { host: host.id }))}
								/>
								<img src={`/api/hosts/${host.id}/portrait.png`} alt="" width={58} height={58} />
								<span>{host.name.split(" ")[0]}</span>
							</label>
						))}
					</fieldset>
				))}
			</div>
			<div>
				<WordChoice
					label="Framing, everywhere"
					value={document.framing}
					options={[
						{ value: "wide", text: "wide" },
						{ value: "medium", text: "medium" },
						{ value: "close-up", text: "close-up" },
					]}
					onChange={(framing) => change({ framing })}
				/>
				<WordChoice
					label="Liveliness"
					value={document.liveliness}
					options={[
						{ value: "still", text: "still" },
						{ value: "normal", text: "normal" },
						{ value: "lively", text: "lively" },
					]}
					onChange={(liveliness) => change({ liveliness })}
				/>
			</div>
		</div>
	);
}

/** Which voice each speaker has. */
export function VoicePanel({ document, change }: PanelProps) {
	const voices = useVoices();
	const options = (voices.data ?? []).map((v) => ({ value: v.id, text: `${v.name}, ${v.language_name}` }));
	return (
		<div className="panel-column">
			{speakersOf(document.script).map((speaker) => {
				const voice = voices.data?.find((v) => v.id === document.cast[speaker]?.voice);
				return (
					<div key={speaker} className="voice-row">
						<Choice
							label={`${nameOf(speaker)} speaks with`}
							value={document.cast[speaker]?.voice ?? ""}
							options={options}
							onChange={(id) => change(recast(document, speaker, { voice: id }))}
						/>
						<p className="small quiet">{voice?.description}</p>
					</div>
				);
			})}
		</div>
	);
}

/** What is behind the hosts, and the picture's shape. */
export function SetPanel({ document, change }: PanelProps) {
	const sets = useQuery({
		queryKey: ["sets"],
		queryFn: () => ask(api.GET("/api/hosts/sets")),
		staleTime: Number.POSITIVE_INFINITY,
	});
	return (
		<div className="panel-grid">
			<div>
				<WordChoice
					label="Set, everywhere"
					value={document.set}
					options={(sets.data ?? []).map((s) => ({ value: s.id, text: s.name.toLowerCase() }))}
					onChange={(set) => change({ set })}
				/>
				<WordChoice
					label="Between scenes"
					value={document.transition}
					options={[
						{ value: "cut", text: "cut" },
						{ value: "dissolve", text: "dissolve" },
					]}
					onChange={(transition) => change({ transition })}
				/>
			</div>
			<div>
				<WordChoice
					label="Shape of the picture"
					value={document.shape}
					options={[
						{ value: "16:9", text: "16:9" },
						{ value: "1:1", text: "1:1" },
						{ value: "9:16", text: "9:16" },
					]}
					onChange={(shape) => change({ shape })}
				/>
				<Tick
					label="Captions in the picture"
					checked={document.captions}
					onChange={(captions) => change({ captions })}
				/>
				<Tick label="Headings as titles" checked={document.titles} onChange={(titles) => change({ titles })} />
			</div>
		</div>
	);
}
