"""A draft that sounds like the writer's own text: which way of saying fits it, and sentences about as long."""

from __future__ import annotations

import re
from collections.abc import Collection

from dearhost.writing.english.clauses import Form, form_of, lower_first
from dearhost.writing.english.stems import sentences
from dearhost.writing.english.tagging import expanded
from dearhost.writing.portrait import Portrait
from dearhost.writing.reworking.splitting import split_sentence

_LONGEST_JOINED = 26
"""Words of two sentences that are made one."""


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


def in_style(text: str, style: Portrait, names: Collection[str] = ()) -> str:
    """The sentences of a line, cut or joined until they are about as long as the style's."""
    parts = sentences(text)
    if not parts:
        return text
    mean = sum(len(part.split()) for part in parts) / len(parts)
    if mean > style.sentence + 1:
        longest = max(6, round(style.sentence * 1.4))
        return " ".join(piece for part in parts for piece in split_sentence(part, longest))
    while mean < 0.85 * style.sentence:
        tried = ((index, _joined(parts[index], parts[index + 1], names)) for index in range(len(parts) - 1))
        joint = next(((index, one) for index, one in tried if one), None)
        if joint is None:
            break
        index, one = joint
        parts[index : index + 2] = [one]
        mean = sum(len(part.split()) for part in parts) / len(parts)
    return " ".join(parts)


def _joined(one: str, other: str, names: Collection[str]) -> str:
    """Two sentences as one, or nothing where that would be clumsy."""
    if not (one.endswith(".") and other.endswith(".")) or re.search(r"[“:{]", one + other):
        return ""
    if len(one.split()) + len(other.split()) > _LONGEST_JOINED or re.match(r"(Please|Here)\b", other):
        return ""
    lead = re.match(r"(So|But|And yet|And) (.+)$", other)
    first, second = one[:-1], lead[2] if lead else other
    forms = form_of(expanded(first)), form_of(expanded(second.rstrip(".")))
    if not all(form in (Form.SENTENCE, Form.IMPERATIVE) for form in forms):
        return ""
    if lead:
        return f"{first}, {lead[1].lower()} {lower_first(second, names)}"
    if forms[0] is not forms[1] or ", and" in one + other:
        return ""
    if re.match(r"(If|When|At|Before|After|Because)\b", second) or re.match(r"(If|When)\b", first):
        return ""
    return f"{first}, and {lower_first(second, names)}"
