const REGIONS = [".script", ".play", ".tab.on", "[role=tabpanel] :is(input, button, select)", ".shore-slide"];

/** The keyboard goes on to the next part of the book. */
export function nextRegion(step: number): void {
	const places = REGIONS.map((selector) => document.querySelector<HTMLElement>(selector));
	const now = places.findIndex((place) => place?.contains(document.activeElement));
	for (let i = 1; i <= places.length; i += 1) {
		const place = places[(now + i * step + places.length * 2) % places.length];
		if (place) {
			place.focus();
			return;
		}
	}
}
