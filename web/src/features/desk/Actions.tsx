import { useState } from "react";
import type { MenuEntry } from "../../shared/ui/ContextMenu";
import { MainButton } from "../../shared/ui/controls";
import type { Summary, useShelfWork } from "./useProductions";

type Work = ReturnType<typeof useShelfWork>;

/** What is being named: a production anew, or a pattern of it; null title for nothing. */
export function useNaming(production: Summary) {
	const [title, setTitle] = useState<string | null>(null);
	const [naming, setNaming] = useState<"title" | "pattern">("title");
	const begin = (what: typeof naming) => {
		setNaming(what);
		setTitle(production.title);
	};
	return { title, setTitle, naming, begin };
}

type Props = {
	production: Summary;
	work: Work;
	names: ReturnType<typeof useNaming>;
	entries: readonly MenuEntry[];
};

/** What can be done with a production, in words; while it is named, the field for it. */
export function Actions({ production, work, names: { title, setTitle, naming }, entries }: Props) {
	if (title !== null) {
		return (
			<form
				className="rename"
				onSubmit={(event) => {
					event.preventDefault();
					const named = { id: production.id, title: title.trim() };
					if (named.title && naming === "title") work.rename.mutate(named);
					if (named.title && naming === "pattern") work.keepAsPattern.mutate(named);
					setTitle(null);
				}}
			>
				<input
					// biome-ignore lint/a11y/noAutofocus: it was opened to be written in
					autoFocus
					aria-label={naming === "title" ? `New title of ${production.title}` : "Name of the pattern"}
					value={title}
					maxLength={200}
					onChange={(event) => setTitle(event.target.value)}
					onKeyDown={(event) => event.key === "Escape" && setTitle(null)}
					onFocus={(event) => event.target.select()}
				/>
				<MainButton type="submit" disabled={!title.trim()}>
					{naming === "title" ? "Rename" : "Keep as a pattern"}
				</MainButton>
			</form>
		);
	}
	return (
		<span className="shelf-actions small">
			{entries.map(({ words, onChoose }) => (
				<button key={words} type="button" className="plain quiet" onClick={onChoose}>
					{words}
					<span className="unseen"> {production.title}</span>
				</button>
			))}
		</span>
	);
}
