import type { RefObject } from "react";

type Props = {
	label: string;
	accept: string;
	/** Clicked by what people see. */
	input: RefObject<HTMLInputElement | null>;
	onFile: (file: File) => void;
};

/** A hidden field for a file; the same file can be chosen again. */
export function FileInput({ label, accept, input, onFile }: Props) {
	return (
		<input
			ref={input}
			type="file"
			accept={accept}
			hidden
			aria-label={label}
			onChange={(event) => {
				const file = event.target.files?.[0];
				if (file) onFile(file);
				event.target.value = "";
			}}
		/>
	);
}
