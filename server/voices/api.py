"""The voices of this machine."""

from __future__ import annotations

from django.http import HttpRequest, HttpResponse
from ninja import Query, Router, Schema

from dearhost.films import audition
from dearhost.speech import Voice
from server.voices.studio import studio

router = Router(tags=["voices"])
LONGEST_AUDITION = 300
"""Characters: enough to hear a voice by."""


class VoiceOut(Schema):
    """A voice to choose; ``pitch`` is its mean in Hz, about."""

    id: str
    name: str
    engine: str
    language: str
    language_name: str
    description: str
    pitch: int


@router.get("", response=list[VoiceOut], operation_id="listVoices")
def list_voices(request: HttpRequest) -> list[Voice]:
    """Every voice, the neural ones first; tones for trying out are left to the command line."""
    return [v for v in studio().voices.voices() if v.engine != "fake"]


@router.get("/{voice_id}/audition.wav", operation_id="auditionVoice", include_in_schema=False)
def audition_voice(
    request: HttpRequest, voice_id: str, text: str = Query(..., max_length=LONGEST_AUDITION)
) -> HttpResponse:
    """A sentence said by a voice, every voice as loud as the other."""
    sound = audition(studio().speaker, text, voice_id)
    return HttpResponse(sound, content_type="audio/wav", headers={"Cache-Control": "private, max-age=3600"})
