import { Button, NativeSelect } from "@chakra-ui/react";
import type { HTMLAttributes, ReactNode } from "react";

/** Words on a hairline; the chosen one washed. */
export function WordChoice<T extends string>(props: {
	label: string;
	/** What stands behind the label: where the choice holds. */
	note?: string;
	value: T;
	options: readonly { value: T; text: string }[];
	onChange: (value: T) => void;
	/** What an option does while it is pointed at. */
	whilePointedAt?: (value: T, text: string) => HTMLAttributes<HTMLLabelElement>;
}) {
	return (
		<fieldset className="words">
			<legend className="label">
				{props.label}
				{props.note}
			</legend>
			{props.options.map((option) => (
				<label
					key={option.value}
					className={option.value === props.value ? "on" : ""}
					{...props.whilePointedAt?.(option.value, option.text)}
				>
					<input
						type="radio"
						name={props.label}
						checked={option.value === props.value}
						onChange={() => props.onChange(option.value)}
					/>
					{option.text}
				</label>
			))}
		</fieldset>
	);
}

/** A labelled list to choose from. */
export function Choice(props: {
	label: string;
	value: string;
	options: readonly { value: string; text: string }[];
	onChange: (value: string) => void;
}) {
	return (
		<label className="choice">
			<span className="label">{props.label}</span>
			<NativeSelect.Root size="sm">
				<NativeSelect.Field value={props.value} onChange={(event) => props.onChange(event.target.value)}>
					{props.options.map((option) => (
						<option key={option.value} value={option.value}>
							{option.text}
						</option>
					))}
				</NativeSelect.Field>
				<NativeSelect.Indicator />
			</NativeSelect.Root>
		</label>
	);
}

/** A box to tick. */
export function Tick(props: { label: string; checked: boolean; onChange: (checked: boolean) => void }) {
	return (
		<label className="tick">
			<input type="checkbox" checked={props.checked} onChange={(event) => props.onChange(event.target.checked)} />
			{props.label}
		</label>
	);
}

/** The one filled button of a region. */
export function MainButton(props: {
	children: ReactNode;
	onClick?: () => void;
	disabled?: boolean;
	type?: "button" | "submit";
}) {
	return (
		<Button variant="solid" type={props.type ?? "button"} onClick={props.onClick} disabled={props.disabled ?? false}>
			{props.children}
		</Button>
	);
}

/** Any other button. */
export function PlainButton(props: {
	children: ReactNode;
	onClick?: () => void;
	disabled?: boolean;
	small?: boolean;
	label?: string;
	type?: "button" | "submit";
}) {
	return (
		<Button
			variant="outline"
			size={props.small ? "xs" : "sm"}
			type={props.type ?? "button"}
			onClick={props.onClick}
			disabled={props.disabled ?? false}
			aria-label={props.label}
		>
			{props.children}
		</Button>
	);
}
