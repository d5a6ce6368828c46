import { type HTMLAttributes, type KeyboardEvent, useEffect, useRef, useState } from "react";
import { useNothingTriedAfter } from "./trying";

export type SentenceChoice = {
	name: string;
	/** What stands before its word in the sentence. */
	lead: string;
	/** What stands right after it. */
	tail: string;
	label: string;
	value: string;
	options: readonly { value: string; text: string }[];
	/** Where a small picture of an option is, "" for options in words. */
	picture?: (value: string) => string;
	/** Whether its pictures are strips of frames, which are seen as they move. */
	moves?: boolean;
	/** Props of an option while it is pointed at. */
	whilePointedAt?: (value: string, text: string) => HTMLAttributes<HTMLLabelElement>;
	onChoose: (value: string) => void;
};

type Props = {
	choices: readonly SentenceChoice[];
	/** Whether no options are there before a word of it is asked for. */
	closed?: boolean;
};

/** Choices as the underlined words of one sentence; the options of the one that is open lie in a row below. */
export function ChoiceSentence({ choices, closed = false }: Props) {
	const [open, setOpen] = useState(closed ? "" : (choices[0]?.name ?? ""));
	const row = useRef<HTMLFieldSetElement>(null);
	const opened = choices.find((choice) => choice.name === open) ?? (closed ? undefined : choices[0]);
	const intoRow = (event: KeyboardEvent) => {
		if (event.code !== "ArrowDown") return;
		event.preventDefault();
		row.current?.querySelector<HTMLElement>("input:checked")?.focus();
	};
	return (
		<>
			<p className="choice-sentence">
				{choices.map(({ name, lead, tail, label, value, options }) => (
					<span key={name}>
						{lead}{" "}
						<span className="choice-end">
							<button
								type="button"
								className={name === opened?.name ? "choice-word on" : "choice-word"}
								aria-label={`${label}: ${wordsOf(options, value)}`}
								aria-expanded={name === opened?.name}
								aria-controls="choice-row"
								onClick={() => setOpen(name)}
								onFocus={() => setOpen(name)}
								onKeyDown={intoRow}
							>
								{wordsOf(options, value)}
							</button>
							{tail}
						</span>{" "}
					</span>
				))}
			</p>
			{opened && <ChoiceRow key={opened.name} choice={opened} row={row} />}
		</>
	);
}

function ChoiceRow({ choice, row }: { choice: SentenceChoice; row: React.RefObject<HTMLFieldSetElement | null> }) {
	const { picture } = choice;
	const count = choice.options.length;
	useNothingTriedAfter();
	// biome-ignore lint/correctness/useExhaustiveDependencies: what is chosen comes into view, also once there is more to choose from
	useEffect(() => {
		const [all, chosen] = [row.current, row.current?.querySelector<HTMLElement>("label.on")];
		if (!all || !chosen) return;
		// the panel moves only for who asked for the row: a panel that is opened begins at its top
		if (chosen.closest("[role=tabpanel]")?.contains(document.activeElement)) {
			chosen.scrollIntoView({ block: "nearest", inline: "nearest" });
			return;
		}
		const at = chosen.offsetLeft - all.offsetLeft;
		const isSeen = at >= all.scrollLeft && at + chosen.offsetWidth <= all.scrollLeft + all.clientWidth;
		if (!isSeen) all.scrollLeft = at;
	}, [row, count, choice.value]);
	return (
		<fieldset ref={row} id="choice-row" className={picture ? "choice-row pictured" : "choice-row"}>
			<legend>{choice.label}</legend>
			{choice.options.map(({ value, text }) => (
				<label key={value} className={value === choice.value ? "on" : ""} {...choice.whilePointedAt?.(value, text)}>
					<input
						type="radio"
						name={choice.name}
						checked={value === choice.value}
						onChange={() => choice.onChoose(value)}
					/>
					{picture && choice.moves && <span className="try" style={{ backgroundImage: `url(${picture(value)})` }} />}
					{picture && !choice.moves && <img src={picture(value)} alt="" width={98} height={55} loading="lazy" />}
					<span>{text}</span>
				</label>
			))}
		</fieldset>
	);
}

function wordsOf(options: SentenceChoice["options"], value: string): string {
	return options.find((option) => option.value === value)?.text ?? value;
}
