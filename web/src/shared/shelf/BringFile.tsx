import { useRef } from "react";
import { BroughtRow } from "./BroughtRow";
import { useBringing } from "./bringing";
import { useShelfAgain } from "./useShelf";

type Props = {
	/** What the button says, and what the files are called to those who do not see it. */
	says: string;
	label: string;
	accept: string;
	className?: string;
	several?: boolean;
	/** Something is on the shelf now. */
	onBrought: (item: string) => void;
};

/** A button that brings files to the shelf, and how far each of them is. */
export function BringFile({ says, label, accept, className = "link small", several = false, onBrought }: Props) {
	const again = useShelfAgain();
	const files = useRef<HTMLInputElement>(null);
	const { brought, bring, away } = useBringing();
	return (
		<>
			<button type="button" className={className} onClick={() => files.current?.click()}>
				{says}
			</button>
			<input
				ref={files}
				type="file"
				hidden
				multiple={several}
				accept={accept}
				aria-label={label}
				onChange={(event) => {
					bring([...(event.target.files ?? [])]);
					event.target.value = "";
				}}
			/>
			{brought.map((one) => (
				<BroughtRow
					key={one.key}
					one={one}
					onAway={() => away(one.key)}
					onDone={(item) => {
						away(one.key);
						again();
						onBrought(item);
					}}
				/>
			))}
		</>
	);
}
