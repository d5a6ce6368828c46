"""A production's document as it goes over the wire, both ways."""

from __future__ import annotations

from typing import Literal

from ninja import Schema


class CueSchema(Schema):
    """What happens on the word that begins at ``start`` in its line's text."""

    id: str
    kind: str
    start: int
    parameters: dict[str, float | str] = {}
    look: bool = False


class BlockSchema(Schema):
    """A line or a direction."""

    id: str
    kind: Literal["line", "direction"]
    text: str
    speaker: str = ""
    cues: list[CueSchema] = []


class SpotSchema(Schema):
    """Where a host stands: ``x`` across the picture from 0 to 1, ``distance`` from the camera, 1 the usual.
    ``facing``: the body turned to the left (-1), the camera (0) or the right (1)."""

    x: float
    distance: float = 1.0
    facing: Literal[-1, 0, 1] = 0


class StagingSchema(Schema):
    """A scene's own choices; what is "" or null is as everywhere."""

    set: str = ""
    framing: Literal["", "wide", "full", "medium", "close-up", "bubble", "square-bubble"] = ""
    transition: Literal["", "cut", "dissolve"] = ""
    captions: bool | None = None
    furniture: Literal["", "none", "desk", "counter"] = ""
    cutting: Literal["", "together", "speakers"] = ""
    camera: Literal["", "still", "push", "pull", "pan-left", "pan-right"] = ""
    tail: float | None = None
    target: float | None = None
    blocking: dict[str, SpotSchema] = {}
    looks: dict[str, str] = {}


class SceneSchema(Schema):
    """A scene of blocks."""

    id: str
    heading: str
    blocks: list[BlockSchema]
    staging: StagingSchema = StagingSchema()


class ScriptSchema(Schema):
    """A script document."""

    title: str = ""
    notes: dict[str, str] = {}
    scenes: list[SceneSchema]


class CastSchema(Schema):
    """Who plays a speaker, with which voice, the effect over it, and how the host behaves: eye contact 0 to 1, blinks
    and head motion 0 to 2, 1 the usual.
    ``facing``: the body turned to the left (-1), the camera (0) or the right (1)."""

    host: str
    voice: str
    effect: str = "none"
    eye_contact: float = 0.5
    blinks: float = 1.0
    head: float = 1.0


class BriefSchema(Schema):
    """What the production is for; ``target`` is the wished length in seconds, 0 for none."""

    purpose: str = ""
    audience: str = ""
    channel: str = ""
    tone: str = ""
    own_words: str = ""
    call_to_action: str = ""
    points: list[str] = []
    target: float = 0.0


class SayAsSchema(Schema):
    """A word of the say-as list: said as other words, or by its phones in IPA."""

    word: str
    alias: str = ""
    ipa: str = ""


class DocumentSchema(Schema):
    """A production's document: the script and every choice."""

    script: ScriptSchema
    cast: dict[str, CastSchema]
    shape: Literal["16:9", "1:1", "9:16"]
    captions: bool
    set: str
    framing: Literal["wide", "full", "medium", "close-up", "bubble", "square-bubble"]
    transition: Literal["cut", "dissolve"]
    liveliness: Literal["still", "normal", "lively"]
    furniture: Literal["none", "desk", "counter"] = "none"
    cutting: Literal["together", "speakers"] = "together"
    camera: Literal["still", "push", "pull", "pan-left", "pan-right"] = "still"
    directed: bool = True
    titles: bool
    caption_names: bool = False
    brief: BriefSchema = BriefSchema()
    say_as: list[SayAsSchema] = []
