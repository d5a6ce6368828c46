import { sentence } from "../api/client";
import { PlainButton } from "./controls";

type Props = {
	/** What was taken off a list, and how long it is kept; "" for nothing. */
	says: string;
	onUndo: () => void;
	/** Why something could not be done. */
	problem: unknown;
};

/** What was just taken off a list, with a way to have it back. */
export function PutAwayNote({ says, onUndo, problem }: Props) {
	return (
		<div role="status">
			{says && (
				<p className="shelf-told">
					{says}{" "}
					<PlainButton small onClick={onUndo}>
						Undo
					</PlainButton>
				</p>
			)}
			{problem != null && <p className="problem small">{sentence(problem)}</p>}
		</div>
	);
}
