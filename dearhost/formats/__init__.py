"""Open formats: timed text (SubRip, WebVTT, IMSC, ASS, transcripts) and pronunciation lists (PLS)."""

from dearhost.formats.imsc import to_imsc
from dearhost.formats.pls import Lexeme, Lexicon, read_pls, write_pls
from dearhost.formats.timed_text import TimedText, to_srt, to_webvtt
from dearhost.formats.transcript import to_ass, to_html_transcript, to_transcript, to_word_transcript

__all__ = [
    "Lexeme",
    "Lexicon",
    "TimedText",
    "read_pls",
    "to_ass",
    "to_html_transcript",
    "to_imsc",
    "to_srt",
    "to_transcript",
    "to_webvtt",
    "to_word_transcript",
    "write_pls",
]
