import { useRef } from "react";
import { BringFile } from "./BringFile";
import { thumbnailOf, useThings } from "./useShelf";

type Props = {
	label: string;
	kinds: readonly string[];
	/** The things chosen, in order. */
	chosen: readonly string[];
	/** Whether several can be chosen, one after another. */
	several?: boolean;
	onChoose: (items: string[]) => void;
};

const ACCEPTED: Record<string, string> = {
	picture: "image/*,.svg,.heic,.heif",
	clip: "video/*,.mkv,.gif",
	sound: "audio/*",
};

/** Things of the shelf to choose from, with a way to bring another file in. */
export function ShelfChoice({ label, kinds, chosen, several = false, onChoose }: Props) {
	const all = useThings(kinds);
	// what is chosen comes first, where it is seen
	const things = [...all].sort((a, b) => Number(chosen.includes(b.item)) - Number(chosen.includes(a.item)));
	const row = useRef<HTMLDivElement>(null);
	const toggle = (item: string) => {
		if (!several) {
			onChoose(chosen.includes(item) ? [] : [item]);
			row.current?.scrollTo({ left: 0 });
		} else onChoose(chosen.includes(item) ? chosen.filter((one) => one !== item) : [...chosen, item]);
	};
	return (
		<fieldset className="shelf-choice">
			<legend className="label">{label}</legend>
			<div className="shelf-choice-row" ref={row}>
				{things.map((thing) => {
					const place = chosen.indexOf(thing.item);
					return (
						<button
							type="button"
							key={thing.item}
							aria-pressed={place >= 0}
							title={thing.title}
							onClick={() => toggle(thing.item)}
						>
							<img src={thumbnailOf(thing.item)} alt="" width={96} height={54} loading="lazy" />
							<span>
								{several && place >= 0 && chosen.length > 1 && `${place + 1}. `}
								{thing.title}
							</span>
						</button>
					);
				})}
				<BringFile
					says="Bring a file in…"
					label={`${label}: bring a file in`}
					className="shelf-choice-file"
					accept={kinds.map((kind) => ACCEPTED[kind]).join(",")}
					several={several}
					onBrought={(item) => onChoose(several ? [...chosen, item] : [item])}
				/>
			</div>
		</fieldset>
	);
}
