"""Lines that are said in clips: their words heard, found again after changes, and cut out."""

from dearhost.speech.clips.cutting import CLIPS_VERSION, kept_spans
from dearhost.speech.clips.lines import ClipLine, lines_of
from dearhost.speech.clips.matching import match_words
from dearhost.speech.clips.store import ClipStore
from dearhost.speech.clips.tidying import Tidy
from dearhost.speech.clips.transcript import LONG_PAUSE, TRANSCRIPT, ClipWord, Transcript

__all__ = [
    "CLIPS_VERSION",
    "LONG_PAUSE",
    "TRANSCRIPT",
    "ClipLine",
    "ClipStore",
    "ClipWord",
    "Tidy",
    "Transcript",
    "kept_spans",
    "lines_of",
    "match_words",
]
