import { useMemo, useState } from "react";
import { EVERYBODY, foundHosts } from "../../../shared/hosts/finding";
import { LineUp } from "../../../shared/hosts/LineUp";
import type { Host } from "../../../shared/hosts/useHosts";
import { PlainButton } from "../../../shared/ui/controls";
import { Sheet } from "../../../shared/ui/Sheet";

type Props = {
	speaker: string;
	hosts: readonly Host[];
	chosen: string;
	onChoose: (hostId: string) => void;
	onClose: () => void;
};

/** Everybody who could play a speaker: searched by words, chosen by their picture. */
export function HostSheet({ speaker, hosts, chosen, onChoose, onClose }: Props) {
	const [typed, setTyped] = useState("");
	const found = useMemo(() => foundHosts(hosts, { ...EVERYBODY, typed }), [hosts, typed]);
	return (
		<Sheet label={`A host for ${speaker}`} kind="host-sheet" onClose={onClose}>
			<h2 className="panel-title">A host for {speaker}</h2>
			<label className="hosts-search">
				<span className="label">Find by name, role, age, dress or mood</span>
				<input
					value={typed}
					placeholder="teacher, senior, casual…"
					onChange={(event) => setTyped(event.target.value)}
				/>
			</label>
			<LineUp
				label="Hosts"
				hosts={found}
				chosen={chosen}
				onChoose={(host) => {
					onClose();
					onChoose(host);
				}}
			>
				{!found.length && <li className="quiet">Nobody is like that. Take a word away.</li>}
			</LineUp>
			<div className="change-buttons">
				<PlainButton onClick={onClose}>Close</PlainButton>
				<span className="small quiet num">
					{found.length} of {hosts.length} hosts
				</span>
			</div>
		</Sheet>
	);
}
