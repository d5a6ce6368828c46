import { sentence } from "../../../shared/api/client";
import { useIdeas, type Writer } from "./useDrafts";

/** Ten angles on the topic, each from something in the brief; the open ones last, as places to fill. */
export function Ideas({ writer, onPoint }: { writer: Writer; onPoint: (point: string) => void }) {
	const found = useIdeas(writer, true);
	if (found.isError) {
		return (
			<p role="alert" className="problem">
				{sentence(found.error)}
			</p>
		);
	}
	return (
		<ol className="ideas small">
			{found.data?.map((idea) => (
				<li key={idea.title}>
					<span className="quiet">{idea.kind}</span>
					{idea.structure ? (
						<span className="serif">{idea.title}</span>
					) : (
						<button type="button" className="open-place" onClick={() => onPoint(idea.title)}>
							{idea.title.slice(1, -1)}
						</button>
					)}
				</li>
			))}
		</ol>
	);
}
