/** What others may do with the script's cues. */
export type CueHandle = {
	/** Ask what should happen on the word at the caret. */
	ask: () => void;
	/** The word at the caret: its line, and where it begins in it. */
	caret: () => { lineId: string; offset: number } | null;
	/** Set a cue of this kind on the selected words, or on the word at the caret. */
	put: (kind: string) => void;
	/** Open a cue's settings. */
	open: (id: string) => void;
	/** Put a cue on the word at an offset of a line. */
	move: (id: string, lineId: string, from: number, to: number) => void;
};
