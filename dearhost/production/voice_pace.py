"""How quickly a voice speaks, by a text it reads once."""

from __future__ import annotations

from dearhost.speech import Speaker
from dearhost.writing.pace import Pace

_SAMPLE = (
    "The tide comes in twice a day. First the water reaches the steps, then the road, and an hour later the harbour "
    "wall is wet. Where does it all come from? Look at the dark line, about as high as your shoulder."
)


def pace_of(speaker: Speaker, voice: str) -> Pace:
    """The pace of a voice. Its reading is kept, so that only the first time takes as long as a line.

    Raises SpeechError for a voice that cannot speak.
    """
    usual = Pace()
    return usual.at(usual.seconds(_SAMPLE) / speaker.read(_SAMPLE, voice).duration)
