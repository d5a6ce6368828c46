"""Stretches between an opening and a closing mark, found in time that grows with the text and no faster."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator, Mapping

NOTE = {"[[": "]]"}
BONEYARD = {"/*": "*/"}
COMMENT = {"<!--": "-->"}


def pairs_in(text: str, marks: Mapping[str, str]) -> Iterator[tuple[int, int]]:
    """(start, end) of every stretch from an opening mark to the next closing one, in order, marks included.

    ``marks`` gives the closing mark of each opening one. An opening mark that nothing closes is text.
    """
    openings = re.compile("|".join(map(re.escape, marks)))
    unclosed: set[str] = set()
    found = openings.search(text)
    while found:
        opening = found[0]
        # once a mark is closed nowhere it need not be looked for again: that is what keeps the time linear
        close = -1 if opening in unclosed else text.find(marks[opening], found.end())
        if close < 0:
            unclosed.add(opening)
            found = openings.search(text, found.start() + 1)
            continue
        end = close + len(marks[opening])
        yield found.start(), end
        found = openings.search(text, end)


def without_pairs(text: str, marks: Mapping[str, str], instead: Callable[[str], str] = lambda stretch: "") -> str:
    """``text`` with ``instead(stretch)`` for every stretch."""
    parts: list[str] = []
    last = 0
    for start, end in pairs_in(text, marks):
        parts += [text[last:start], instead(text[start:end])]
        last = end
    return "".join([*parts, text[last:]])
