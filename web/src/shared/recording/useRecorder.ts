import { useEffect, useMemo, useState } from "react";
import { Recorder, type Recording } from "./recorder";

/** A recorder for as long as the component is there: of the microphone, or of what it is started with. */
export function useRecorder(): { recording: Recording; recorder: Recorder } {
	const [recording, setRecording] = useState<Recording>({ state: "off" });
	const recorder = useMemo(() => new Recorder(setRecording), []);
	useEffect(() => () => recorder.cancel(), [recorder]);
	return { recording, recorder };
}
