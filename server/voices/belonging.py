"""Whose a voice is: made and matched voices speak for their account alone."""

from __future__ import annotations

from collections.abc import Iterable

from django.http import Http404, HttpRequest

from dearhost.errors import SpeechError
from dearhost.speech import Voice
from server.studio import studio
from server.voices.models import MadeVoice, VoiceMatch

_OWNED = {"made": MadeVoice, "matched": VoiceMatch}


def usable_by(owner_id: int | None, voices: Iterable[Voice]) -> list[Voice]:
    """Those of ``voices`` that are for everybody, or the account's own."""
    mine = {
        engine: set(model.objects.filter(owner_id=owner_id).values_list("voice", flat=True))
        for engine, model in _OWNED.items()
    }
    return [v for v in voices if v.engine not in mine or v.id.split(":")[0] in mine[v.engine]]


def usable_voice(request: HttpRequest, voice_id: str) -> Voice:
    """A voice the account may use. Raises SpeechError where it is unknown or unavailable, Http404 where it is
    somebody else's."""
    voice = studio().voices.voice(voice_id)
    if not usable_by(request.user.pk, [voice]):
        raise Http404
    return voice


def refuse_foreign_voices(owner_id: int, voice_ids: Iterable[str]) -> None:
    """Raise SpeechError when one of them is another account's. Unknown ones pass: they are told of when they speak."""
    wanted = set(voice_ids)
    known = [v for v in studio().voices.voices() if v.id in wanted]
    if foreign := {v.id for v in known} - {v.id for v in usable_by(owner_id, known)}:
        raise SpeechError(f"The voice {', '.join(sorted(foreign))} belongs to another account. Choose another one.")
