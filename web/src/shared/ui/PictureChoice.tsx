import { useMutation } from "@tanstack/react-query";
import { useRef } from "react";
import { sendFile, sentence } from "../api/client";
import { PlainButton } from "./controls";

type Props<Made> = {
	label: string;
	/** Where the chosen picture is, "" for none. */
	source: string;
	alt: string;
	/** Where a file is sent, and what comes back. */
	path: string;
	onMade: (made: Made) => void;
	onRemove: () => void;
};

/** A picture of one's own, chosen from a file. */
export function PictureChoice<Made>({ label, source, alt, path, onMade, onRemove }: Props<Made>) {
	const files = useRef<HTMLInputElement>(null);
	const make = useMutation({
		mutationFn: (file: File) => sendFile<Made>(path, file, file.name),
		onSuccess: onMade,
	});
	return (
		<fieldset className="picture-choice">
			<legend className="label">{label}</legend>
			<p className="change-buttons">
				{source && <img src={source} alt={alt} height={32} />}
				<PlainButton small disabled={make.isPending} onClick={() => files.current?.click()}>
					{source ? "Another picture" : "Choose a picture"}
				</PlainButton>
				{source && (
					<PlainButton small onClick={onRemove}>
						No picture
					</PlainButton>
				)}
				<input
					ref={files}
					type="file"
					hidden
					accept="image/png,image/jpeg,image/webp"
					aria-label={label}
					onChange={(event) => {
						const file = event.target.files?.[0];
						if (file) make.mutate(file);
						event.target.value = "";
					}}
				/>
			</p>
			{make.isError && (
				<p role="alert" className="problem small">
					{sentence(make.error)}
				</p>
			)}
		</fieldset>
	);
}
