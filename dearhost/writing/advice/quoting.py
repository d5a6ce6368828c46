"""Whether what somebody of the audience wrote is spoken word for word, and may be."""

from __future__ import annotations

import re

from dearhost.script import Brief, Place, Script
from dearhost.writing.advice.notes import Advice, shown

_FEWEST_WORDS = 5
"""Fewer may be anybody's."""


def quoted(script: Script, brief: Brief) -> list[Advice]:
    """One piece of advice a remark that is spoken to the letter; settled once the brief says it may be quoted."""
    found = []
    for remark in brief.own_words.split("\n"):
        words = re.findall(r"\w+", remark)
        if len(words) < _FEWEST_WORDS:
            continue
        pattern = re.compile(r"\W+".join(re.escape(word) for word in words), re.I)
        place = _place(script, pattern)
        if place:
            found.append(
                Advice(
                    "quotation",
                    f"A comment is spoken word for word: {shown(remark.strip())}",
                    "Whoever wrote it has a say. Mark the audience's words as free to be quoted once you have asked.",
                    place,
                    brief.may_quote,
                )
            )
    return found


def _place(script: Script, pattern: re.Pattern[str]) -> Place | None:
    for number, scene in enumerate(script.scenes, 1):
        for index, line in enumerate(scene.lines, 1):
            match = pattern.search(line.text)
            if match:
                return Place(number, index, match.start(), match.end())
    return None
