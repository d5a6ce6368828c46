"""Long sentences cut where both halves stand alone, so that there is room to breathe."""

from __future__ import annotations

import re

from dearhost.writing.english.clauses import (
    as_sentence,
    contracted,
    is_clause,
    is_statement_or_command,
)
from dearhost.writing.english.stems import LONGEST_SENTENCE
from dearhost.writing.english.tagging import FINITE, PLURAL_VERBS, expanded, tagged

LONGEST = 18
"""Words said in one breath (common practice, no source)."""
_JOINT = re.compile(r"; |, (and|but|so|yet|because|which) |: | [–—] ")
_OPENINGS = {"but": "But ", "so": "So ", "because": "Because ", "yet": "And yet "}


def split_sentence(sentence: str, longest: int = LONGEST) -> list[str]:
    """The sentence in parts of at most ``longest`` words, where it can be cut; else as it is."""
    if len(sentence.split()) <= longest or "“" in sentence or len(sentence) > LONGEST_SENTENCE:
        return [sentence]
    mark = sentence[-1] if sentence.endswith((".", "?", "!")) else "."
    parts = _parts(expanded(sentence.rstrip(".?!")), longest)
    if len(parts) == 1:
        return [sentence]
    marks = ["."] * (len(parts) - 1) + [mark]
    return [as_sentence(contracted(part), end) for part, end in zip(parts, marks, strict=True)]


def _parts(text: str, longest: int) -> list[str]:
    if len(text.split()) <= longest:
        return [text]
    joints = sorted(_JOINT.finditer(text), key=lambda joint: abs(joint.start() - len(text) / 2))
    for joint in joints:
        one, other = text[: joint.start()], _opened(joint[1], text[: joint.start()], text[joint.end() :])
        if other:
            return [*_parts(one, longest), *_parts(other, longest)]
    return [text]


def _opened(word: str | None, one: str, other: str) -> str:
    """The second half as it begins a sentence, or nothing where it cannot."""
    if word != "which":
        fits = is_statement_or_command(one) and is_statement_or_command(other)
        return _OPENINGS.get(word or "", "") + other if fits else ""
    tokens = tagged(other)
    if not tokens or tokens[0].tag not in FINITE or not is_clause(one):
        return ""
    if tokens[0].tag in PLURAL_VERBS:
        return f"They {other}"
    several = re.search(r"\b(and|two|three)\b", one.split(",")[-1])
    return "" if several else f"It {other}"
