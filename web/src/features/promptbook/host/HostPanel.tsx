import type { Editor } from "@tiptap/core";
import { useState } from "react";
import { useHosts } from "../../../shared/hosts/useHosts";
import { clock } from "../../../shared/time";
import { PlainButton } from "../../../shared/ui/controls";
import { shownName, speakersIn, speakersOf } from "../document/document";
import { EverywhereChoice } from "../document/EverywhereChoice";
import { type PanelProps, recast, sceneAt } from "../document/panel";
import { SceneChoice } from "../document/SceneChoice";
import { useProposal } from "../document/useProposal";
import type { SceneTimes } from "../document/useSceneTimes";
import { Behaviour } from "./Behaviour";
import { ByThemselves } from "./ByThemselves";
import { FittingVoice } from "./FittingVoice";
import { FloorPlan } from "./FloorPlan";
import { HostSheet } from "./HostSheet";
import { Look } from "./Look";

/** No speaker is called so; the unnamed one is called "". */
const NOBODY = "\u0000";

/** Cues that cannot be played as they are, and what is done instead. */
function NotesOnCues({ times }: { times: SceneTimes | undefined }) {
	if (!times?.notes?.length) return null;
	return (
		<ul className="notes-on-cues" aria-label="Cues that cannot be">
			{times.notes.map((note) => (
				<li key={`${note.at} ${note.text}`} className="small">
					<span className="num quiet">{clock(note.at, true)}</span> {note.text}
				</li>
			))}
		</ul>
	);
}

/** Who plays whom, how near, where, how lively. */
export function HostPanel(props: PanelProps & { editor: Editor; times: SceneTimes | undefined }) {
	const { editor, document, current, change, times } = props;
	const hosts = useHosts();
	const { propose, list } = useProposal(change);
	const { scene, number } = sceneAt(document, current);
	const [sheet, setSheet] = useState(NOBODY);
	const own = scene && { document, scene, number, change, onPropose: propose };
	if (list) return list;
	return (
		<div className="panel-grid">
			<div>
				{speakersOf(document.script).map((speaker) => {
					const name = shownName(speaker) || "The speaker";
					const host = hosts.data?.find((h) => h.id === document.cast[speaker]?.host);
					return (
						<div key={speaker} className="played-by">
							<img
								src={`/api/hosts/${document.cast[speaker]?.host ?? "maren"}/portrait.png`}
								alt=""
								width={72}
								height={72}
							/>
							<div>
								<p className="label">{name} is played by</p>
								<p>
									<b className="voice-name">{host?.name ?? "…"}</b>
								</p>
								<p className="small quiet">{host?.description}</p>
								<FittingVoice
									name={name}
									host={host}
									voice={document.cast[speaker]?.voice ?? ""}
									onChoose={(voice) => change(recast(document, [speaker], { voice }))}
								/>
								<PlainButton small label={`Another host for ${name}`} onClick={() => setSheet(speaker)}>
									Another host
								</PlainButton>
							</div>
							{scene && speakersIn(scene).includes(speaker) && (host?.looks.length ?? 0) > 0 && (
								<Look
									scene={scene}
									number={number}
									speaker={speaker}
									name={name}
									looks={host?.looks ?? []}
									change={change}
								/>
							)}
							<Behaviour document={document} speaker={speaker} name={name} change={change} />
							{sheet === speaker && hosts.data && (
								<HostSheet
									speaker={name}
									hosts={hosts.data}
									chosen={document.cast[speaker]?.host ?? ""}
									onChoose={(id) => {
										setSheet(NOBODY);
										change(recast(document, [speaker], { host: id }));
									}}
									onClose={() => setSheet(NOBODY)}
								/>
							)}
						</div>
					);
				})}
				<ByThemselves
					editor={editor}
					times={times}
					on={document.directed ?? true}
					onSwitch={(on) => change({ directed: on })}
				/>
			</div>
			<div>
				{scene && own && (
					<>
						<SceneChoice {...own} name="framing" says={(text) => `Framing ${text}`} />
						{speakersIn(scene).length > 1 && (
							<SceneChoice
								{...own}
								name="cutting"
								says={(text) => (text === "together" ? "Everybody together" : "Cuts to who speaks")}
							/>
						)}
						<SceneChoice {...own} name="camera" says={(text) => `The camera: ${text}`} />
						<SceneChoice {...own} name="furniture" says={(text) => `Hosts are behind ${text}`} />
						<NotesOnCues times={times} />
						<FloorPlan scene={scene} times={times} change={change} />
					</>
				)}
				<EverywhereChoice name="liveliness" document={document} change={change} />
			</div>
		</div>
	);
}
