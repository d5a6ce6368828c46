"""A production's document as it goes over the wire, both ways."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from ninja import Schema
from pydantic import BeforeValidator, Field, create_model

from dearhost.production import CHOICES, Choice, Scope
from dearhost.script import COLOUR


class CueSchema(Schema):
    """What happens on the word that begins at ``start`` in its line's text, or from there to the word at ``end``."""

    id: str
    kind: str
    start: int
    parameters: dict[str, float | str] = {}
    look: bool = False
    end: int | None = None


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


def _as_everywhere(value: Any) -> Any:
    """A scene's choice that is "" is as everywhere."""
    return None if value == "" else value


def _hint(choice: Choice) -> Any:
    """The type of a choice's values."""
    if choice.kind == "switch":
        return bool
    if choice.kind == "colour":
        return Annotated[str, Field(pattern=f"^{COLOUR}$")]
    if choice.kind == "choice":
        return str if choice.open or choice.form else Literal[tuple(choice.values)]
    return Annotated[float, Field(ge=choice.low, le=choice.high, allow_inf_nan=False)]


def _own_choices() -> dict[str, Any]:
    """What a scene may choose otherwise than everywhere, by the table of choices; null is as everywhere."""
    return {
        name: (Annotated[_hint(choice) | None, BeforeValidator(_as_everywhere)], None)
        for name, choice in CHOICES.items()
        if choice.scope is not Scope.EVERYWHERE
    }


def _choices() -> dict[str, Any]:
    """What is chosen for the whole production, by the table of choices."""
    return {
        name: (_hint(choice), choice.default) for name, choice in CHOICES.items() if choice.scope is not Scope.SCENE
    }


class _Staging(Schema):
    """A scene's own choices; what is null is as everywhere."""

    blocking: dict[str, SpotSchema] = {}
    looks: dict[str, str] = {}


StagingSchema: Any = create_model("StagingSchema", __base__=_Staging, __doc__=_Staging.__doc__, **_own_choices())


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
    """Who plays a speaker, with which voice, the effect over it and its pace (1 as it speaks of itself), and how the
    host behaves: eye contact 0 to 1, blinks and head motion 0 to 2, 1 the usual."""

    host: str
    voice: str
    effect: str = "none"
    eye_contact: float = 0.5
    blinks: float = 1.0
    head: float = 1.0
    pace: float = 1.0


class BriefSchema(Schema):
    """What the production is for; ``target`` is the wished length in seconds, 0 for none."""

    topic: str = ""
    purpose: str = ""
    audience: str = ""
    channel: str = ""
    tone: str = ""
    own_words: str = ""
    may_quote: bool = False
    sample: str = ""
    call_to_action: str = ""
    points: list[str] = []
    target: float = 0.0


class SayAsSchema(Schema):
    """A word of the say-as list: said as other words, or by its phones in IPA."""

    word: str
    alias: str = ""
    ipa: str = ""


class _Document(Schema):
    """A production's document: the script and every choice."""

    script: ScriptSchema
    cast: dict[str, CastSchema]
    brief: BriefSchema = BriefSchema()
    say_as: list[SayAsSchema] = []


DocumentSchema: Any = create_model("DocumentSchema", __base__=_Document, __doc__=_Document.__doc__, **_choices())
