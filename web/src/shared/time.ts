/** 75.2 -> "1:15"; with tenths "1:15.2". */
export function clock(seconds: number, tenths = false): string {
	const safe = Math.max(0, tenths ? Math.round(seconds * 10) / 10 : Math.round(seconds));
	const minutes = Math.floor(safe / 60);
	const rest = safe - minutes * 60;
	const text = tenths ? rest.toFixed(1).padStart(4, "0") : String(Math.floor(rest)).padStart(2, "0");
	return `${minutes}:${text}`;
}

/** 100 -> "about 2 min left", for progress. */
export function timeLeft(seconds: number | null | undefined): string {
	if (seconds === null || seconds === undefined) return "";
	if (seconds < 50) return `about ${Math.max(1, Math.round(seconds / 5) * 5)} s left`;
	return `about ${Math.round(seconds / 60) || 1} min left`;
}

/** 12400000 -> "12 MB". */
export function megabytes(bytes: number): string {
	const value = bytes / 1e6;
	return `${value < 10 ? value.toFixed(1) : Math.round(value)} MB`;
}

/** "10:42" of a date. */
export function hourOf(date: Date): string {
	return date.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
}
