import { Tick, WordChoice } from "../../../shared/ui/controls";
import { useSets } from "../document/catalogue";
import { type PanelProps, sceneAt } from "../document/panel";
import { SceneChoice } from "../document/SceneChoice";
import { useProposal } from "../document/useProposal";
import { Tail } from "./Tail";

/** What is behind the hosts, how scenes begin and end, and the picture's shape. */
export function SetPanel({ document, current, change }: PanelProps) {
	const sets = useSets();
	const { propose, list } = useProposal(change);
	const { scene, number } = sceneAt(document, current);
	if (list) return list;
	const own = scene && { document, scene, number, change, onPropose: propose };
	return (
		<div className="panel-grid">
			<div>
				{own && (
					<>
						<SceneChoice
							{...own}
							name="set"
							label="Set"
							says={(text) => `The set is “${text}”`}
							options={(sets.data ?? []).map((s) => ({ value: s.id, text: s.name.toLowerCase() }))}
						/>
						<SceneChoice
							{...own}
							name="transition"
							label="Begins with"
							says={(text) => `A ${text} at the start`}
							options={[
								{ value: "cut", text: "cut" },
								{ value: "dissolve", text: "dissolve" },
							]}
						/>
						<SceneChoice
							{...own}
							name="captions"
							label="Captions in the picture"
							says={(text) => (text === "on" ? "Captions on" : "Captions off")}
							options={[
								{ value: true, text: "on" },
								{ value: false, text: "off" },
							]}
						/>
						<Tail scene={scene} number={number} change={change} />
					</>
				)}
			</div>
			<div>
				<WordChoice
					label="Shape of the picture"
					note=", everywhere"
					value={document.shape}
					options={[
						{ value: "16:9", text: "16:9" },
						{ value: "1:1", text: "1:1" },
						{ value: "9:16", text: "9:16" },
					]}
					onChange={(shape) => change({ shape })}
				/>
				<Tick
					label="Headings as titles, everywhere"
					checked={document.titles}
					onChange={(titles) => change({ titles })}
				/>
				<Tick
					label="Captions name the speaker, everywhere"
					checked={document.caption_names}
					onChange={(caption_names) => change({ caption_names })}
				/>
			</div>
		</div>
	);
}
