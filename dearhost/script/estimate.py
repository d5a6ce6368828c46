"""Running time before anything has been spoken."""

from __future__ import annotations

from dearhost.script.document import Scene, Script
from dearhost.script.spoken import words_of

SECONDS_PER_WORD = 167 / 376
"""376 words run 2 min 47 s at a normal reading pace, pauses included (common practice, no source)."""


def count_words(script: Script) -> int:
    """The number of written words that are spoken."""
    return sum(len(words_of(line.text)) for _, _, line in script.lines())


def estimated_seconds(script: Script | Scene) -> float:
    """Seconds the script or scene would run at a normal pace."""
    lines = script.lines if isinstance(script, Scene) else [line for _, _, line in script.lines()]
    return sum(len(words_of(line.text)) for line in lines) * SECONDS_PER_WORD
