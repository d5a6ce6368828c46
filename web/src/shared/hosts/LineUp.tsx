import type { ReactNode } from "react";
import type { Host } from "./useHosts";

/** Hosts beside each other on a floor, each as tall as they are, to choose one of. */
export function LineUp(props: {
	label: string;
	hosts: readonly Host[];
	chosen: string;
	onChoose: (hostId: string) => void;
	children?: ReactNode;
}) {
	return (
		<ul className="line-up" aria-label={props.label}>
			{props.hosts.map((host) => (
				<li key={host.id}>
					<button
						type="button"
						className={host.id === props.chosen ? "on" : ""}
						aria-pressed={host.id === props.chosen}
						onClick={() => props.onChoose(host.id)}
					>
						<img src={`/api/hosts/${host.id}/figure.png`} alt="" width={112} height={198} loading="lazy" />
						<span className="serif">{host.name}</span>
					</button>
				</li>
			))}
			{props.children}
		</ul>
	);
}
