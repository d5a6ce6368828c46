"""Lines of a draft with sentences about as long as in the writer's own text."""

from __future__ import annotations

import re
from collections.abc import Collection, Sequence
from dataclasses import replace

from dearhost.writing.english.clauses import Form, form_of, lower_first
from dearhost.writing.english.stems import sentences
from dearhost.writing.english.tagging import expanded
from dearhost.writing.outline import DraftLine, LineKind
from dearhost.writing.portrait import Portrait
from dearhost.writing.reworking.splitting import split_sentence

_LONGEST_JOINED = 26
"""Words of two sentences that are made one."""
_NEAR = 0.85
"""Of the style's mean length, from which sentences are long enough."""


def restyled(lines: Sequence[DraftLine], style: Portrait, names: Collection[str] = ()) -> list[DraftLine]:
    """Sentences of a part cut or joined; a line of two joined points says both. Remarks and slots stay."""
    lines = list(lines)
    mean = _mean(lines)
    if mean > style.sentence + 1:
        longest = max(6, round(style.sentence * 1.4))
        return [replace(line, text=_cut(line.text, longest)) if _is_own(line) else line for line in lines]
    while mean < _NEAR * style.sentence:
        joint = _first_joint(lines, names)
        if joint is None:
            break
        start, end, line = joint
        lines[start:end] = [line]
        mean = _mean(lines)
    return lines


def _is_own(line: DraftLine) -> bool:
    return line.kind is LineKind.POINT


def _mean(lines: Sequence[DraftLine]) -> float:
    """Words of a sentence."""
    parts = [part for line in lines if line.kind is not LineKind.SLOT for part in sentences(line.text)]
    return sum(len(part.split()) for part in parts) / max(1, len(parts))


def _cut(text: str, longest: int) -> str:
    return " ".join(piece for part in sentences(text) for piece in split_sentence(part, longest))


def _first_joint(lines: Sequence[DraftLine], names: Collection[str]) -> tuple[int, int, DraftLine] | None:
    """The first two sentences that can be one: inside a line, or over two lines of one speaker."""
    for index, line in enumerate(lines):
        if not _is_own(line):
            continue
        parts = sentences(line.text)
        for number in range(len(parts) - 1):
            one = _joined(parts[number], parts[number + 1], names)
            if one:
                return index, index + 1, replace(line, text=" ".join([*parts[:number], one, *parts[number + 2 :]]))
        after = lines[index + 1] if index + 1 < len(lines) else None
        if after is None or not _is_own(after) or after.speaker != line.speaker:
            continue
        following = sentences(after.text)
        one = _joined(parts[-1], following[0], names) if parts and following else ""
        if one:
            text = " ".join([*parts[:-1], one, *following[1:]])
            points = tuple(dict.fromkeys((*line.points, *after.points)))
            return index, index + 2, replace(line, text=text, points=points)
    return None


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
