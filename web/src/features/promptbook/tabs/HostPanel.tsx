import type { Editor } from "@tiptap/core";
import { useState } from "react";
import { PlainButton, WordChoice } from "../../../shared/ui/controls";
import { useHosts } from "../../hosts";
import { shownName, speakersOf } from "../document";
import type { SceneTimes } from "../useSceneTimes";
import { ByThemselves } from "./ByThemselves";
import { FloorPlan } from "./FloorPlan";
import { HostSheet } from "./HostSheet";
import { type PanelProps, recast, sceneAt } from "./panel";
import { SceneChoice } from "./SceneChoice";
import { useProposal } from "./useProposal";

/** No speaker is called so; the unnamed one is called "". */
const NOBODY = "\u0000";
const FRAMINGS = [
	{ value: "wide", text: "wide" },
	{ value: "medium", text: "medium" },
	{ value: "close-up", text: "close-up" },
];

/** Who plays whom, how near, where, how lively. */
export function HostPanel(props: PanelProps & { editor: Editor; times: SceneTimes | undefined }) {
	const { editor, document, current, change, times } = props;
	const hosts = useHosts();
	const { propose, list } = useProposal(change);
	const { scene, number } = sceneAt(document, current);
	const [sheet, setSheet] = useState(NOBODY);
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
								<PlainButton small label={`Another host for ${name}`} onClick={() => setSheet(speaker)}>
									Another host
								</PlainButton>
							</div>
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
				{scene && (
					<>
						<SceneChoice
							name="framing"
							label="Framing"
							says={(text) => `Framing ${text}`}
							options={FRAMINGS}
							document={document}
							scene={scene}
							number={number}
							change={change}
							onPropose={propose}
						/>
						<FloorPlan scene={scene} times={times} change={change} />
					</>
				)}
				<WordChoice
					label="Liveliness"
					note=", everywhere"
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
