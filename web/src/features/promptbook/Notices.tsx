import { useState } from "react";
import { useLocation } from "react-router";
import { hourOf } from "../../shared/time";
import { PlainButton } from "../../shared/ui/controls";
import { Icon } from "../../shared/ui/icons";
import { Difference } from "./Difference";
import type { ProductionDocument } from "./document/document";
import type { Keeping, Production } from "./document/keeping";

type Props = {
	keeping: Keeping;
	document: ProductionDocument;
	onTryNow: () => void;
	onMine: () => void;
	onTheirs: (production: Production) => void;
};

/** What had to be changed when the production came out of a file. */
export function OpenedNotes() {
	const location = useLocation();
	const notes = ((location.state as { notes?: string[] } | null)?.notes ?? []).slice(0, 6);
	const [read, setRead] = useState(false);
	if (!notes.length || read) return null;
	return (
		<div className="notice" role="status">
			<div>
				<strong>Some things of this production are not on this machine.</strong>
				{notes.map((note) => (
					<p key={note}>{note}</p>
				))}
				<p className="quiet">Others stand in for them; choose anew in Voice, Host and Set.</p>
			</div>
			<PlainButton onClick={() => setRead(true)}>Good</PlainButton>
		</div>
	);
}

/** A lost connection, a refused save, two windows on one production. */
export function Notices({ keeping, document, onTryNow, onMine, onTheirs }: Props) {
	if (keeping.state === "lost") {
		return (
			<div className="notice warning" role="alert">
				<Icon name="warning" />
				<p>
					<strong>Dear Host does not answer since {hourOf(keeping.since)}.</strong>
					<br />
					What you write stays in this window.{" "}
					{keeping.changes === 1 ? "1 change waits" : `${keeping.changes} changes wait`}.
				</p>
				<PlainButton onClick={onTryNow}>Try now</PlainButton>
			</div>
		);
	}
	if (keeping.state === "refused") {
		return (
			<div className="notice warning" role="alert">
				<Icon name="warning" />
				<p>
					<strong>This could not be kept.</strong> {keeping.detail} Your text stays in this window.
				</p>
				<PlainButton onClick={onTryNow}>Try again</PlainButton>
			</div>
		);
	}
	if (keeping.state === "stale") {
		return (
			<div className="notice stale" role="alertdialog" aria-label="Two windows changed this production">
				<p>
					<strong>Two windows changed this production.</strong> Both are kept until you choose.
				</p>
				<div className="versions">
					<Difference
						before={document}
						after={keeping.theirs.document}
						heads={["This window", `The other window, ${hourOf(new Date(keeping.theirs.updated_at))}`]}
					/>
				</div>
				<div className="version-buttons">
					<PlainButton small onClick={onMine}>
						Use this one
					</PlainButton>
					<PlainButton small onClick={() => onTheirs(keeping.theirs)}>
						Use that one
					</PlainButton>
				</div>
			</div>
		);
	}
	return null;
}
