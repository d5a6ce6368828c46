"""What could be cut from the lines of a production that are said in clips."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from dearhost.errors import DearHostError
from dearhost.production import Production, is_in_clip, manner_in, voice_of
from dearhost.production.uses import SHELF, Use
from dearhost.script import Line
from dearhost.speech import ClipTaken
from dearhost.speech.clips import Tidy
from server.assets.ownership import usable
from server.studio import studio


def tidying_in(owner_id: int, production: Production) -> list[dict[str, Any]]:
    """Hesitations, false starts and long pauses of all lines in clips that an account may use.

    ``production`` must have its full cast.
    """
    said = [(line, taken) for _, _, line in production.script.lines() if (taken := _taken(production, line))]
    if not said:
        return []
    allowed = usable(owner_id, {Use(SHELF, taken.item) for _, taken in said})
    return [
        {"line": line.id, **asdict(tidy), "text": line.text[tidy.start : tidy.end]}
        for line, taken in said
        if Use(SHELF, taken.item) in allowed
        for tidy in _tidying_of(production, line, taken)
    ]


def _taken(production: Production, line: Line) -> ClipTaken | None:
    return manner_in(production, line).clip if is_in_clip(line) else None


def _tidying_of(production: Production, line: Line, taken: ClipTaken) -> list[Tidy]:
    voices = studio().voices
    try:
        language = voices.voice(voice_of(production, line, voices)).language
        return studio().speaker.clips.tidying(line.text, language, taken)
    except DearHostError:  # what keeps the line from being heard is said where it is heard
        return []
