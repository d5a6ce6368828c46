"""Where the words of a text are in a recording of it."""

from dearhost.speech.aligning.aligner import VERSION, Aligner
from dearhost.speech.aligning.timing import Alignment, WordTime, nudged

__all__ = ["VERSION", "Aligner", "Alignment", "WordTime", "nudged"]
