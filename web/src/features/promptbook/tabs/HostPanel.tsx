import { WordChoice } from "../../../shared/ui/controls";
import { shownName, speakersOf } from "../document";
import type { SceneTimes } from "../useSceneTimes";
import { useHosts } from "./catalogue";
import { FloorPlan } from "./FloorPlan";
import { type PanelProps, recast, sceneAt } from "./panel";
import { SceneChoice } from "./SceneChoice";
import { useProposal } from "./useProposal";

const FRAMINGS = [
	{ value: "wide", text: "wide" },
	{ value: "medium", text: "medium" },
	{ value: "close-up", text: "close-up" },
];

/** Who plays whom, how near, where, how lively. */
export function HostPanel(props: PanelProps & { times: SceneTimes | undefined }) {
	const { document, current, change, times } = props;
	const hosts = useHosts();
	const { propose, list } = useProposal(change);
	const { scene, number } = sceneAt(document, current);
	if (list) return list;
	return (
		<div className="panel-grid">
			<div>
				{speakersOf(document.script).map((speaker) => (
					<fieldset key={speaker} className="portraits">
						<legend className="label">{shownName(speaker) || "The speaker"} is played by</legend>
						{hosts.data?.map((host) => (
							<label key={host.id} className={document.cast[speaker]?.host === host.id ? "on" : ""}>
								<input
									type="radio"
									name={`host-${speaker}`}
									checked={document.cast[speaker]?.host === host.id}
									onChange={() => change(recast(document, [speaker], { host: host.id }))}
								/>
								<img src={`/api/hosts/${host.id}/portrait.png`} alt="" width={58} height={58} />
								<span>{host.name.split(" ")[0]}</span>
							</label>
						))}
					</fieldset>
				))}
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
