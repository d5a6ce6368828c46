"""What goes over the wire about what is right and wrong with a production."""

from __future__ import annotations

from typing import Literal

from ninja import Schema

from dearhost.production.length_ways import Way
from server.productions.document_schemas import CastSchema


class PlaceOut(Schema):
    """Where in the script."""

    scene: int
    line: int
    start: int
    end: int


class FindingOut(Schema):
    """Something to look at."""

    kind: str
    message: str
    stops: bool
    at: PlaceOut | None


class SceneTime(Schema):
    """A scene's words and running time."""

    id: str
    words: int
    seconds: float
    estimated: bool


class AdviceOut(Schema):
    """Help for the writer: what, why and where."""

    kind: str
    title: str
    detail: str
    at: PlaceOut | None
    settled: bool


class ReadabilityOut(Schema):
    """Flesch's reading ease, Kincaid's grade, and how it reads in words."""

    ease: float
    grade: float
    words: str


class BriefNoteOut(Schema):
    """A fault of an answer of the brief; ``index`` of which point, from 0."""

    field: str
    index: int
    message: str


class DirectionCueOut(Schema):
    """A direction that reads like a cue: the cue, and the word it would go on. ``block`` is the direction, or the line
    it stands in from ``start`` to ``end``."""

    block: str
    text: str
    line: str
    offset: int
    kind: str
    parameters: dict[str, float | str]
    start: int
    end: int


class TidyOut(Schema):
    """What could be cut from a line that is said in a clip: ``text`` from ``start`` to ``end``, or the long pause at
    ``start``."""

    line: str
    kind: Literal["hesitation", "restart", "pause"]
    start: int
    end: int
    text: str
    seconds: float


class LengthWayOut(Schema):
    """A way to the wished length: what every voice's pace is multiplied by, and seconds of words to be cut."""

    way: Way
    pace: float
    cut: float
    seconds: float


class CheckOut(Schema):
    """Words, running time, findings and advice of a document; ``cast``: who would play speakers nobody plays yet;
    ``ways``: how it comes to its length where it is over."""

    cast: dict[str, CastSchema]
    words: int
    seconds: float
    estimated: bool
    scenes: list[SceneTime]
    ways: list[LengthWayOut]
    findings: list[FindingOut]
    advice: list[AdviceOut]
    brief: list[BriefNoteOut]
    directions: list[DirectionCueOut]
    tidying: list[TidyOut]
    readability: ReadabilityOut | None
