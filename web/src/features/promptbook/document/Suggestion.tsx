import type { ReactNode } from "react";

type Props = {
	/** What it would look like. */
	picture: ReactNode;
	words: string;
	note: ReactNode;
	onTake: () => void;
	onLeave: () => void;
};

/** Something that could be shown on words, as a print: taken, or left out. */
export function Suggestion({ picture, words, note, onTake, onLeave }: Props) {
	return (
		<li>
			{picture}
			<span className="small">
				<i className="serif">{words}</i>
				<span className="quiet num">{note}</span>
			</span>
			<span className="print-buttons small">
				<button type="button" className="link" onClick={onTake}>
					Take
				</button>
				<button type="button" className="link" onClick={onLeave}>
					Leave out
				</button>
			</span>
		</li>
	);
}
