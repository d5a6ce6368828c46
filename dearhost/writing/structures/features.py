"""The points of a thing: what it does, what it spares, what you gain, how it is made and what it costs."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace

from dearhost.writing.english.clauses import Form, as_sentence
from dearhost.writing.outline import LineKind, Outline, Unit, Way
from dearhost.writing.points import Kind, Point
from dearhost.writing.sayings import fragments


def add_features(outline: Outline) -> None:
    """What a thing does, what it spares, what you gain, how it is made, and what it costs."""
    steps = [_add_what_it_does, _add_just, _add_gain]
    if outline.chance.random() < 0.5:
        steps = [_add_gain, _add_what_it_does, _add_just]
    for step in steps:
        step(outline)
    rest = outline.take_rest()
    offers = [point for point in rest if Kind.OFFER in point.kinds]
    others = [point for point in rest if Kind.OFFER not in point.kinds]
    for point in others:
        ways = outline.ways(point)
        if len(others) > 1 and point is others[-1] and _takes_and(point):
            ways = [*_with_and(outline, ways), *ways]
        outline.add(ways, point.weight)
    for point in offers:
        _add_offer(outline, point)
    _add_in_short(outline)


def _with_and(outline: Outline, ways: Sequence[Way]) -> list[Way]:
    first = ways[0].lines[0]
    text = first.text if first.text.startswith("{T}") else outline.lower(first.text)
    return [Way((replace(first, text=f"And {text}"), *ways[0].lines[1:]), ways[0].quality + 0.03)]


def _add_offer(outline: Outline, point: Point) -> None:
    if point.form is Form.NOUN_PHRASE and re.search(r"[£€$]|pounds|euros|pence", point.text):
        framed = outline.line(outline.frame("price", price=point.text), LineKind.POINT, [point.number])
        plain = outline.line(as_sentence(point.text), LineKind.POINT, [point.number])
        outline.add([Way((framed,), 1.0), Way((plain,), 0.9)], point.weight)
    else:
        outline.add_point(point)


def _add_in_short(outline: Outline) -> None:
    if outline.target < 40:
        return
    short = [
        fragment.rstrip(".")
        for point in outline.points
        if point.form is Form.NOUN_PHRASE and Kind.OFFER not in point.kinds
        for fragment in fragments(point)
        if len(fragment.split()) <= 3
    ][:2]
    prices = [number for point in outline.points if Kind.OFFER in point.kinds for number in point.quantities[:1]]
    listed = [*short, *prices]
    if len(listed) >= 3:
        together = ", ".join([*(outline.lower(item) for item in listed[:-1]), listed[-1]])
        outline.add_lines(outline.line(outline.frame("in short", list=together), LineKind.RECAP), value=0.8)


def _add_just(outline: Outline) -> None:
    """ "No battery. No signal. Just set it once with the ring." """
    nothing = next((p for p in outline.left if p.form is Form.NOUN_PHRASE and re.match(r"no\b", p.text, re.I)), None)
    step = next(
        (
            p
            for p in outline.left
            if p.form is Form.IMPERATIVE
            and len(p.text.split()) <= 9
            and not re.match(r"(never|do not|always)", p.text, re.I)
        ),
        None,
    )
    if not nothing or not step:
        return
    outline.left.remove(nothing)
    outline.left.remove(step)
    spared = outline.line(" ".join(fragments(nothing)), LineKind.POINT, [nothing.number])
    just = outline.line(f"Just {outline.lower(as_sentence(step.text))}", LineKind.POINT, [step.number])
    outline.add_lines(spared, just, value=nothing.weight + step.weight + 0.3)


def _add_what_it_does(outline: Outline) -> None:
    """The first two things it does, in one sentence or two."""
    does = [point for point in outline.left if point.form is Form.VERB_PHRASE and not point.leans][:2]
    for point in does:
        outline.left.remove(point)
    if len(does) < 2:
        for point in does:
            outline.add_point(point)
        return
    one, other = does
    ways = [
        Way(first.lines + second.lines, one.weight * first.quality + other.weight * second.quality)
        for first in outline.ways(one)[:1]
        for second in outline.ways(other)
    ]
    head, _, tail = other.text.partition(":")
    both = as_sentence(f"{{T}} {one.text}, and {head}")
    if len(both.split()) <= 18 and not outline.read.subject.plural:
        rest = (outline.line(as_sentence(tail), LineKind.POINT, [other.number]),) if tail else ()
        together = outline.line(both, LineKind.POINT, [one.number, other.number])
        ways.insert(0, Way((together, *rest), one.weight + other.weight + 0.15))
    outline.units.append(Unit(outline.part, tuple(ways), 1.0))


def _add_gain(outline: Outline) -> None:
    """What you have of it, said "with it" right after it was named."""
    for point in outline.take(lambda p: Kind.BENEFIT in p.kinds and p.form is Form.SENTENCE):
        ways = outline.ways(point)
        last = outline.units[-1] if outline.units else None
        if last and last.part == outline.part and not last.points and point.text.lower().startswith("you "):
            with_it = outline.frame("with it")
            ways = [
                Way((replace(way.lines[0], text=f"{with_it} {outline.lower(way.lines[0].text)}"),), way.quality)
                for way in ways
            ]
        outline.add(ways, point.weight)


def _takes_and(point: Point) -> bool:
    return point.form in (Form.SENTENCE, Form.PARTICIPLE, Form.VERB_PHRASE) and not re.match(
        r"(and|so|but|that)\b", point.text, re.I
    )
