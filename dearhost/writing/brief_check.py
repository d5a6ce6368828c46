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
        same = next((number for number, other in said if len(mine & other) >= _ALIKE * len(mine | other)), None)
        if same is not None:
            yield index, f"Says the same as point {same + 1}."
        said.append((index, mine))


def _of_length(brief: Brief) -> Iterator[BriefNote]:
    words = sum(len(_WORD.findall(point)) for point in (*brief.points, brief.call_to_action))
    needed = round(words * SECONDS_PER_WORD)
    if 0 < brief.target < needed:
        minutes, seconds = divmod(needed, 60)
        yield BriefNote("target", f"What must be said takes about {minutes}:{seconds:02d} alone.")
