"""Structures that explain: questions with answers, and a lesson in nine steps."""

from __future__ import annotations

import re
from dataclasses import replace

from dearhost.writing.english.clauses import Form, as_sentence, cause_and_effect
from dearhost.writing.english.numbers import ONES
from dearhost.writing.english.stems import stems
from dearhost.writing.outline import PAUSE_SECONDS, DraftLine, LineKind, Outline, Unit, Way
from dearhost.writing.points import Kind, Point
from dearhost.writing.remarks import RemarkKind
from dearhost.writing.sayings import Asked
from dearhost.writing.structures.openings import AFTER_REMARK, lay_opening


def lay_questions(outline: Outline, opening: str) -> None:
    """Questions and answers: the audience's own first."""
    outline.part = "questions"
    wanted = (RemarkKind.QUESTION, RemarkKind.BELIEF)
    theirs = [remark for remark in outline.remarks_left if remark.kind in wanted][:2]
    yours = any(remark.kind is RemarkKind.QUESTION for remark in theirs)
    outline.add_frame("your questions" if yours else "questions", 0.5)
    for index, remark in enumerate(theirs):
        outline.remarks_left.remove(remark)
        near = _nearest(outline, remark.text)
        if remark.kind is RemarkKind.QUESTION and not outline.promise(remark):
            near = []
        outline.add_remark(remark, AFTER_REMARK[remark.kind], value=2.5, must=index == 0)
        outline.add_body(near)
    does = next((point for point in outline.left if point.form is Form.VERB_PHRASE), None)
    if outline.is_thing and does:
        outline.left.remove(does)
        outline.add_after("what it does", does, does.weight + 0.8)
    steps = [
        point
        for point in outline.left
        if (point.form is Form.IMPERATIVE and not outline.asked(point)) or re.match(r"(if|when)\b", point.text, re.I)
    ]
    if not yours and not outline.is_thing and outline.left:
        first = outline.left[0]
        if first not in steps and not outline.asked(first):
            outline.left.remove(first)
            outline.add_after("about the topic", first, first.weight + 1.0, must=True)
    _ask_the_rest(outline, steps)
    outline.close()


def _ask_the_rest(outline: Outline, steps: list[Point]) -> None:
    stepped = False
    for point in outline.take_rest():
        if point in steps:
            if not stepped:
                outline.add_after("what you do", steps[0], steps[0].weight + 0.4)
                for step in steps[1:]:
                    outline.add_point(step)
                stepped = True
            continue
        if point.leans:
            outline.add_leaning(point)
            continue
        question = outline.asked(point)
        if question:
            outline.add([asked_way(outline, point, question)], point.weight + 0.6)
        else:
            outline.add_leading([replace(point, weight=point.weight - 0.6)])


def asked_way(outline: Outline, point: Point, question: Asked, asker: str = "", kind: LineKind = LineKind.POINT) -> Way:
    """A point as the answer to a question."""
    return Way(
        (
            outline.line(question.question, LineKind.TEASE, [point.number], asker),
            outline.line(question.answer, kind, [point.number]),
        ),
        1.0,
    )


def _nearest(outline: Outline, text: str) -> list[Point]:
    """The point that shares most words with what somebody said, and those that lean on it."""
    wanted = set(stems(text))
    best = max(outline.left, key=lambda point: (len(wanted & set(stems(point.text))), -point.number), default=None)
    if not best or not wanted & set(stems(best.text)):
        return []
    while best.leans:
        before = next((point for point in outline.left if point.number == best.number - 1), None)
        if not before:
            return []
        best = before
    return outline.take(lambda point: point is best)


_LEARNS = re.compile(r"(know|understand|learn|be able to|see|can|tell|find|recognise)\b")


