"""The words of a subtitle file (SubRip, WebVTT): its captions, and the lines they become again, without times."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass

import pysubs2
from pysubs2.exceptions import Pysubs2Error

from dearhost.errors import UnreadableScript

_VOICE = re.compile(r"<v(?:\.[^\s>]*)?\s+([^<>\n]{1,60})>")
_SPEAKER = re.compile(r"([^\W\d_][\w .'’-]{0,30}):\s+")
_DASH = re.compile(r"[-–—]\s*")
_SENTENCE_END = re.compile(r"[.!?…][\"'”’)]*$")
_PAUSE, _LONG, _LONGEST = 1500, 320, 1200
"""Milliseconds of silence after a sentence that begin another line; characters after which a sentence end does, and
after which any caption does."""


def text_of_subtitles(text: str, name: str) -> str:
    """What is said in a subtitle file, a paragraph each line, with ``NAME:`` where it tells who speaks.

    Raises UnreadableScript when it holds no captions.
    """
    paragraphs = list(_paragraphs(_read(text, name)))
    if not paragraphs:
        raise UnreadableScript(f"'{name}' holds no captions. Is it the right file?")
    return "\n\n".join(paragraphs)


@dataclass(frozen=True, slots=True)
class TimedCaption:
    """What is shown, and the seconds at which it comes and goes."""

    text: str
    start: float
    end: float


def captions_in(text: str, name: str) -> list[TimedCaption]:
    """The captions of a subtitle file, in order of time, without who speaks. Raises UnreadableScript."""
    captions = sorted(_read(_VOICE.sub("", text), name), key=lambda caption: caption.start)
    rows = (TimedCaption(" ".join(c.plaintext.split()), c.start / 1000, c.end / 1000) for c in captions)
    found = [row for row in rows if row.text]
    if not found:
        raise UnreadableScript(f"'{name}' holds no captions. Is it the right file?")
    return found


def _read(text: str, name: str) -> pysubs2.SSAFile:
    kind = "vtt" if text.lstrip("\ufeff \n").startswith("WEBVTT") else "srt"
    try:
        return pysubs2.SSAFile.from_string(_VOICE.sub(r"\1: ", text), format_=kind)
    except (Pysubs2Error, ValueError, IndexError, OverflowError) as error:
        raise UnreadableScript(
            f"'{name}' is no subtitle file that can be read. Open its words as plain text."
        ) from error


def _paragraphs(captions: pysubs2.SSAFile) -> Iterator[str]:
    said: list[str] = []
    speaker, letters, last_end, last_rows = "", 0, 0, [""]
    for caption in sorted(captions, key=lambda c: c.start):
        rows = [" ".join(row.split()) for row in caption.plaintext.split("\n") if row.strip()]
        rolls = rows and rows[0] == last_rows[-1] and len(rows) + len(last_rows) > 2
        rows_left = rows[1:] if rolls else rows  # captions that roll up show the row before again
        last_rows = rows or last_rows
        for row in rows_left:
            named = _SPEAKER.match(row)
            answers = len(rows) > 1 and _DASH.match(row)
            row = row[named.end() :] if named else row[answers.end() :] if answers else row
            who = named[1].strip() if named else "" if answers else speaker
            ended = bool(said and _SENTENCE_END.search(said[-1]))
            apart = (ended and (caption.start - last_end > _PAUSE or letters > _LONG)) or letters > _LONGEST
            if said and (who != speaker or answers or apart):
                yield _line(speaker, said)
                said, letters = [], 0
            said.append(row)
            letters, speaker = letters + len(row), who
        last_end = max(last_end, caption.end)
    if said:
        yield _line(speaker, said)


def _line(speaker: str, said: Sequence[str]) -> str:
    text = " ".join(filter(None, said))
    return f"{speaker}: {text}" if speaker else text
