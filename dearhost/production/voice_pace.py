"""How quickly a voice speaks, by a text it has read or as its table says."""

from __future__ import annotations

from dearhost.speech import Speaker
from dearhost.writing.pace import Pace

PACE_SAMPLE = (
    "The tide comes in twice a day. First the water reaches the steps, then the road, and an hour later the harbour "
    "wall is wet. Where does it all come from? Look at the dark line, about as high as your shoulder."
)


def pace_of(speaker: Speaker, voice_id: str) -> Pace:
    """The pace of a voice.

    Nobody waits for a neural voice to read first: until the sample has been read, the measured pace of the voice
    holds, which is within a few percent. A voice of unknown pace reads the sample now; its reading is kept.

    Raises UnknownVoice, or SpeechError for a voice that cannot speak.
    """
    usual = Pace()
    voice = speaker.registry.voice(voice_id)
    seconds = speaker.known_seconds(PACE_SAMPLE, voice_id)
    if seconds is None and voice.pace:
        return usual.at(voice.pace)
    return usual.at(usual.seconds(PACE_SAMPLE) / (seconds or speaker.read(PACE_SAMPLE, voice_id).duration))
