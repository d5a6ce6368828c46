"""Sentences and the stems of their words that say something."""

from __future__ import annotations

import re
from functools import lru_cache

from dearhost.languages.snowball import snowball
from dearhost.writing.english.tagging import expanded

STOP_WORDS = frozenset(
    (
        "a an the and or but so of to in on at by for from with as is are was were be been it its this that "
        "these those there he she they we you i your our their his her my me us them not no if when then than "
        "too very can will would could should may might must do does did have has had what which who how why "
        "where all any each every some most more just also only into out up down over about after before "
        "again once here now"
    ).split()
)
LONGEST_SENTENCE = 1_000
"""Letters; what is longer is a list or a mistake, and is left alone by whatever works on sentences."""
_SENTENCE = re.compile(r"(?:[^.?!]|(?<=\d)\.(?=\d))+(?:[.?!]+[”\"]?|$)")
_ABBREVIATION = re.compile(r"\b(?:Mr|Mrs|Ms|Dr|St|e\.g|i\.e|etc|approx|No|vol|pp?|Fig)\.$", re.I)


def stem(word: str) -> str:
    """The stem of a word in lower case (Porter 2, snowball)."""
    return _stem(word)


def stems(text: str) -> list[str]:
    """The stems of the words that say something, in their order."""
    return [_stem(word) for word in re.findall(r"[a-z0-9]+", expanded(text).lower()) if word not in STOP_WORDS]


def covers(point: str, text: str) -> float:
    """How much of a point's words a text holds, 0 to 1."""
    wanted = set(stems(point))
    return len(wanted & set(stems(text))) / max(1, len(wanted))


def sentences(text: str) -> list[str]:
    """The sentences of a text, each with its mark."""
    return [text[start:end] for start, end in sentence_spans(text)]


def sentence_spans(text: str) -> list[tuple[int, int]]:
    """Where the sentences of a text start and end, without the spaces round them."""
    spans: list[tuple[int, int]] = []
    for match in _SENTENCE.finditer(text):
        start = match.start() + len(match[0]) - len(match[0].lstrip())
        end = match.start() + len(match[0].rstrip())
        if spans and (_ABBREVIATION.search(text[spans[-1][0] : spans[-1][1]]) or text[start:end] in ('"', "”", "’")):
            spans[-1] = (spans[-1][0], end)
        elif end > start:
            spans.append((start, end))
    return spans


@lru_cache(50_000)
def _stem(word: str) -> str:
    return snowball(word, "english")
