"""The voices of this machine."""

from __future__ import annotations

from typing import Annotated, Any

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router, Schema, Status

from dearhost.wav import audition
from server.accounts.account import account_id
from server.studio import studio
from server.voices.models import FavouriteVoice
from server.voices.usable import usable_by, usable_voice

router = Router(tags=["voices"])
LONGEST_AUDITION = 300
"""Characters: enough to hear a voice by."""
_MELODY_RATE = 50.0


class QuotaOut(Schema):
    """Characters a month that can be spoken; ``renews`` is the day it begins anew."""

    limit: int
    left: int
    renews: str


class VoiceOut(Schema):
    """A voice to choose; ``pitch`` is its mean in Hz, about, ``age`` child, young, grown, older or "",
    ``heard_as`` woman, man, child or "". ``favourite``:
    the account marked it. ``quota``: what is left of what it costs, None where it costs nothing."""

    id: str
    name: str
    engine: str
    language: str
    language_name: str
    description: str
    pitch: int
    age: str
    heard_as: str
    favourite: bool
    quota: QuotaOut | None = None


class FavouriteIn(Schema):
    """Marked or not."""

    favourite: bool


class MelodyWord(Schema):
    """A word and when it is heard."""

    text: str
    start: float
    end: float


class MelodyOut(Schema):
    """A sentence as a voice says it: words with their seconds, and ``rate`` values of pitch a second (0 unvoiced)."""

    seconds: float
    rate: float
    pitch: list[float]
    words: list[MelodyWord]


@router.get("", response=list[VoiceOut], operation_id="listVoices")
def list_voices(request: HttpRequest) -> list[dict[str, Any]]:
    """Every voice the account may use, the neural ones first; tones for trying out are left to the command line."""
    marked = set(FavouriteVoice.objects.filter(owner_id=account_id(request)).values_list("voice", flat=True))
    return [
        {**voice.to_json(), "favourite": voice.id in marked, "quota": _quota(voice.id)}
        for voice in usable_by(account_id(request), studio().voices.voices())
        if voice.engine != "fake"
    ]


def _quota(voice_id: str) -> dict[str, Any] | None:
    quota = studio().voices.quota(voice_id)
    return {"limit": quota.limit, "left": quota.left, "renews": quota.renews} if quota else None


@router.put("/{voice_id}/favourite", response={204: None}, operation_id="markVoice")
def mark(request: HttpRequest, voice_id: str, data: FavouriteIn) -> Status[None]:
    """Mark a voice, or take the mark away."""
    voice = usable_voice(request, voice_id)
    if data.favourite:
        FavouriteVoice.objects.get_or_create(owner_id=account_id(request), voice=voice.id)
    else:
        FavouriteVoice.objects.filter(owner_id=account_id(request), voice=voice.id).delete()
    return Status(204, None)


@router.get("/{voice_id}/audition.wav", operation_id="auditionVoice", include_in_schema=False)
def audition_voice(
    request: HttpRequest, voice_id: str, text: Annotated[str, Query(max_length=LONGEST_AUDITION)]
) -> HttpResponse:
    """A sentence said by a voice, every voice as loud as the other."""
    sound = audition(studio().speaker, text, usable_voice(request, voice_id).id)
    return HttpResponse(sound, content_type="audio/wav", headers={"Cache-Control": "private, no-cache"})


@router.get("/{voice_id}/melody", response=MelodyOut, operation_id="voiceMelody")
def melody(
    request: HttpRequest, voice_id: str, text: Annotated[str, Query(max_length=LONGEST_AUDITION)]
) -> dict[str, Any]:
    """How a sentence goes when a voice says it."""
    reading = studio().speaker.foreseen(text, usable_voice(request, voice_id).id)
    step = max(1, round(reading.prosody.rate / _MELODY_RATE))
    return {
        "seconds": round(reading.duration, 3),
        "rate": reading.prosody.rate / step,
        "pitch": [round(float(v), 1) for v in reading.prosody.pitch[::step]],
        "words": [{"text": w.text, "start": round(w.start, 3), "end": round(w.end, 3)} for w in reading.words],
    }
