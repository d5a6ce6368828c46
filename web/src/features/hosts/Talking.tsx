import { useState } from "react";
import type { Sheet } from "../../shared/hosts/useHosts";
import { PlainButton } from "../../shared/ui/controls";
import { useSettled } from "../../shared/useSettled";
import { SheetPicture } from "./SheetPicture";
import { useDrawn } from "./useDrawn";

type Props = { sheet: Sheet; voice: string };

/** The host standing, or turning and talking; it goes on so while parts change. */
export function Talking({ sheet, voice }: Props) {
	const settled = useSettled(sheet, 600); // a film is drawn for seconds
	const [moving, setMoving] = useState(false);
	const { address, busy, failed } = useDrawn("/api/workshop/talking.mp4", { sheet: settled, voice }, moving);
	return (
		<div className="workshop-figure">
			{moving && address ? (
				// biome-ignore lint/a11y/useMediaCaption: one sentence, to look at the mouth by
				<video src={address} width={225} height={300} autoPlay loop controls aria-label="The host, talking" />
			) : (
				<SheetPicture sheet={sheet} view="figure" width={225} height={420} alt="The host, standing" />
			)}
			<p className="change-buttons">
				<PlainButton small onClick={() => setMoving(!moving)}>
					{moving ? "Stand still" : "Turn and talk"}
				</PlainButton>
				{moving && busy && <span className="small quiet">Being drawn…</span>}
				{moving && failed && <span className="small problem">It cannot talk now.</span>}
			</p>
		</div>
	);
}
