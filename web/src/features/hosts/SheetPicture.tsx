import type { Sheet } from "../../shared/hosts/useHosts";
import { useDrawn } from "./useDrawn";

type Props = { sheet: Sheet; view: string; width: number; height: number; alt: string };

/** A sheet that is being made, drawn by the server as it will be in films. */
export function SheetPicture({ sheet, view, width, height, alt }: Props) {
	const { address } = useDrawn("/api/workshop/picture.png", { sheet, view });
	return address ? (
		<img src={address} alt={alt} width={width} height={height} />
	) : (
		<span className="sheet-blank" style={{ width, height }} />
	);
}
