"""The voices of this machine."""

from __future__ import annotations

from django.http import HttpRequest
from ninja import Router, Schema

from dearhost.speech import Voice
from server.voices.studio import studio

router = Router(tags=["voices"])


class VoiceOut(Schema):
    """A voice to choose."""

    id: str
    name: str
    engine: str
    language: str
    language_name: str
    description: str


@router.get("", response=list[VoiceOut], operation_id="listVoices")
def list_voices(request: HttpRequest) -> list[Voice]:
    """Every voice, the neural ones first; tones for trying out are left to the command line."""
    return [v for v in studio().voices.voices() if v.engine != "fake"]
