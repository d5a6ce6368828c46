"""The voice of a whole production: saved alone, used where, and a production begun from a recording."""

from __future__ import annotations

from collections import Counter
from dataclasses import asdict
from typing import Any
from uuid import UUID

from django.http import HttpRequest
from ninja import File, Router, Schema, Status, UploadedFile

from dearhost.hosts import base_of
from dearhost.render.voice_over import PATTERN, VoiceOverOrder
from server.accounts.account import account_id
from server.assets.uploads import sound_of
from server.hosts.api import owned_host
from server.jobs.actions.start import start_job
from server.jobs.api import JobOut
from server.jobs.models import Job
from server.productions.actions.save import save_production
from server.productions.api import owned
from server.productions.documents import cast_of, usable_production
from server.productions.models import Production
from server.studio import studio

router = Router(tags=["voice"])


class VoiceOverIn(Schema):
    """What to write of the voice; see ``VoiceOverOrder``."""

    scope: str = "whole"
    kind: str = "wav"
    rate: int = 48_000
    loudness: float = -16.0
    pattern: str = PATTERN


@router.post("/{uuid:production_id}/voice-over", response={202: JobOut}, operation_id="makeVoiceOver")
def voice_over(request: HttpRequest, production_id: UUID, data: VoiceOverIn) -> Status[Job]:
    """Have the voice alone made as sound files, in one zip. Raises RenderError for an order that cannot be."""
    production = owned(request, production_id)
    order = VoiceOverOrder(**{**data.dict(), "pattern": data.pattern or PATTERN}).checked()
    usable_production(production.document, production.title, production.owner_id).checked(studio())
    wanted = {"production": str(production.pk), "voice_over": asdict(order)}
    return Status(202, start_job(production.owner_id, "voice-over", wanted))


class SpeaksIn(Schema):
    """A production in which a voice speaks."""

    id: UUID
    title: str
    speakers: list[str]


@router.get("/using/{voice_id}", response=list[SpeaksIn], operation_id="productionsUsing")
def productions_using(request: HttpRequest, voice_id: str) -> list[dict[str, Any]]:
    """The account's productions in which a voice speaks, in whatever language."""
    found = []
    for production in Production.objects.filter(owner_id=account_id(request)):
        cast = cast_of(production.document)
        speakers = [name for name, entry in cast.items() if entry.voice.split(":")[0] == voice_id]
        if speakers:
            found.append({"id": production.pk, "title": production.title, "speakers": speakers})
    return found


class UseOut(Schema):
    """In how many of the account's productions a voice speaks."""

    voice: str
    productions: int


@router.get("/voices-used", response=list[UseOut], operation_id="voicesUsed")
def voices_used(request: HttpRequest) -> list[dict[str, Any]]:
    """How often each voice is used, the most used first."""
    counts = Counter(
        voice
        for document in Production.objects.filter(owner_id=account_id(request)).values_list("document", flat=True)
        for voice in {entry.voice for entry in cast_of(document).values()}
    )
    return [{"voice": voice, "productions": count} for voice, count in counts.most_common()]


class PlaysIn(Schema):
    """A production in which a host plays, and the id of the version there."""

    id: UUID
    title: str
    host: str


@router.get("/playing/{host_id}", response=list[PlaysIn], operation_id="productionsPlaying")
def productions_playing(request: HttpRequest, host_id: str) -> list[dict[str, Any]]:
    """The account's productions in which a host plays, in whatever version."""
    found = []
    for production in Production.objects.filter(owner_id=account_id(request)):
        hosts = {entry.host for entry in cast_of(production.document).values()}
        played = sorted(h for h in hosts if base_of(h) == base_of(host_id))
        if played:
            found.append({"id": production.pk, "title": production.title, "host": played[0]})
    return found


class RecastIn(Schema):
    """``host`` takes the place of its other versions in these productions, or of another host, ``instead_of``."""

    host: str
    instead_of: str = ""
    productions: list[UUID]


@router.post("/recast", response={204: None}, operation_id="recastHost")
def recast(request: HttpRequest, data: RecastIn) -> Status[None]:
    """Bring a host's version to productions that have another one, or that host in place of another, each as a revision
    of its own."""
    if data.instead_of:
        owned_host(request, data.host)
    leaving = base_of(data.instead_of or data.host)
    for production in Production.objects.filter(owner_id=account_id(request), pk__in=data.productions):
        playing = [s for s, entry in cast_of(production.document).items() if base_of(entry.host) == leaving]
        if not playing:
            continue
        cast = production.document["cast"]
        cast = {**cast, **{speaker: {**cast[speaker], "host": data.host} for speaker in playing}}
        save_production(production, {**production.document, "cast": cast}, production.title, production.revision)
    return Status(204, None)


@router.post("/from-recording", response={202: JobOut}, operation_id="beginFromRecording")
def begin_from_recording(request: HttpRequest, file: File[UploadedFile]) -> Status[Job]:
    """Begin a production with a draft of what a recording says. Raises UnreadableSound."""
    title = (file.name or "A recording").rsplit("/", 1)[-1].rsplit(".", 1)[0].replace("-", " ").replace("_", " ")
    recording = studio().speaker.recordings.add(sound_of(file).samples)
    order = {"recording": recording, "title": title.strip().capitalize()}
    return Status(202, start_job(account_id(request), "draft", order))
