"""Open formats for timed text."""

from dearhost.formats.timed_text import TimedText, to_srt, to_webvtt

__all__ = ["TimedText", "to_srt", "to_webvtt"]
