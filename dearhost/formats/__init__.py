"""Open formats: timed text (SubRip, WebVTT) and pronunciation lists (PLS)."""

from dearhost.formats.pls import Lexeme, Lexicon, read_pls, write_pls
from dearhost.formats.timed_text import TimedText, to_srt, to_webvtt

__all__ = ["Lexeme", "Lexicon", "TimedText", "read_pls", "to_srt", "to_webvtt", "write_pls"]
