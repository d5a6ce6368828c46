"""Structures that tell: a story, a greeting, a warning."""

from __future__ import annotations

import re
from dataclasses import replace

from dearhost.writing.english.clauses import Form, as_sentence, upper_first
from dearhost.writing.english.numbers import ONES
from dearhost.writing.outline import LineKind, Outline, Way
from dearhost.writing.points import Kind, Point
from dearhost.writing.remarks import RemarkKind


def lay_story(outline: Outline, opening: str) -> None:
    """A story in its order, opened by its crisis, by somebody's words, or at its beginning."""
    later = [point for point in outline.points if point.number > 1]
    crisis = next((p for p in later if Kind.PAIN in p.kinds), None)
    crisis = crisis or next((p for p in later if Kind.NEGATIVE in p.kinds), None)
    any_remark = (RemarkKind.PRAISE, RemarkKind.BELIEF, RemarkKind.OTHER, RemarkKind.PAIN)
    first = outline.remark(*any_remark) if outline.seed % 3 == 1 else None
    cold = crisis is not None and outline.seed % 3 == 0
    outline.part = "cold open"
    if first:
        outline.add_remark(first, lead=outline.frame("somebody wrote"), value=1.4)
    elif cold and crisis:
        tease = outline.line(as_sentence(crisis.text), LineKind.TEASE, [crisis.number])
        outline.add_lines(tease, outline.framed("cold opening"), value=2.4 if outline.target > 20 else 0.2)
    outline.part = "the story"
    outline.points = [replace(p, weight=_arc(p, outline, crisis)) for p in outline.points]
    outline.left = list(outline.points)
    for point in outline.take_in_order():
        ways = outline.ways(point)
        if cold and crisis and point.number == crisis.number:
            again = outline.framed("cold opening again")
            ways = [Way((*way.lines, again), way.quality) for way in ways] + ways
            outline.add(ways, point.weight + 1.0)
        else:
            outline.add(ways, point.weight, must=point.number == 0)
    outline.part = "why it matters"
    remark = outline.remark(*any_remark)
    if remark:
        outline.add_remark(remark, lead=outline.frame("somebody wrote"), value=0.9)
    outline.add_frame("end of the story", 0.3)
    outline.close()


def _arc(point: Point, outline: Outline, crisis: Point | None) -> float:
    """What a point is worth to a story: its beginning, its crisis, its turn and what came of it."""
    last = len(outline.points) - 1
    arc = 2.0 if point.number == 0 else 1.0 if point.number == last else 0.0
    if crisis and point.number == crisis.number:
        arc = 2.5
    return (
        1.0
        + arc
        + (0.8 if point.number > 0.55 * len(outline.points) else 0)
        + (0.7 if point.quantities else 0)
        + (0.4 if Kind.CAUSE in point.kinds else 0)
    )


def lay_greeting(outline: Outline, opening: str) -> None:
    """A greeting to one person by name: hello, no worries, what to know, who and what."""
    outline.part = "hello"
    hello = outline.framed("hello")
    oneself = outline.framed("oneself", speaker_name=outline.speaker)
    short = outline.line("Hello [name].")
    outline.add([Way((hello, oneself), 1.0), Way((short,), 0.7)], 2, must=True)
    if outline.seed % 2:
        outline.add_body(outline.take(lambda p: bool(p.quantities) and p.form is Form.SENTENCE and not p.needs))
    _add_comfort(outline)
    outline.part = "what to know"
    steps = [point for point in outline.left if point.form is Form.IMPERATIVE]
    outline.left = [point for point in outline.left if point not in steps]
    if len(steps) >= 2:
        number = ONES[min(len(steps), len(ONES) - 1)]
        outline.add_frame("counted steps", 0.4, number=number, Number=upper_first(number))
    for point in steps:
        ways = outline.ways(point)
        if point is steps[-1] and len(steps) > 1:
            line = ways[0].lines[0]
            joined = replace(line, text=f"And {outline.lower(line.text)}")
            ways = [Way((joined,), ways[0].quality + 0.05), *ways]
        outline.add(ways, point.weight + 0.6)
    outline.part = "who and what"
    outline.add_body(outline.take_rest())
    outline.close(goodbye=True)


def _add_comfort(outline: Outline) -> None:
    """What somebody was afraid of, and why they need not be."""
    remark = outline.remark(RemarkKind.PAIN, RemarkKind.BELIEF)
    calm = outline.take(lambda p: Kind.BENEFIT in p.kinds and p.text.lower().startswith("you"))
    if not calm:
        return
    if not remark:
        outline.add_body(calm)
        return
    outline.part = "no worries"
    quoted = outline.line(f"“{as_sentence(remark.text)}”", LineKind.REMARK)
    lead = outline.frame("if you")
    ways = outline.ways(calm[0])
    answered = [
        Way((quoted, replace(way.lines[0], text=f"{lead} {outline.lower(way.lines[0].text)}")), way.quality)
        for way in ways
    ]
    outline.add([*answered, *ways], 3.2)
    outline.add_body(calm[1:])


def lay_notice(outline: Outline, opening: str) -> None:
    """A warning: danger, reason, what to do, if it happens, once more."""
    outline.part = "stop"
    event = outline.take(lambda p: Kind.EVENT in p.kinds and bool(p.quantities))
    remark = outline.remark(RemarkKind.PAIN, RemarkKind.BELIEF)
    way = outline.seed % 3
    if way == 1 and event:
        outline.add_leading(event, must=True)
        event = []
    elif way == 2 and remark:
        outline.add_remark(remark, "after pain", value=1.6, must=outline.target > 20)
        remark = None
    else:
        outline.add_frame("notice", 0.5)
    outline.add_body(outline.take(lambda p: p.number == 0))
    outline.part = "why"
    if remark:
        outline.add_remark(remark, "after pain", value=1.0)
    outline.add_body(event)
    outline.add_body(outline.take(lambda p: Kind.CAUSE in p.kinds or (Kind.PAIN in p.kinds and not p.needs), 2))
    outline.part = "what to do"
    rules = outline.take(lambda p: Kind.RULE in p.kinds, 4)
    outline.add_frame("what to do", 0.4)
    outline.add_body(rules)
    outline.part = "if it happens"
    outline.add_body(outline.take(lambda p: bool(re.match(r"(if|when)\b", p.text, re.I)), 3))
    outline.add_body(outline.take_rest())
    outline.part = "once more"
    if rules:
        again = f"{outline.frame('once more')} {outline.lower(as_sentence(rules[-1].text))}"
        outline.add_lines(outline.line(again, LineKind.RECAP, [rules[-1].number]), value=0.7)
    outline.close()
