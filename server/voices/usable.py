"""Voices an account may use."""

from __future__ import annotations

from collections.abc import Iterable

from django.http import HttpRequest
from ninja.errors import HttpError

from dearhost.errors import UnknownVoice
from dearhost.production.uses import VOICE, Use
from dearhost.speech import Voice
from server.accounts.account import account_id
from server.assets.ownership import may_use, usable
from server.studio import studio


def usable_by(owner_id: int | None, voices: Iterable[Voice]) -> list[Voice]:
    """Those of ``voices`` that are for everybody, or the account's own."""
    listed = list(voices)
    allowed = {use.id for use in usable(owner_id, (Use(VOICE, voice.id) for voice in listed))}
    return [voice for voice in listed if voice.id in allowed]


def usable_voice(request: HttpRequest, voice_id: str) -> Voice:
    """A voice the account may use. Raises HttpError 404 where there is none for it, SpeechError where it is
    unavailable."""
    if may_use(account_id(request), Use(VOICE, voice_id)):
        try:
            return studio().voices.voice(voice_id)
        except UnknownVoice:
            pass
    raise HttpError(404, f"There is no voice '{voice_id}'. Choose another one.")
