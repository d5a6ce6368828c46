import type { Host } from "../../../shared/hosts/useHosts";
import { useVoices } from "../../../shared/voices/useVoices";

/** Offers the voice that goes with a host where the chosen one sounds like somebody else. */
export function FittingVoice(props: {
	name: string;
	host: Host | undefined;
	voice: string;
	onChoose: (voiceId: string) => void;
}) {
	const { data: voices } = useVoices();
	const now = voices?.find((voice) => voice.id === props.voice);
	const fitting = voices?.find((voice) => voice.id === props.host?.voice);
	if (props.host?.kind !== "person" || !now?.heard_as || !fitting?.heard_as || now.heard_as === fitting.heard_as)
		return null;
	return (
		<p className="small goes-with">
			{now.name} sounds like a {now.heard_as}.{" "}
			<button type="button" className="link small" onClick={() => props.onChoose(fitting.id)}>
				Give {props.name} {fitting.name}’s voice
			</button>
		</p>
	);
}
