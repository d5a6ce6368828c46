import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { type Schemas, sendFile, sentence } from "../../../shared/api/client";
import { MainButton, PlainButton } from "../../../shared/ui/controls";
import { Sheet } from "../../../shared/ui/Sheet";

type Found = Schemas["DocumentPointsOut"];
const TICKED = 8;

type Row = { text: string; source: string; ticked: boolean };

/** Send a document and read the points in it. */
export function useDocumentPoints() {
	return useMutation({ mutationFn: (file: File) => sendFile<Found>("/api/writing/points", file, file.name) });
}

type Props = { found: Found; onTake: (points: string[], title: string) => void; onClose: () => void };

/** The points of a document, each with its sentence: ticked, ordered and reworded before they are taken. */
export function DocumentPoints({ found, onTake, onClose }: Props) {
	const [rows, setRows] = useState<Row[]>(() =>
		found.points.map((point) => ({ ...point, ticked: point.rank < TICKED })),
	);
	const set = (index: number, part: Partial<Row>) =>
		setRows((now) => now.map((row, i) => (i === index ? { ...row, ...part } : row)));
	const shift = (index: number, by: number) =>
		setRows((now) => {
			const to = index + by;
			const [moved] = now.slice(index, index + 1);
			if (!moved || to < 0 || to >= now.length) return now;
			return now.toSpliced(index, 1).toSpliced(to, 0, moved);
		});
	const taken = rows.filter((row) => row.ticked && row.text.trim());
	return (
		<Sheet label="Points of a document" kind="document-points" onClose={onClose}>
			<h2 className="panel-title">
				Points of “{found.title}” <span className="small quiet">in its own sentences</span>
			</h2>
			<ol>
				{rows.map((row, i) => (
					<li key={row.source}>
						<input
							type="checkbox"
							aria-label={`Take point ${i + 1}`}
							checked={row.ticked}
							onChange={(event) => set(i, { ticked: event.target.checked })}
						/>
						<div>
							<textarea
								rows={1}
								aria-label={`Point ${i + 1}`}
								value={row.text}
								onChange={(event) => set(i, { text: event.target.value.replaceAll("\n", " ") })}
							/>
							{row.source.replace(/[.!?]$/, "") !== row.text && <p className="small quiet">from: {row.source}</p>}
						</div>
						<span className="small">
							<button type="button" className="link" aria-label={`Move point ${i + 1} up`} onClick={() => shift(i, -1)}>
								Up
							</button>{" "}
							<button
								type="button"
								className="link"
								aria-label={`Move point ${i + 1} down`}
								onClick={() => shift(i, 1)}
							>
								Down
							</button>
						</span>
					</li>
				))}
			</ol>
			{found.unread > 0 && (
				<p className="small quiet">{found.unread} more sentences were too many; the first 4,000 were read.</p>
			)}
			<div className="change-buttons">
				<MainButton
					disabled={!taken.length}
					onClick={() =>
						onTake(
							taken.map((row) => row.text.trim()),
							found.title,
						)
					}
				>
					Take {taken.length} {taken.length === 1 ? "point" : "points"}
				</MainButton>
				<PlainButton onClick={onClose}>Leave them</PlainButton>
			</div>
		</Sheet>
	);
}

/** What could not be read of a document, in words. */
export function DocumentProblem({ error }: { error: unknown }) {
	return error ? (
		<p role="alert" className="problem small">
			{sentence(error)}
		</p>
	) : null;
}