def lay_nine_steps(outline: Outline, opening: str) -> None:
    """Gagné's nine events of instruction (The Conditions of Learning, 1965), in their order."""
    outline.part = "attention"
    question = outline.remark(RemarkKind.QUESTION) if opening == "their words" else None
    if question:
        outline.promise(question)
        outline.add_remark(question, "after question", must=True)
    else:
        lay_opening(outline, opening)
    outline.part = "what you will know"
    if _LEARNS.match(outline.read.purpose):
        outline.add_frame("objective", 2.2, purpose=outline.read.purpose, time=_time(outline.target))
    outline.part = "what you have seen"
    seen = outline.take(lambda p: p.number == 0 and p.form is Form.SENTENCE)
    if seen:
        seen += outline.take(lambda p: p.number == 1)
        outline.add_frame("recall", 0.4)
        outline.add_body(seen)
    outline.part = "what happens"
    outline.add_frame("presentation", 0.4)
    asked = _add_core(outline)
    _add_practice(outline, asked)
    _add_summary(outline)
    outline.close()


def _time(seconds: float) -> str:
    if 25 <= seconds <= 35:
        return "half a minute"
    if 50 <= seconds <= 70:
        return "a minute"
    minutes = round(seconds / 60)
    return f"{ONES[minutes]} minutes" if 2 <= minutes < len(ONES) else "a moment"


def _add_core(outline: Outline) -> list[tuple[Point, Asked]]:
    """The points one after another; returned are the questions that can be asked about them."""
    asked: list[tuple[Point, Asked]] = []
    for point in list(outline.left):
        outline.left.remove(point)
        if Kind.LIKENESS in point.kinds:
            outline.part = "a picture for it"
            outline.add_after("likeness", point, point.weight + 0.3)
            outline.part = "and then"
            continue
        question = _question_of(outline, point)
        if question:
            asked.append((point, question))
        if point.leans:
            outline.add_leaning(point)
        else:
            outline.add_body([point])

    def order(pair: tuple[Point, Asked]) -> tuple[bool, bool]:
        return not re.match("that is why", pair[0].text, re.I), not pair[1].question.startswith("Why")

    return sorted(asked, key=order)


def _question_of(outline: Outline, point: Point) -> Asked | None:
    """What a point answers; where its cause is in the point before, that one's words are the answer."""
    question = outline.asked(point)
    if not question or not re.match("that is why", point.text, re.I):
        return question
    before = next((p for p in outline.points if p.number == point.number - 1), None)
    if not before or before.form is not Form.SENTENCE:
        return None
    cause = re.sub(r"^so ", "", before.text, flags=re.I)
    return Asked(question.question, as_sentence(f"because {outline.lower(cause)}"))


def _add_practice(outline: Outline, asked: list[tuple[Point, Asked]]) -> None:
    """Two questions to answer aloud, with time to think."""
    outline.part = "your turn"
    for point, _ in asked[:2]:  # not asked and answered before
        outline.units = [_without_question(unit) if point.number in unit.points else unit for unit in outline.units]
    pause = DraftLine("", f"{PAUSE_SECONDS:.0f}", LineKind.PAUSE)
    for index, (point, question) in enumerate(asked[:2]):
        lead = outline.framed("your turn" if index == 0 else "assessment")
        back = [outline.framed("feedback")] if index == 0 else []
        outline.add_lines(
            lead,
            outline.line(question.question, LineKind.TEASE, [point.number]),
            pause,
            *back,
            outline.line(question.answer, LineKind.RECAP, [point.number]),
            value=1.2 if index == 0 else 0.9,
        )


def _without_question(unit: Unit) -> Unit:
    plain = tuple(way for way in unit.ways if not any("?" in line.text for line in way.lines))
    return replace(unit, ways=plain or unit.ways)


def _add_summary(outline: Outline) -> None:
    outline.part = "take it with you"
    short = []
    for point in outline.points:
        if point.form is not Form.SENTENCE or not (Kind.CAUSE in point.kinds or point.text.startswith("So ")):
            continue
        halves = cause_and_effect(point.text)
        text = as_sentence(re.sub(r"^so ", "", halves[1] if halves else point.text, flags=re.I))
        hangs = re.search(r"\b(she|he|they)\b", text) or text.endswith(" there.")
        if not hangs and 5 < len(text.split()) <= 14:
            short.append(outline.line(text, LineKind.RECAP))
    if len(short) >= 2:
        outline.add_lines(outline.framed("summary"), *short[:3], value=0.7)
