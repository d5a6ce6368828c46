"""What goes over the wire about the stage: what can happen and be chosen, and when each word is heard."""

from __future__ import annotations

from typing import Literal

from ninja import Schema

from server.productions.document_schemas import SpotSchema


class ParameterOut(Schema):
    """A setting of a cue kind: a number from ``low`` to ``high``, one of ``choices`` (with ``colour``, or a colour,
    "#rrggbb"), or a text. ``only_for``: another setting and its value with which alone it counts. ``asset``: kinds of
    things of the shelf a text names, one or ``several``; ``for_asset``: a kind, of which one must be named for this to
    be asked."""

    name: str
    label: str
    kind: Literal["number", "choice", "text"]
    default: float | str
    low: float
    high: float
    unit: str
    choices: list[str]
    colour: bool
    only_for: list[str]
    asset: str
    several: bool
    for_asset: str


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
    kind: Literal["choice", "colour", "switch", "number"]
    label: str
    asks: str
    scope: Literal["everywhere", "scene", "both"]
    touches: Literal["nothing", "opening", "picture", "sound", "time"]
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


class SaidWordOut(Schema):
    """A word of a line, and how captions show it where it is not corrected."""

    text: str
    offset: int
    to: int


class CaptionOut(Schema):
    """A caption in scene time: what is shown in its ``rows`` for what is said in ``line`` from ``first`` to ``last``.
    ``hasty``: it is read too quickly; ``mend``: by how many seconds it could end later; ``wide``: a row is too long."""

    line: str
    start: float
    end: float
    first: int
    last: int
    said: str
    words: list[SaidWordOut]
    rows: list[str]
    letters_a_second: float
    hasty: bool
    mend: float
    wide: bool


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


class WaterOut(Schema):
    """At a moment of a scene its music is so many LU below the voice."""

    at: float
    level: float


class SceneTimes(Schema):
    """Everything the ribbon and the script need to follow the sound."""

    id: str
    duration: float
    fingerprint: str
    notes: list[NoteOnCue] = []
    lines: list[LineTimes]
    mouths: list[MouthShape]
    captions: list[CaptionOut]
    water: list[WaterOut]
    blocking: dict[str, SpotSchema]
