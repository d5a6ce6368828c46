"""Running time before anything has been spoken."""

from __future__ import annotations

from dearhost.script.document import Scene, Script
from dearhost.script.spoken import words_of

SECONDS_PER_WORD = 167 / 376
"""376 words run 2 min 47 s at a normal reading pace, pauses included (common practice, no source)."""


def count_words(script: Script | Scene) -> int:
    """The number of written words that are spoken."""
    return sum(len(words_of(text)) for text in _spoken(script))


def estimated_seconds(script: Script | Scene) -> float:
    """Seconds the script or scene would run at a normal pace."""
    return count_words(script) * SECONDS_PER_WORD


def _spoken(script: Script | Scene) -> list[str]:
    lines = script.lines if isinstance(script, Scene) else [line for _, _, line in script.lines()]
    return [line.text for line in lines]
