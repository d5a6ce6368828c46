import { type ReactNode, useState } from "react";
import { ChangeList } from "./ChangeList";
import type { PanelProps } from "./panel";
import type { Proposal } from "./scope";

/** A change to be shown before it is made: give it to `propose`; while it waits, `list` stands for the panel. */
export function useProposal(change: PanelProps["change"]): { propose: (proposal: Proposal) => void; list: ReactNode } {
	const [proposal, setProposal] = useState<Proposal | null>(null);
	const leave = () => setProposal(null);
	const make = () => {
		if (proposal) change(proposal.part, proposal.own);
		leave();
	};
	return {
		propose: setProposal,
		list: proposal && <ChangeList proposal={proposal} onMake={make} onLeave={leave} />,
	};
}
