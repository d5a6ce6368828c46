import { useEffect, useMemo, useState } from "react";
import { type Hearing, Recorder } from "./recorder";

/** A microphone for as long as the component is there. */
export function useRecorder(): { hearing: Hearing; recorder: Recorder } {
	const [hearing, setHearing] = useState<Hearing>({ state: "off" });
	const recorder = useMemo(() => new Recorder(setHearing), []);
	useEffect(() => () => recorder.cancel(), [recorder]);
	return { hearing, recorder };
}
