"""Words that were heard, in groups as a speaker breathes, and as sentences."""

from __future__ import annotations

import itertools
from collections.abc import Sequence

from dearhost.speech.aligning.english_model import PlacedWord

_STOPS = ".!?…"


def breaths(words: Sequence[PlacedWord], pause: float = 0.4, from_seconds: float = 0.0,
            longest_seconds: float = 15.0, most: int = 60) -> list[list[PlacedWord]]:  # fmt: skip
    """The words cut at pauses of ``pause`` seconds once a group has lasted ``from_seconds``, and where one gets longer
    than ``longest_seconds`` or ``most`` words."""
    groups = [[words[0]]] if words else []
    for before, word in itertools.pairwise(words):
        length = before.end - groups[-1][0].start
        paused = word.start - before.end >= pause and length >= from_seconds
        if paused or length >= longest_seconds or len(groups[-1]) >= most:
            groups.append([])
        groups[-1].append(word)
    return groups


def as_sentence(words: Sequence[PlacedWord]) -> str:
    """The words as a line: with a capital at its beginning and a stop at its end."""
    return finished(" ".join(word.text for word in words))


def finished(text: str) -> str:
    """A text with a capital at its beginning and a stop at its end."""
    text = text[:1].upper() + text[1:]
    return text if text.rstrip("\"')”’").endswith(tuple(_STOPS)) else text.rstrip(",;:–-") + "."
