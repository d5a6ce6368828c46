"""Angles on a topic, each from something in the brief; the open ones last, as slots."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass

from dearhost.writing.brief_reading import BriefRead
from dearhost.writing.english.clauses import Form, as_sentence, contracted, upper_first, why_question, without_ending
from dearhost.writing.english.numbers import ONES, units_spoken
from dearhost.writing.matter import Matter
from dearhost.writing.outline import Outline
from dearhost.writing.points import Kind, Point
from dearhost.writing.remarks import Remark, RemarkKind
from dearhost.writing.sayings import fragments
from dearhost.writing.structures.openings import audience_clause

MOST = 10


@dataclass(frozen=True, slots=True)
class Idea:
    """``kind`` says what it goes out from, ``first`` is how it could begin, ``structure`` the one that fits.

    One that needs a word from the writer has an open slot as its title, no first words and no structure.
    """

    kind: str
    title: str
    first: str = ""
    points: tuple[int, ...] = ()
    structure: str = ""

    @property
    def is_open(self) -> bool:
        return not self.structure


OPEN_IDEAS = (
    Idea("a mistake", "{the mistake most people make with it}"),
    Idea("one person", "{one person, and what changed for them}"),
    Idea("a surprise", "{what nobody expects about it}"),
    Idea("how it came about", "{how it began}"),
    Idea("a day with it", "{one day, from morning to evening}"),
    Idea("before and now", "{how it was done before}"),
    Idea("a list", "{three things, in the order one does them}"),
    Idea("the making", "{who makes it, and how}"),
    Idea("a doubt", "{what a doubter would say, and your answer}"),
    Idea("one number", "{a number that makes one stop}"),
)


def ideas(read: BriefRead, most: int = MOST) -> tuple[Idea, ...]:
    """``most`` angles, one of each kind first."""
    found: dict[str, Idea] = {}
    for idea in _found(read):
        found.setdefault(idea.title, idea)
    first: dict[str, Idea] = {}
    for idea in found.values():
        first.setdefault(idea.kind, idea)
    more = [idea for idea in found.values() if idea not in first.values()]
    kept = [*first.values(), *more][:most]
    kinds = {idea.kind for idea in kept}
    return (*kept, *[idea for idea in OPEN_IDEAS if idea.kind not in kinds][: most - len(kept)])


def _found(read: BriefRead) -> Iterator[Idea]:
    for remark in read.remarks:
        yield from _of_remark(remark)
    for point in read.points:
        yield from _of_point(point, read)
    yield from _of_all(read)


def _of_remark(remark: Remark) -> Iterator[Idea]:
    said = as_sentence(remark.text, "?" if remark.kind is RemarkKind.QUESTION else ".")
    quoted = f"“{said}”"
    bare = f"“{said.rstrip('.')}”"
    if remark.kind is RemarkKind.QUESTION:
        yield Idea("their question", said, quoted, structure="questions")
    elif remark.kind is RemarkKind.BELIEF:
        yield Idea("what people think", f"{bare}: is that so?", quoted, structure="questions")
    elif remark.kind is RemarkKind.PAIN:
        yield Idea("their trouble", bare, quoted, structure="problem")
    elif remark.kind is RemarkKind.WISH and remark.wish:
        yield Idea("their wish", upper_first(remark.wish), quoted, structure="before-after")


def _of_point(point: Point, read: BriefRead) -> Iterator[Idea]:
    said, own = contracted(as_sentence(point.text)), (point.number,)
    bare = said.rstrip(".")
    sentence = point.form is Form.SENTENCE
    if point.quantities and sentence and not point.needs:
        number = upper_first(units_spoken(point.quantities[0]))
        yield Idea("one number", number, f"{number}. {said}", own, "hook")
    question = why_question(point.text, read.names)
    if question:
        yield Idea("a why", question, question, own, "nine-steps" if read.matter is Matter.LESSON else "questions")
    made = re.search(r"\bmade (?:in|by) .+", point.text)
    if made:
        yield Idea("who makes it", upper_first(made[0]), as_sentence(f"{read.topic} is {made[0]}"), own, "hook")
    if Kind.CONTRAST in point.kinds and sentence:
        short = without_ending(point.text) or point.text
        yield Idea("the surprise", as_sentence(short).rstrip("."), said, own, "hook")
    if Kind.EVENT in point.kinds and point.quantities:
        yield Idea("it happened", bare, said, own, "notice" if read.matter is Matter.NOTICE else "story")
    if Kind.LIKENESS in point.kinds:
        likeness = upper_first(re.sub(r"^it is ", "", point.text, flags=re.I))
        yield Idea("a picture", likeness, said, own, "nine-steps")


def _of_all(read: BriefRead) -> Iterator[Idea]:
    spared = [fragment for point in read.points for fragment in fragments(point) if fragment.startswith("No ")]
    if len(spared) >= 2:
        yield Idea("what it does without", " ".join(spared[:3]), " ".join(spared[:3]), structure="hook")
    steps = [point for point in read.points if point.form is Form.IMPERATIVE]
    if 2 <= len(steps) < len(ONES):
        numbers = tuple(point.number for point in steps)
        title = f"{upper_first(ONES[len(steps)])} things to do"
        yield Idea("a list", title, contracted(as_sentence(steps[0].text)), numbers, "hook")
    audience = audience_clause(Outline(read, 60))
    if audience:
        yield Idea("to whom", f"If you {audience}", f"If you {audience}, this is for you.", structure="hook")
    for name in read.speakers:
        told = [point for point in read.points if name in point.text]
        if told:
            first = contracted(as_sentence(told[0].text))
            yield Idea("one person", name, first, tuple(point.number for point in told), "story")
