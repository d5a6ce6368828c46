/** Saves what an address answers as a file of the browser's. */
export function saveFile(address: string): void {
	const link = document.createElement("a");
	link.href = address;
	link.download = "";
	link.click();
}
