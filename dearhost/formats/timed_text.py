"""Captions as SubRip (SRT) and WebVTT (W3C Candidate Recommendation, 4 April 2019)."""

from __future__ import annotations

import html
from collections.abc import Iterable
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class TimedText:
    """One caption: seconds, and one or two lines of text. ``speaker`` may be ""; ``top``: it is shown at the top."""

    start: float
    end: float
    lines: tuple[str, ...]
    speaker: str = ""
    top: bool = False


def clock(seconds: float, point: str) -> str:
    """``hh:mm:ss`` and milliseconds after ``point``."""
    total = round(max(0.0, seconds) * 1000)
    hours, rest = divmod(total, 3_600_000)
    minutes, rest = divmod(rest, 60_000)
    whole, thousandths = divmod(rest, 1000)
    return f"{hours:02d}:{minutes:02d}:{whole:02d}{point}{thousandths:03d}"


def to_srt(captions: Iterable[TimedText]) -> str:
    """SubRip: numbered from 1, comma before the milliseconds, a blank line between captions."""
    blocks = [
        f"{number}\n{clock(c.start, ',')} --> {clock(c.end, ',')}\n" + "\n".join(c.lines) + "\n"
        for number, c in enumerate(captions, 1)
    ]
    return "\n".join(blocks)


def to_webvtt(captions: Iterable[TimedText], *, language: str) -> str:
    """WebVTT: header, then cues; a known speaker becomes a voice span, what is shown at the top has
    its line there. ``language`` is a BCP 47 tag."""
    blocks = [f"WEBVTT\nLanguage: {language}\n"]
    for number, caption in enumerate(captions, 1):
        text = "\n".join(html.escape(line, quote=False) for line in caption.lines)
        if caption.speaker:
            text = f"<v {html.escape(caption.speaker, quote=False)}>{text}"
        place = " line:10%" if caption.top else ""
        blocks.append(f"{number}\n{clock(caption.start, '.')} --> {clock(caption.end, '.')}{place}\n{text}\n")
    return "\n".join(blocks)
