import type { ReactNode } from "react";

type Props = {
	/** What it would look like. */
	picture: ReactNode;
	words: string;
	note: ReactNode;
	/** What could be shown instead, and what of it is chosen. */
	others?: readonly { thing: string; picture: string }[];
	other?: string;
	onOther?: (thing: string) => void;
	onTake: () => void;
	onLeave: () => void;
};

/** Something that could be shown on words, as a print: taken, changed, or left out. */
export function Suggestion({ picture, words, note, others = [], other = "", onOther, onTake, onLeave }: Props) {
	return (
		<li>
			{picture}
			<span className="print-buttons small">
				<button type="button" className="link" onClick={onTake}>
					Take
				</button>
				<button type="button" className="link" onClick={onLeave}>
					Leave out
				</button>
			</span>
			<span className="small">
				<i className="serif">{words}</i>
				<span className="quiet num">{note}</span>
			</span>
			{others.length > 0 && (
				<span className="print-others small">
					<span className="quiet">or</span>
					{others.map(({ thing, picture: small }) => (
						<button
							type="button"
							key={thing}
							className={thing === other ? "on" : ""}
							aria-pressed={thing === other}
							aria-label={`Show ${thing.replaceAll("-", " ")} instead`}
							title={thing.replaceAll("-", " ")}
							onClick={() => onOther?.(thing === other ? "" : thing)}
						>
							<img src={small} alt="" width={26} height={26} loading="lazy" />
						</button>
					))}
				</span>
			)}
		</li>
	);
}
