import type { Scene } from "../document/document";
import type { PanelProps } from "../document/panel";

type Props = {
	scene: Scene;
	number: number;
	speaker: string;
	name: string;
	looks: readonly string[];
	change: PanelProps["change"];
};

/** What a host wears in the scene at hand, where it is not the usual. */
export function Look({ scene, number, speaker, name, looks, change }: Props) {
	const worn = scene.staging.looks ?? {};
	return (
		<label className="look">
			<span className="label">
				{name} wears, scene {number}
			</span>
			<select
				className="voice-effect"
				value={worn[speaker] ?? ""}
				onChange={(event) => {
					const { [speaker]: _, ...others } = worn;
					const look = event.target.value;
					change({}, [{ sceneId: scene.id, staging: { looks: look ? { ...others, [speaker]: look } : others } }]);
				}}
			>
				<option value="">the usual</option>
				{looks.map((look) => (
					<option key={look} value={look}>
						{LOOK_NAMES[look] ?? look}
					</option>
				))}
			</select>
		</label>
	);
}

/** Looks whose names say more than their cut. */
const LOOK_NAMES: Record<string, string> = {
	slicker: "raincoat",
	knit: "jumper",
	coat: "long coat",
	peacoat: "sailor's coat",
	tee: "T-shirt",
	polo: "polo shirt",
	hoodie: "hooded jumper",
};
