"""The voice of a whole production: saved alone, used where, and a production begun from a recording."""

from __future__ import annotations

import tempfile
import zipfile
from collections import Counter
from pathlib import Path
from typing import Any
from uuid import UUID

from django.http import FileResponse, HttpRequest
from django.utils.text import slugify
from ninja import File, Router, Schema, Status, UploadedFile

from dearhost.hosts import base_of
from dearhost.render.voice_over import PATTERN, VoiceOverOrder, write_voice_over
from dearhost.stage import compile_timeline
from dearhost.timebase import FrameRate
from server.productions.actions.draft import production_from_recording
from server.productions.actions.save import save_production
from server.productions.api import owned
from server.productions.documents import production_of
from server.productions.models import Production
from server.productions.schemas import ProductionOut
from server.studio import studio
from server.voices.uploads import sound_of

router = Router(tags=["voice"])
VOICE_RATE = FrameRate.of(30)


@router.get("/{uuid:production_id}/voice-over.zip", operation_id="voiceOver", include_in_schema=False)
def voice_over(
    request: HttpRequest, production_id: UUID, scope: str = "whole", kind: str = "wav", rate: int = 48_000,
    loudness: float = -16.0, pattern: str = PATTERN,
) -> FileResponse:  # fmt: skip
    """The voice alone as sound files, with word times, captions and a cue sheet, in one zip."""
    production = owned(request, production_id)
    order = VoiceOverOrder(scope, kind, rate, loudness, pattern or PATTERN).checked()
    timeline = compile_timeline(production_of(production.document, production.title), studio(), VOICE_RATE)
    packed = tempfile.TemporaryFile()  # noqa: SIM115 - the response closes it
    with tempfile.TemporaryDirectory() as folder, zipfile.ZipFile(packed, "w", zipfile.ZIP_DEFLATED) as archive:
        for path in write_voice_over(timeline, Path(folder), order):
            archive.write(path, path.name)
    packed.seek(0)
    name = f"{slugify(production.title) or 'production'}-voice.zip"
    return FileResponse(packed, as_attachment=True, filename=name, content_type="application/zip")


class SpeaksIn(Schema):
    """A production in which a voice speaks."""

    id: UUID
    title: str
    speakers: list[str]


@router.get("/using/{voice_id}", response=list[SpeaksIn], operation_id="productionsUsing")
def productions_using(request: HttpRequest, voice_id: str) -> list[dict[str, Any]]:
    """The account's productions in which a voice speaks, in whatever language."""
    found = []
    for production in Production.objects.filter(owner_id=request.user.pk):
        cast = production.document.get("cast", {})
        speakers = [name for name, entry in cast.items() if str(entry.get("voice", "")).split(":")[0] == voice_id]
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
        for document in Production.objects.filter(owner_id=request.user.pk).values_list("document", flat=True)
        for voice in {str(entry.get("voice", "")) for entry in document.get("cast", {}).values()}
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
    for production in Production.objects.filter(owner_id=request.user.pk):
        hosts = {str(entry.get("host", "")) for entry in production.document.get("cast", {}).values()}
        played = sorted(h for h in hosts if base_of(h) == base_of(host_id))
        if played:
            found.append({"id": production.pk, "title": production.title, "host": played[0]})
    return found


class RecastIn(Schema):
    """``host`` takes the place of its other versions in these productions."""

    host: str
    productions: list[UUID]


@router.post("/recast", response={204: None}, operation_id="recastHost")
def recast(request: HttpRequest, data: RecastIn) -> Status[None]:
    """Bring a host's version to productions that have another one, each as a revision of its own."""
    for production in Production.objects.filter(owner_id=request.user.pk, pk__in=data.productions):
        cast = {
            speaker: {**entry, "host": data.host} if base_of(str(entry["host"])) == base_of(data.host) else entry
            for speaker, entry in production.document["cast"].items()
        }
        save_production(production, {**production.document, "cast": cast}, production.title, production.revision)
    return Status(204, None)


@router.post("/from-recording", response={201: ProductionOut}, operation_id="beginFromRecording")
def begin_from_recording(request: HttpRequest, file: File[UploadedFile]) -> Status[Production]:
    """Begin a production with a draft of what a recording says."""
    title = (file.name or "A recording").rsplit("/", 1)[-1].rsplit(".", 1)[0].replace("-", " ").replace("_", " ")
    return Status(201, production_from_recording(request.user, sound_of(file), title.strip().capitalize()))
