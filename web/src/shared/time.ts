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
	const value = Math.max(0.1, bytes / 1e6); // nothing takes "0.0 MB"
	return `${value < 10 ? value.toFixed(1) : Math.round(value)} MB`;
}

/** "10:42" of a date. */
export function hourOf(date: Date): string {
	return date.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
}

/** "today", "yesterday", "Mon 3 Nov", or with the year where that is another. */
export function dayOf(date: Date, now = new Date()): string {
	const days = Math.round((midnight(now) - midnight(date)) / 86_400_000);
	if (days === 0) return "today";
	if (days === 1) return "yesterday";
	const year = date.getFullYear() === now.getFullYear() ? undefined : "numeric";
	return date.toLocaleDateString("en-GB", { weekday: "short", day: "numeric", month: "short", year });
}

function midnight(date: Date): number {
	return Date.UTC(date.getFullYear(), date.getMonth(), date.getDate());
}

/** 100 -> "about 2 min". */
export function about(seconds: number): string {
	return timeLeft(seconds).replace(" left", "");
}

/** "3:00", "1:30 min", "60 s", "90" or "2 min" as seconds; "" as 0; null for what is none of these. */
export function parseLength(text: string): number | null {
	const clean = text.trim().toLowerCase().replace(",", ".");
	if (!clean) return 0;
	const clocked = clean.match(/^(\d{1,3}):([0-5]\d)(?:\s*min)?$/);
	if (clocked) return Number(clocked[1]) * 60 + Number(clocked[2]);
	const counted = clean.match(/^(\d{1,5}(?:\.\d+)?)\s*(s|sec|seconds?|min|minutes?)?$/);
	if (!counted) return null;
	const seconds = Number(counted[1]) * (counted[2]?.startsWith("m") ? 60 : 1);
	return seconds <= 21600 ? seconds : null;
}

/** A length as it would be typed: 0 as "". */
export function shownLength(seconds: number): string {
	return seconds ? clock(seconds) : "";
}
