"""Voices matched to people: what they may be used for, withdrawn, handed on as files."""

from __future__ import annotations

import tempfile
from datetime import date
from pathlib import Path
from typing import Any

from django.http import Http404, HttpRequest, HttpResponse
from django.utils.text import slugify
from ninja import File, Router, Schema, Status, UploadedFile

from dearhost.errors import ConsentError, SpeechError
from dearhost.production.uses import VOICE, Use
from dearhost.speech.matching import MatchedVoice, load_voice
from server.accounts.account import account_id
from server.assets.ownership import belongs_to, keys_of
from server.studio import studio
from server.voices.matches_api import forget_sample
from server.voices.models import VoiceMatch
from server.voices.signals import consent_withdrawn

router = Router(tags=["voice match"])
MAX_VOICE_BYTES = 32_000_000


class MatchedOut(Schema):
    """A matched voice, also one that may not be used, and how close it came."""

    id: str
    name: str
    person: str
    given_on: str
    until: str
    purpose: str
    withdrawn_on: str
    problem: str
    closed: float
    before: float
    after: float
    pitch: float
    pitch_wanted: float
    held_out: int
    same_words: bool
    seconds: float


class Withdraw(Schema):
    """``remove`` also takes the sample and the model away for good."""

    remove: bool = False


def owned_voice(request: HttpRequest, voice_id: str) -> MatchedVoice:
    """A matched voice of the account, or 404."""
    if voice_id not in keys_of(account_id(request), VOICE) or voice_id.startswith("made-"):
        raise Http404
    return studio().voices.matched.find(voice_id)


def _voice_data(voice: MatchedVoice) -> dict[str, Any]:
    consent, close = voice.consent, voice.closeness
    return {
        "id": voice.id,
        "name": voice.name,
        "person": consent.person,
        "given_on": consent.given_on,
        "until": consent.until,
        "purpose": consent.purpose,
        "withdrawn_on": consent.withdrawn_on,
        "problem": voice.problem(date.today()),
        "closed": round(close.closed, 3),
        "before": close.before,
        "after": close.after,
        "pitch": close.pitch,
        "pitch_wanted": close.pitch_wanted,
        "held_out": close.held_out,
        "same_words": close.same,
        "seconds": voice.seconds,
    }


@router.get("", response=list[MatchedOut], operation_id="listMatchedVoices")
def list_matched(request: HttpRequest) -> list[dict[str, Any]]:
    """The account's matched voices, also those whose consent ended."""
    mine = keys_of(account_id(request), VOICE)
    return [_voice_data(voice) for voice in studio().voices.matched.all() if voice.id in mine]


@router.post("/import", response={201: MatchedOut}, operation_id="importVoice")
def import_voice(request: HttpRequest, file: File[UploadedFile]) -> Status[dict[str, Any]]:
    """Take in a voice from its file, with its consent. Raises SpeechError, ConsentError."""
    if (file.size or 0) > MAX_VOICE_BYTES:
        raise SpeechError("This file is far too big to be a voice. Choose a .dhvoice file.")
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / Path(file.name or "voice").name
        path.write_bytes(file.read())
        voice = load_voice(path)
    kept = studio().voices.matched
    here = next((known for known in kept.all() if known.id == voice.id), None)
    problem = voice.problem(date.today()) or (here.problem(date.today()) if here else "")
    if problem:  # what was withdrawn here does not come back by an older file
        raise ConsentError(problem)
    if here and voice.id not in keys_of(account_id(request), VOICE):
        raise ConsentError(f"The voice {voice.name} belongs to somebody else on this machine. Ask them for it.")
    kept.keep(voice)
    belongs_to(account_id(request), Use(VOICE, voice.id))
    VoiceMatch.objects.update_or_create(
        owner_id=account_id(request),
        voice=voice.id,
        defaults={
            "person": voice.consent.person,
            "consent": voice.consent.to_json(),
        },
    )
    return Status(201, _voice_data(voice))


@router.post("/{voice_id}/withdraw", response=MatchedOut, operation_id="withdrawConsent")
def withdraw(request: HttpRequest, voice_id: str, data: Withdraw) -> dict[str, Any]:
    """Withdraw the consent: the voice speaks nowhere any more, at once."""
    owned_voice(request, voice_id)
    voices = studio().voices
    voice = voices.matched.withdraw(voice_id, date.today(), remove=data.remove)
    voices.forget(voice_id)
    if data.remove:
        for match in VoiceMatch.objects.filter(owner_id=account_id(request), voice=voice_id):
            forget_sample(match)
    consent_withdrawn.send(sender=None, voice_id=voice_id)
    return _voice_data(voice)


@router.get("/{voice_id}/consent.txt", operation_id="consentRecord", include_in_schema=False)
def consent_record(request: HttpRequest, voice_id: str) -> HttpResponse:
    """The consent as a readable record."""
    voice = owned_voice(request, voice_id)
    return _download(voice.consent.record(), f"consent-{slugify(voice.name)}.txt", "text/plain; charset=utf-8")


@router.get("/{voice_id}/voice.dhvoice", operation_id="voiceFile", include_in_schema=False)
def voice_file(request: HttpRequest, voice_id: str) -> HttpResponse:
    """The voice as a file, with its consent. Raises ConsentError once that was withdrawn."""
    voice = owned_voice(request, voice_id)
    if voice.problem(date.today()):
        raise ConsentError(voice.problem(date.today()))
    content = studio().voices.matched.path(voice_id).read_bytes()
    return _download(content, f"{slugify(voice.name)}.dhvoice", "application/zip")


def _download(content: str | bytes, name: str, kind: str) -> HttpResponse:
    return HttpResponse(content, content_type=kind, headers={"Content-Disposition": f'attachment; filename="{name}"'})
