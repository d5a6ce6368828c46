"""Structures of several voices: short answers in the street, and two who talk."""

from __future__ import annotations

from dearhost.writing.english.clauses import Form, as_sentence
from dearhost.writing.frames import NO_ANSWER, NO_STREET_ANSWER
from dearhost.writing.outline import DraftLine, LineKind, Outline, Way
from dearhost.writing.points import Kind, Point
from dearhost.writing.remarks import Remark, RemarkKind
from dearhost.writing.sayings import echoed
from dearhost.writing.structures.explaining import asked_way
from dearhost.writing.structures.features import add_features

LONGEST_ANSWER = 8.0
"""Seconds of an answer in the street (common practice, no source)."""
GUEST = "Guest"
VISITOR = "Visitor"


def lay_street(outline: Outline, opening: str) -> None:
    """A question, short answers in the audience's words, and the answer."""
    outline.part = "in the street"
    remarks = list(outline.remarks_left)
    question = next((remark for remark in remarks if remark.kind is RemarkKind.QUESTION), None)
    if question:
        remarks.remove(question)
    outline.add_frame("street question", 2, must=True, question=_street_question(outline, question, remarks))
    answers = [remark for remark in remarks if outline.read.pace.seconds(as_sentence(remark.text)) <= LONGEST_ANSWER]
    for index, remark in enumerate(answers, 1):
        said = outline.line(as_sentence(remark.text), LineKind.REMARK, speaker=f"{VISITOR} {index}")
        outline.add_lines(said, value=1.9, must=index <= 2)
    for index in range(len(answers) + 1, 3):
        outline.add_lines(outline.line(NO_STREET_ANSWER, LineKind.SLOT, speaker=f"{VISITOR} {index}"), value=0.5)
    outline.part = "the answer"
    outline.add_frame("way out" if outline.is_thing else "street answer", 1.5)
    if question:
        outline.promise(question)
    if outline.is_thing:
        add_features(outline)
    outline.add_body(outline.take_rest())
    outline.close()


def _street_question(outline: Outline, question: Remark | None, remarks: list[Remark]) -> str:
    if question:
        return outline.lower(question.text)
    if remarks and all(remark.kind is RemarkKind.WISH for remark in remarks):
        return "what do you wish for?"
    return f"what do you say about {outline.read.topic}?"


def lay_two_speakers(outline: Outline, opening: str) -> None:
    """One asks, one answers."""
    guest = outline.read.speakers[1] if len(outline.read.speakers) > 1 else GUEST
    outline.part = "two of them"
    remark = outline.remark(RemarkKind.QUESTION) or outline.remark(RemarkKind.BELIEF, RemarkKind.PAIN, RemarkKind.WISH)
    if remark:
        _add_first_words(outline, remark, guest)
    else:
        outline.add_frame("talk begins", 1, must=True, speaker=guest)
    _add_talk(outline, guest)
    outline.close()
    outline.add_frame("talk ends", 0.5, speaker=guest)


def _add_first_words(outline: Outline, remark: Remark, guest: str) -> None:
    asks = remark.kind is RemarkKind.QUESTION
    said = as_sentence(remark.text, "?" if asks else ".")
    outline.add_lines(outline.line(said, LineKind.REMARK, speaker=guest), value=2, must=True)
    if asks:
        answered = outline.promise(remark)
        outline.add_frame("after question", 0.6)
        if not answered:
            outline.add_lines(outline.line(NO_ANSWER, LineKind.SLOT), value=1, must=True)
    elif outline.is_thing:
        outline.add_frame("way out", 1.2)


def _add_talk(outline: Outline, guest: str) -> None:
    """The points as answers, echoes and steps, so that nobody speaks alone for long."""
    alone, stepped, echoes = 0, False, 0
    for point in outline.take_rest():
        if point.leans and outline.units:
            outline.add_leaning(point)
            alone += 1
            continue
        plain = outline.ways(point)
        question = outline.asked(point) if alone else None
        echo = echoed(point) if alone and echoes < 3 and Kind.OFFER not in point.kinds else None
        if question:
            outline.add([asked_way(outline, point, question, guest), *_worse(plain, 0.8)], point.weight + 1.0)
            alone = 0
        elif point.form is Form.IMPERATIVE and alone and not stepped:
            stepped, alone = True, 0
            outline.add(_led(outline.framed("how", guest), plain, 0.8), point.weight + 1.0)
        elif echo:
            echoes, alone = echoes + 1, 0
            back = (
                outline.line(echo.question, LineKind.ECHO, [point.number], guest),
                outline.line(echo.answer, LineKind.ECHO, [point.number]),
            )
            told = [Way((*way.lines, *back), way.quality) for way in plain if "?" not in way.lines[0].text]
            outline.add([*told, *_worse(plain, 0.75)], point.weight + 1.0)
        else:
            alone = _add_plain(outline, point, plain, alone, guest)


def _add_plain(outline: Outline, point: Point, ways: list[Way], alone: int, guest: str) -> int:
    """A point that nobody asked for; after two of them the other says "go on". Returns how many stood alone."""
    if alone >= 2:
        ways, alone = _led(outline.framed("go on", guest), ways, 0.7), 0
    outline.add(ways, point.weight + (0.8 if alone == 0 else 0))
    return alone + 1


def _led(lead: DraftLine, ways: list[Way], alone: float) -> list[Way]:
    return [Way((lead, *way.lines), way.quality) for way in ways] + _worse(ways, alone)


def _worse(ways: list[Way], by: float) -> list[Way]:
    return [Way(way.lines, way.quality * by) for way in ways]
