"""How a draft can begin, from what its brief holds."""

from __future__ import annotations

import re
from collections.abc import Callable, Mapping

from dearhost.writing.english.clauses import Form, upper_first, why_question
from dearhost.writing.english.numbers import units_spoken
from dearhost.writing.outline import LineKind, Outline, Way
from dearhost.writing.points import Kind, Point, cleaned
from dearhost.writing.remarks import RemarkKind
from dearhost.writing.sayings import fragments

AFTER_REMARK: Mapping[RemarkKind, str] = {
    RemarkKind.PAIN: "after pain",
    RemarkKind.WISH: "after wish",
    RemarkKind.QUESTION: "after question",
    RemarkKind.BELIEF: "after belief",
    RemarkKind.PRAISE: "after praise",
    RemarkKind.OTHER: "after praise",
}
"""The frame that follows somebody's words."""
TROUBLED = (RemarkKind.PAIN, RemarkKind.QUESTION, RemarkKind.WISH, RemarkKind.BELIEF)


def audience_clause(outline: Outline) -> str:
    """What the audience do: "walk the shore" of "people who walk the shore"; empty where the brief does not say."""
    who = re.match(r"(?:people|visitors|walkers|those|anyone|everybody) who (.+)", cleaned(outline.read.brief.audience))
    return re.sub(r"\btheir\b", "your", who[1]) if who else ""


def _with_remark(outline: Outline) -> bool:
    remark = outline.remark(*TROUBLED)
    if not remark:
        return False
    if remark.kind is RemarkKind.QUESTION:
        outline.promise(remark)
    outline.add_remark(remark, AFTER_REMARK[remark.kind], must=True)
    return True


def _with_number(outline: Outline) -> bool:
    """A number that is held up and comes back."""

    def worth(point: Point) -> float:
        return -point.weight + (0 if point.number > 1 else 1)

    point = next(
        (
            point
            for point in sorted(outline.left, key=worth)
            if point.quantities
            and point.form is Form.SENTENCE
            and not point.leans
            and not re.search(r"\bago\b", point.text)
        ),
        None,
    )
    if not point:
        return False
    outline.promised.add(point.number)
    outline.held_number = point.number
    number = outline.line(f"{upper_first(units_spoken(point.quantities[0]))}.", LineKind.TEASE, [point.number])
    outline.add_lines(number, outline.framed("number held"), value=1.2, must=True)
    return True


def _without(outline: Outline) -> bool:
    """What a thing does without, and what it does all the same."""
    spared = [
        (point, fragment) for point in outline.points for fragment in fragments(point) if fragment.startswith("No ")
    ]
    does = next((point for point in outline.points if point.form is Form.VERB_PHRASE), None)
    if len(spared) < 2 or not does:
        return False
    numbers = {point.number for point, _ in spared} | {does.number}
    outline.left = [point for point in outline.left if point.number not in numbers]
    sayings = outline.sayings(does)
    shortest = sayings[-1 if len(does.text) > 60 else 0].text
    nothing = outline.line(
        " ".join(fragment for _, fragment in spared[:3]), LineKind.POINT, [point.number for point, _ in spared[:3]]
    )
    still = outline.line(f"{outline.frame('and still')} {shortest}", LineKind.POINT, [does.number])
    outline.add_lines(nothing, still, value=3.5, must=True)
    return True


def _with_why(outline: Outline) -> bool:
    def is_result(point: Point) -> bool:
        return bool(re.match(r"that is why", point.text, re.I))

    point = next(
        (
            point
            for point in sorted(outline.left, key=lambda p: (not is_result(p), len(p.needs), p.number))
            if why_question(point.text, outline.read.names) and (not point.needs or is_result(point))
        ),
        None,
    )
    question = outline.asked(point) if point else None
    if not point or not question:
        return False
    outline.held_why = point.number
    outline.promised.add(point.number)
    tease = outline.line(question.question, LineKind.TEASE, [point.number])
    outline.add([Way((tease, outline.framed("after question")), 1.0), Way((tease,), 0.9)], 1.2, must=True)
    return True


def _to_audience(outline: Outline) -> bool:
    clause = audience_clause(outline)
    if clause:
        outline.add_frame("to whom", 0.8, must=True, audience=clause)
    return bool(clause)


def _with_claim(outline: Outline) -> bool:
    """The point that says most against what one expects."""

    def order(point: Point) -> tuple[bool, int]:
        return not point.kinds & {Kind.PAIN, Kind.CONTRAST, Kind.NEGATIVE}, point.number

    free = [point for point in sorted(outline.left, key=order) if not point.leans]
    plain = [point for point in free if point.form is Form.SENTENCE and not point.needs]
    for point in [*plain, *free][:1]:
        outline.left.remove(point)
        outline.add_leading([point], must=True)
    return bool(free)


OPENINGS: Mapping[str, Callable[[Outline], bool]] = {
    "their words": _with_remark,
    "a number": _with_number,
    "what it spares": _without,
    "a why": _with_why,
    "to whom": _to_audience,
    "a claim": _with_claim,
}
"""Each lays down an opening where the brief holds what it takes, else nothing."""


def lay_opening(outline: Outline, name: str) -> None:
    """The opening ``name``, or the first claim where the brief does not hold it."""
    outline.part = "opening"
    if not OPENINGS[name](outline):
        _with_claim(outline)


def possible_openings(outline: Outline) -> list[str]:
    """The openings the brief holds stuff for; each is tried on an outline of its own."""
    return [name for name, lay in OPENINGS.items() if lay(Outline(outline.read, outline.target, outline.seed))]
