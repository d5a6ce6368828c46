"""Reading ease of spoken English."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from dearhost.writing.advice.sentences import Sentence
from dearhost.writing.advice.syllables import syllables_in

_WORDS = ((90, "very easy"), (80, "easy"), (70, "fairly easy"), (60, "plain"), (50, "fairly hard"), (30, "hard"))
"""Flesch (1949), The Art of Readable Writing: the lower end of each step."""


@dataclass(frozen=True, slots=True)
class Readability:
    """``ease`` after Flesch (100 easy, 0 hard), ``grade`` a US school year, ``words`` how it reads."""

    ease: float
    grade: float
    words: str


def flesch_reading_ease(words: int, sentences: int, syllables: int) -> float:
    """Flesch (1948), A new readability yardstick, Journal of Applied Psychology 32(3). All counts at least 1."""
    return 206.835 - 1.015 * words / sentences - 84.6 * syllables / words


def flesch_kincaid_grade(words: int, sentences: int, syllables: int) -> float:
    """Kincaid et al. (1975), Research Branch Report 8-75, US Navy. All counts at least 1."""
    return 0.39 * words / sentences + 11.8 * syllables / words - 15.59


def readability(sentences: Sequence[Sentence]) -> Readability | None:
    """How the text reads as it is spoken ("£3" is two words); None when there is none."""
    words = [word.text for sentence in sentences for word in sentence.words]
    if not words:
        return None
    counts = len(words), len(sentences), sum(syllables_in(word) for word in words)
    ease = flesch_reading_ease(*counts)
    steps = (name for lowest, name in _WORDS if ease >= lowest)
    return Readability(round(ease, 1), round(flesch_kincaid_grade(*counts), 1), next(steps, "very hard"))
