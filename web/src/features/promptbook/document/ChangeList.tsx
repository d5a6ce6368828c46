import { useEffect, useRef } from "react";
import { MainButton, PlainButton } from "../../../shared/ui/controls";
import { listed, type Proposal } from "./scope";

type Props = { proposal: Proposal; onMake: (proposal: Proposal) => void; onLeave: () => void };

/** A change that hits several scenes, shown before it is made: which scenes, and what differs now. */
export function ChangeList({ proposal, onMake, onLeave }: Props) {
	const box = useRef<HTMLElement>(null);
	useEffect(() => {
		box.current?.querySelector<HTMLElement>("button")?.focus();
	}, []);
	const { says, rows } = proposal;
	const scenes = `${rows.length === 1 ? "scene" : "scenes"} ${listed(rows.map((row) => row.number))}`;
	return (
		<section
			ref={box}
			className="change-list"
			aria-label="What will change"
			onKeyDown={(event) => event.key === "Escape" && onLeave()}
		>
			<p>
				<strong>
					{says} in {scenes}.
				</strong>{" "}
				Nothing else changes.
			</p>
			<ul>
				{rows.map((row) => (
					<li key={row.number}>
						<b className="num">{row.number}</b>
						<span className="serif">{row.heading || "no heading"}</span>
						<span className="small quiet">{row.now}</span>
					</li>
				))}
			</ul>
			<div className="change-buttons">
				<MainButton onClick={() => onMake(proposal)}>
					{rows.length === 1 ? "Make 1 change" : `Make ${rows.length} changes`}
				</MainButton>
				<PlainButton onClick={onLeave}>Leave it</PlainButton>
			</div>
		</section>
	);
}
