"""What is wrong with a brief, named before anything is made of it."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass

from dearhost.script import SECONDS_PER_WORD, Brief, placeholders

_LONG_POINT = 40
"""Words of a point from which it is several."""
_ALIKE = 0.8
"""Of all the words of two points, how many they share when they say the same (Jaccard)."""
_CODE = re.compile(r"</?[a-z][a-z0-9]*(?:\s[^<>]*)?/?>|&[a-z]{2,8};", re.I)
_WORD = re.compile(r"[^\W_]+(?:['’-][^\W_]+)*")
_TEXTS = ("topic", "purpose", "audience", "channel", "tone", "call_to_action", "own_words")


@dataclass(frozen=True, slots=True)
class BriefNote:
    """A fault of the answer ``field`` of a brief; of which point, counted from 0, where that is ``points``."""

    field: str
    message: str
    index: int = 0


def brief_notes(brief: Brief) -> tuple[BriefNote, ...]:
    """The faults of a brief, in the order of its answers. One that is empty has none: every answer may be left out."""
    texts = (BriefNote(name, fault) for name in _TEXTS for fault in _of_text(getattr(brief, name)))
    points = (BriefNote("points", fault, index) for index, fault in _of_points(brief.points))
    return (*texts, *points, *_of_length(brief))


def _of_text(text: str) -> Iterator[str]:
    code = _CODE.search(text)
    if code:
        yield f"Holds code ({code[0][:20]}): write the words alone."
    for slot in placeholders(text)[:1]:
        yield f"“{text[slot.start : slot.end]}” is still open: fill it in, or leave it out."
    words = _WORD.findall(text)
    if len(words) > 2 and text.upper() == text and text.lower() != text:
        yield "Is in capitals: write it as it would be said."


def _of_points(points: tuple[str, ...]) -> Iterator[tuple[int, str]]:
    said: list[tuple[int, set[str]]] = []
    numbered: list[tuple[int, set[str], str]] = []
    for index, point in enumerate(points):
        words = _WORD.findall(point)
        if not words:
            continue
        for fault in _of_text(point):
            yield index, fault
        if len(words) == 1:
            yield index, "Is one word: what about it?"
        elif len(words) > _LONG_POINT:
            yield index, f"Has {len(words)} words: divide it into several points."
        if point.rstrip().endswith("?"):
            yield index, "Is a question: write what is to be said, or ask it in the script."
        mine = {word.casefold() for word in words}
        against = next((n for n, theirs, text in numbered if _differ_in_numbers(point, mine, text, theirs)), None)
        if against is not None:
            yield index, f"Says otherwise than point {against + 1}: which is right?"
        numbered.append((index, mine, point))
        same = next((number for number, other in said if len(mine & other) >= _ALIKE * len(mine | other)), None)
        if same is not None:
            yield index, f"Says the same as point {same + 1}."
        said.append((index, mine))


_FREE = re.compile(r"\b(free|nothing|no charge)\b", re.I)
_PRICE = re.compile(r"[£€$]\s?\d|\b\d+\s?(?:pounds?|euros?|pence|dollars?)\b", re.I)
_BUT_FOR_NUMBERS = 0.5


def _differ_in_numbers(point: str, mine: set[str], other: str, theirs: set[str]) -> bool:
    """Whether two points say the same of something with other numbers, or one that it is free and one what it costs."""
    words, others = ({word for word in side if not any(c.isdigit() for c in word)} for side in (mine, theirs))
    if (_FREE.search(point) and _PRICE.search(other)) or (_FREE.search(other) and _PRICE.search(point)):
        return len((words & others) - _LITTLE) >= 1
    numbers, other_numbers = set(re.findall(r"\d+", point)), set(re.findall(r"\d+", other))
    alike = len(words & others) >= _BUT_FOR_NUMBERS * max(1, len(words | others))
    return bool(numbers and other_numbers and numbers != other_numbers and alike)


_LITTLE = frozenset("the a an is are it its to of for in on at and with free costs cost pounds euros per".split())


def _of_length(brief: Brief) -> Iterator[BriefNote]:
    words = sum(len(_WORD.findall(point)) for point in (*brief.points, brief.call_to_action))
    needed = round(words * SECONDS_PER_WORD)
    if 0 < brief.target < needed:
        minutes, seconds = divmod(needed, 60)
        yield BriefNote("target", f"What must be said takes about {minutes}:{seconds:02d} alone.")
