import { Tick } from "../../../shared/ui/controls";
import { EverywhereChoice } from "../document/EverywhereChoice";
import { type PanelProps, sceneAt } from "../document/panel";
import { SceneChoice } from "../document/SceneChoice";
import { useProposal } from "../document/useProposal";
import { Tail } from "./Tail";

/** What is behind the hosts, how scenes begin and end, and the picture's shape. */
export function SetPanel({ document, current, change }: PanelProps) {
	const { propose, list } = useProposal(change);
	const { scene, number } = sceneAt(document, current);
	if (list) return list;
	const own = scene && { document, scene, number, change, onPropose: propose };
	return (
		<div className="panel-grid">
			<div>
				{own && (
					<>
						<SceneChoice {...own} name="set" says={(text) => `The set is “${text}”`} />
						<SceneChoice {...own} name="transition" says={(text) => `A ${text} at the start`} />
						<SceneChoice {...own} name="captions" says={(text) => (text === "on" ? "Captions on" : "Captions off")} />
						<Tail scene={scene} number={number} change={change} />
					</>
				)}
			</div>
			<div>
				<EverywhereChoice name="shape" document={document} change={change} />
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
