"""Voices made from a description: made, tuned, named, deleted."""

from __future__ import annotations

import uuid
from dataclasses import asdict, replace
from typing import Any

from django.http import Http404, HttpRequest
from ninja import Field, Router, Schema, Status

from dearhost.errors import SpeechError
from dearhost.production.uses import VOICE, Use
from dearhost.speech.describing import LIMITS, describe
from dearhost.speech.full_voices import FULL_VOICES
from dearhost.speech.listing import base_of
from dearhost.speech.made_voices import MadeVoice
from server.accounts.account import account_id
from server.assets.ownership import belongs_to, disown, may_use
from server.studio import studio

router = Router(tags=["made voices"])


class DescribedIn(Schema):
    """A voice in words."""

    description: str = Field(max_length=300)
    name: str = Field("", max_length=60)


class ShapeSchema(Schema):
    """How it differs from the voice it is made from: mean pitch in Hz, spread of pitch and size of formants as
    factors, tilt in dB an octave, pace as a factor, share of breath."""

    mean: float
    spread: float
    warp: float
    tilt: float
    pace: float
    breath: float


class TunedIn(Schema):
    """Another name or shape."""

    name: str = Field(min_length=1, max_length=60)
    shape: ShapeSchema


class UnderstoodOut(Schema):
    """Words of the description and what they were taken for."""

    words: str
    means: str


class LimitOut(Schema):
    """How far a part of the shape goes."""

    part: str
    low: float
    high: float


class MadeOut(Schema):
    """A made voice, what was understood of its description, and what was not."""

    id: str
    name: str
    description: str
    base: str
    base_name: str
    shape: ShapeSchema
    understood: list[UnderstoodOut]
    unknown: list[str]
    limits: list[LimitOut]


def _data(made: MadeVoice) -> dict[str, Any]:
    voices = studio().voices
    found = describe(made.description, voices.starting_voices())
    return {
        **{name: getattr(made, name) for name in ("id", "name", "description", "base")},
        "base_name": _made_from(made),
        "shape": asdict(made.shape),
        "understood": [asdict(u) for u in found.understood],
        "unknown": list(found.unknown),
        "limits": [{"part": part, "low": low, "high": high} for part, (low, high) in LIMITS.items()],
    }


def _made_from(made: MadeVoice) -> str:
    """What a recipe is laid on, in words."""
    base = base_of(made)
    return "styles of the full model" if base in FULL_VOICES else studio().voices.voice(base).name


def _mine(request: HttpRequest, voice_id: str) -> MadeVoice:
    if not voice_id.startswith("made-") or not may_use(account_id(request), Use(VOICE, voice_id)):
        raise Http404
    return studio().voices.made.find(voice_id)


@router.post("", response={201: MadeOut}, operation_id="makeVoice")
def make(request: HttpRequest, data: DescribedIn) -> Status[dict[str, Any]]:
    """Make a voice from words. Raises SpeechError when nothing of them says anything about a voice."""
    words = " ".join(data.description.split())
    voices = studio().voices
    found = describe(words, voices.starting_voices())
    if not found.understood:
        raise SpeechError(
            "Nothing in these words says how a voice sounds. Say who speaks and how: an old man, deep and slow."
        )
    name = " ".join(data.name.split()) or words[:1].upper() + words[1:40]
    made = voices.made.keep(
        MadeVoice(
            f"made-{uuid.uuid4().hex[:12]}", name, words, found.base or voices.default().id, found.shape, found.age
        )
    )
    belongs_to(account_id(request), Use(VOICE, made.id))
    return Status(201, _data(made))


@router.get("/{voice_id}", response=MadeOut, operation_id="getMadeVoice")
def get(request: HttpRequest, voice_id: str) -> dict[str, Any]:
    """One made voice."""
    return _data(_mine(request, voice_id))


@router.put("/{voice_id}", response=MadeOut, operation_id="tuneVoice")
def tune(request: HttpRequest, voice_id: str, data: TunedIn) -> dict[str, Any]:
    """Change a made voice; where it speaks, it speaks so from now on. Values beyond the limits are held at them."""
    made = _mine(request, voice_id)
    shape = replace(made.shape, **data.shape.model_dump())
    return _data(studio().voices.made.keep(replace(made, name=" ".join(data.name.split()) or made.name, shape=shape)))


@router.delete("/{voice_id}", response={204: None}, operation_id="deleteMadeVoice")
def delete(request: HttpRequest, voice_id: str) -> Status[None]:
    """Delete a made voice; lines that were given to it ask for another."""
    made = _mine(request, voice_id)
    studio().voices.made.remove(made.id)
    studio().voices.forget(made.id)
    disown(Use(VOICE, made.id))
    return Status(204, None)


def _new_id() -> str:
    return f"made-{uuid.uuid4().hex[:12]}"
