import { useMutation } from "@tanstack/react-query";
import { useRef } from "react";
import { sendFile, sentence } from "../../shared/api/client";
import { PlainButton } from "../../shared/ui/controls";

type Props = { badge: string; onChange: (badge: string) => void };

/** A picture of one's own on the chest, or on the lanyard's card. */
export function BadgeChoice({ badge, onChange }: Props) {
	const files = useRef<HTMLInputElement>(null);
	const make = useMutation({
		mutationFn: (file: File) => sendFile<{ badge: string }>("/api/workshop/badge", file, file.name),
		onSuccess: (made) => onChange(made.badge),
	});
	return (
		<fieldset className="badge-choice">
			<legend className="label">Badge, on the chest or the lanyard</legend>
			<p className="change-buttons">
				{badge && <img src={`data:image/png;base64,${badge}`} alt="The badge" height={32} />}
				<PlainButton small disabled={make.isPending} onClick={() => files.current?.click()}>
					{badge ? "Another picture" : "Choose a picture"}
				</PlainButton>
				{badge && (
					<PlainButton small onClick={() => onChange("")}>
						Take it off
					</PlainButton>
				)}
				<input
					ref={files}
					type="file"
					hidden
					accept="image/png,image/jpeg,image/webp"
					aria-label="A picture for the badge"
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
