"""What could be cut from the lines of a production that are said in clips."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from dearhost.errors import DearHostError
from dearhost.production import Production, is_in_clip, manner_in, voice_of
from dearhost.production.uses import SHELF, Use
from dearhost.script import Line
from server.assets.ownership import usable
from server.studio import studio


def tidying_in(owner_id: int, production: Production) -> list[dict[str, Any]]:
    """Hesitations, false starts and long pauses of all lines in clips that an account may use.

    ``production`` must have its full cast.
    """
    lines = [line for _, _, line in production.script.lines() if is_in_clip(line)]
    if not lines:
        return []
    allowed = usable(owner_id, {Use(SHELF, _clip_of(production, line)) for line in lines})
    return [
        {"line": line.id, **asdict(tidy), "text": line.text[tidy.start : tidy.end]}
        for line in lines
        if Use(SHELF, _clip_of(production, line)) in allowed
        for tidy in _tidying_of(production, line)
    ]


def _clip_of(production: Production, line: Line) -> str:
    taken = manner_in(production, line).clip
    return taken.item if taken else ""


def _tidying_of(production: Production, line: Line) -> list[Any]:
    voices, taken = studio().voices, manner_in(production, line).clip
    try:
        language = voices.voice(voice_of(production, line, voices)).language
        return studio().speaker.clips.tidying(line.text, language, taken) if taken else []
    except DearHostError:  # what keeps the line from being heard is said where it is heard
        return []
