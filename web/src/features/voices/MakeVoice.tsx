import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type FormEvent, useState } from "react";
import { api, ask, sentence } from "../../shared/api/client";
import { PlainButton } from "../../shared/ui/controls";

type Props = {
	/** What is looked for in the list: it may as well be made. */
	typed: string;
	onMade: (voiceId: string) => void;
};

/** A voice from a description in words. */
export function MakeVoice({ typed, onMade }: Props) {
	const queries = useQueryClient();
	const [words, setWords] = useState("");
	const make = useMutation({
		mutationFn: (description: string) => ask(api.POST("/api/voices/made", { body: { description, name: "" } })),
		onSuccess: async (made) => {
			setWords("");
			await queries.invalidateQueries({ queryKey: ["voices"] });
			onMade(made.id);
		},
	});
	const send = (event: FormEvent) => {
		event.preventDefault();
		if (words.trim()) make.mutate(words);
	};
	return (
		<section className="make-voice" aria-label="Make a voice">
			<h2 className="panel-title">Make a voice</h2>
			<form onSubmit={send}>
				<input
					className="serif"
					aria-label="Say who speaks, and how"
					placeholder="an old man, deep, slow and a little hoarse"
					value={words}
					maxLength={300}
					onChange={(event) => setWords(event.target.value)}
					onFocus={() => setWords((now) => now || typed)}
				/>
				<PlainButton onClick={() => words.trim() && make.mutate(words)} disabled={!words.trim() || make.isPending}>
					{make.isPending ? "Making it…" : "Make it"}
				</PlainButton>
			</form>
			{make.isError && (
				<p role="alert" className="problem small">
					{sentence(make.error)}
				</p>
			)}
		</section>
	);
}
