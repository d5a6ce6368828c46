"""Which way of saying fits the writer's own text."""

from __future__ import annotations

import re

from dearhost.writing.english.stems import sentences
from dearhost.writing.portrait import Portrait


def taste(text: str, style: Portrait) -> float:
    """How well a way of saying fits: long or short sentences, questions, And and But. 0.3 to about 1.3."""
    parts = sentences(text)
    if not parts:
        return 1.0
    mean = sum(len(part.split()) for part in parts) / len(parts)
    fit = 1.0 - 0.025 * min(10.0, abs(mean - style.sentence))
    if any(part.endswith("?") for part in parts):
        fit += 0.25 if style.questions >= 10 else -0.25
    if any(re.match(r"(And|But|So)\b", part) for part in parts):
        fit += 0.06 if style.openers >= 10 else -0.1
    return max(0.3, fit)
