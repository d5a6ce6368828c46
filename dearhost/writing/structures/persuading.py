"""Structures that win somebody over: hook, problem, before and after."""

from __future__ import annotations

import re

from dearhost.writing.english.clauses import Form
from dearhost.writing.frames import NO_AFTER, NO_BEFORE, NO_PAIN
from dearhost.writing.matter import Matter
from dearhost.writing.outline import LineKind, Outline, Way
from dearhost.writing.points import Kind, Point
from dearhost.writing.remarks import RemarkKind
from dearhost.writing.structures.features import add_features
from dearhost.writing.structures.openings import AFTER_REMARK, lay_opening


def lay_hook(outline: Outline, opening: str) -> None:
    """Hook, body, call to action."""
    lay_opening(outline, opening)
    outline.part = "body"
    if outline.is_thing:
        if opening != "what it spares":
            outline.add_frame("introduction", 0.7, must=True)
        add_features(outline)
    else:
        outline.add_body(outline.take_rest())
    outline.close(goodbye=outline.read.matter in (Matter.GREETING, Matter.EVENT))


def lay_problem(outline: Outline, opening: str) -> None:
    """Problem, worse, way out."""
    outline.part = "the problem"
    remark = outline.remark(RemarkKind.PAIN, RemarkKind.WISH, RemarkKind.BELIEF, RemarkKind.QUESTION)
    if remark:
        after = AFTER_REMARK[RemarkKind.WISH if remark.kind is RemarkKind.WISH else RemarkKind.PAIN]
        outline.add_remark(remark, after, must=True)
    else:
        pains = outline.take(lambda p: Kind.PAIN in p.kinds) or outline.take(
            lambda p: Kind.NEGATIVE in p.kinds and p.form is Form.SENTENCE
        )
        if pains:
            outline.add_leading(pains, must=True)
        else:
            outline.add_lines(outline.line(NO_PAIN, LineKind.SLOT), value=2, must=True)
    outline.part = "it gets worse"
    worse = outline.remark(RemarkKind.PAIN)
    if worse:
        outline.add_remark(worse, lead=outline.frame("more pain"), value=1.6)
    warns = outline.read.matter is Matter.NOTICE
    outline.add_body(
        outline.take(lambda p: Kind.PAIN in p.kinds or (warns and Kind.EVENT in p.kinds and bool(p.quantities)), 2)
    )
    if not outline.is_thing:
        outline.add_body(outline.take(lambda p: Kind.CAUSE in p.kinds))
    outline.part = "the way out"
    if outline.is_thing:
        outline.add_frame("way out", 1.2, must=True)
        add_features(outline)
    else:
        outline.add_frame("what to do", 1.2, must=True)
        add_rules_first(outline)
    outline.close()


def add_rules_first(outline: Outline) -> None:
    """What to do before where things are."""
    steps = [point for point in outline.left if is_step(point)]
    outline.left = [point for point in outline.left if point not in steps]
    outline.add_body(steps)
    outline.add_body(outline.take_rest())


def is_step(point: Point) -> bool:
    return point.form is Form.IMPERATIVE or bool(re.match(r"(if|when)\b", point.text, re.I))


def lay_before_after(outline: Outline, opening: str) -> None:
    """Before, after, and the thing between."""
    outline.part = "before"
    first = (RemarkKind.WISH, RemarkKind.PAIN) if outline.seed % 2 else (RemarkKind.PAIN, RemarkKind.WISH)
    remark = outline.remark(*first)
    if remark:
        outline.add_remark(remark, AFTER_REMARK[remark.kind], must=True)
    else:
        outline.add_lines(outline.line(NO_BEFORE, LineKind.SLOT), value=2, must=True)
    worse = outline.remark(RemarkKind.PAIN)
    if worse:
        outline.add_remark(worse, lead=outline.frame("more pain"), value=0.9)
    outline.part = "after"
    good = outline.take(lambda p: Kind.BENEFIT in p.kinds and p.form is Form.SENTENCE)
    if good:
        turn = outline.framed("turn")
        ways = [Way((turn, *way.lines), way.quality) for way in outline.ways(good[0])]
        outline.add(ways, good[0].weight + 0.6, must=True)
        outline.add_body(good[1:])
    else:
        outline.add_lines(outline.line(NO_AFTER, LineKind.SLOT), value=1.5)
    outline.part = "between"
    outline.add_frame("bridge", 1.0, must=True)
    add_features(outline)
    outline.close()
