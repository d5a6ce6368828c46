"""What goes over the wire about productions."""

from __future__ import annotations

from datetime import datetime
from typing import Literal
from uuid import UUID

from ninja import Field, Schema

from server.productions.document_schemas import CastSchema, DocumentSchema, SceneSchema, SpotSchema


class ProductionSummary(Schema):
    """A production on the desk; ``problem`` says why it cannot be read, "" for one that can."""

    id: UUID
    title: str
    revision: int
    updated_at: datetime
    words: int
    seconds: float
    estimated: bool
    scenes: int
    hosts: list[str]
    shape: str
    first_scene: str
    findings: int
    problem: str


class ProductionOut(Schema):
    """A production to work on; ``notes`` say what had to be replaced."""

    id: UUID
    title: str
    revision: int
    updated_at: datetime
    document: DocumentSchema
    notes: list[str] = []


class OpenedOut(Schema):
    """A production begun from a file, and what had to be changed for this machine."""

    production: ProductionOut
    notes: list[str]


class NewProduction(Schema):
    """A script as text; ``kind`` plain, markdown, fountain, or "" to guess."""

    text: str = ""
    kind: Literal["", "plain", "markdown", "fountain"] = ""
    title: str = ""


class NewTitle(Schema):
    """What a production is to be called."""

    title: str = Field(min_length=1, max_length=200)


class SaveProduction(Schema):
    """``revision`` is the one the changes were made on."""

    revision: int
    title: str
    document: DocumentSchema


class StaleOut(Schema):
    """The save was refused: the current production, and what happened."""

    detail: str
    kind: str
    current: ProductionOut


class RevisionOut(Schema):
    """A saved revision."""

    id: int
    number: int
    title: str
    refused: bool
    saved_at: datetime


class RunOut(Schema):
    """A stretch of text, and whether the other side lacks it."""

    text: str
    differs: bool


class DifferenceOut(Schema):
    """A heading, line or direction that is not the same."""

    kind: Literal["changed", "added", "removed", "moved"]
    scene: int
    speaker: str
    before: list[RunOut]
    after: list[RunOut]


class CompareIn(Schema):
    """Two states of a production."""

    before: DocumentSchema
    after: DocumentSchema


class CompareOut(Schema):
    """What differs in the text, and which other choices differ, by name."""

    lines: list[DifferenceOut]
    choices: list[str]


class Restore(Schema):
    """Which revision to bring back, and the current revision number."""

    revision_id: int
    current: int


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


class PasteIn(Schema):
    """Pasted text; ``kind`` as for a new production, ``language`` BCP 47."""

    text: str
    kind: Literal["", "plain", "markdown", "fountain"] = ""
    language: str = "en"


class PieceOut(Schema):
    """A sentence: characters ``start`` to ``end`` of a block of the only scene."""

    block: int
    start: int
    end: int
    opens: bool
    seconds: float


class PasteOut(Schema):
    """What a paste holds. ``by_paragraph`` and ``by_length`` name the pieces that would begin a scene."""

    scenes: list[SceneSchema]
    pieces: list[PieceOut]
    by_paragraph: list[int]
    by_length: list[int]


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


class CheckOut(Schema):
    """Words, running time, findings and advice of a document; ``cast``: who would play speakers nobody plays yet."""

    cast: dict[str, CastSchema]
    words: int
    seconds: float
    estimated: bool
    scenes: list[SceneTime]
    findings: list[FindingOut]
    advice: list[AdviceOut]
    brief: list[BriefNoteOut]
    readability: ReadabilityOut | None


class ParameterOut(Schema):
    """A setting of a cue kind: a number from ``low`` to ``high``, one of ``choices``, or a text. ``only_for``:
    another setting and its value with which alone it counts."""

    name: str
    label: str
    kind: Literal["number", "choice", "text"]
    default: float | str
    low: float
    high: float
    unit: str
    choices: list[str]
    only_for: list[str]


class CueKindOut(Schema):
    """Something that can happen on a word; ``also``: words one would look for it by. ``stretch``: it may last
    from its word to a later one. ``flag``: what its flag says, with settings in braces, where that is not the label."""

    name: str
    label: str
    family: Literal["host", "picture", "sound"]
    group: str
    also: str
    stretch: bool
    flag: str
    parameters: list[ParameterOut]


class ChoiceValue(Schema):
    """One value of a choice, and the words it is shown by."""

    value: str
    words: str


class ProductionChoiceOut(Schema):
    """Something that can be chosen for the whole production, for a scene, or both."""

    name: str
    kind: Literal["choice", "switch", "number"]
    label: str
    asks: str
    scope: Literal["everywhere", "scene", "both"]
    default: str | bool | float | None
    unit: str
    values: list[ChoiceValue]


class WordTime(Schema):
    """A spoken word in scene time, with offsets into its line."""

    text: str
    start: float
    end: float
    offset: int
    to: int


class Envelope(Schema):
    """``rate`` values a second: loudness from 0 to 1, or pitch in semitones about the middle, 99 for no voice."""

    rate: float
    values: list[float]


class CueTime(Schema):
    """When a cue happens, in scene time."""

    id: str
    at: float


class AutomaticCue(Schema):
    """A gesture nobody wrote, on the word at ``offset``."""

    kind: str
    offset: int
    parameters: dict[str, str | float]


class LineTimes(Schema):
    """A line in scene time. ``automatic``: what the host does by themselves."""

    id: str
    speaker: str
    start: float
    end: float
    words: list[WordTime]
    cues: list[CueTime]
    automatic: list[AutomaticCue]
    loudness: Envelope
    pitch: Envelope


class MouthShape(Schema):
    """A mouth shape on the ribbon: opening, width, rounding; ``closed`` for p b m."""

    at: float
    open: float
    wide: float
    round: float
    closed: bool


class NoteOnCue(Schema):
    """A cue at ``at`` seconds of the scene that cannot be played as it is, and what is done instead."""

    at: float
    text: str


class SceneTimes(Schema):
    """Everything the ribbon and the script need to follow the sound."""

    id: str
    duration: float
    fingerprint: str
    notes: list[NoteOnCue] = []
    lines: list[LineTimes]
    mouths: list[MouthShape]
    blocking: dict[str, SpotSchema]
