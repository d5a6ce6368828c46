"""The shelf: bring things in, look at them, say whose they are, put them away."""

from __future__ import annotations

import uuid
from datetime import datetime
from pathlib import Path
from typing import Annotated, Literal
from uuid import UUID

from django.http import Http404, HttpRequest
from django.shortcuts import get_object_or_404
from ninja import Field, File, Router, Schema, Status, UploadedFile
from pydantic import AfterValidator

from dearhost.assets.shelf import CLIP, ShelfItem, kind_of
from dearhost.assets.shelf.licences import LICENCES, rights_problem
from dearhost.errors import HostError
from dearhost.production.choices import MOST_BLUR
from dearhost.production.uses import SHELF, Use
from dearhost.speech.clips import lines_of
from dearhost.stage.backdrops import LightFit, Placing, light_fit
from dearhost.storage import write_whole
from server.accounts.account import account_id
from server.assets.models import Belonging
from server.assets.ownership import may_use
from server.jobs.actions.start import start_job
from server.jobs.api import JobOut
from server.jobs.models import Job
from server.productions.api import owned
from server.productions.documents import usable_production
from server.shelf.actions.put_away import bring_back, put_away
from server.shelf.actions.replace import replace_everywhere
from server.shelf.models import ShelfEntry
from server.shelf.using import credits_of, entered, rights_missing, uses_by_item
from server.shelf.work import forget_uploads, upload_path
from server.studio import studio

router = Router(tags=["shelf"])
_MOST_AT_ONCE = 200


def _known(licence: str) -> str:
    if licence and licence not in LICENCES:
        raise ValueError(f"one of {', '.join(LICENCES)}, or empty")
    return licence


Part = Annotated[float, Field(ge=0, le=1, allow_inf_nan=False)]
Blur = Annotated[float, Field(ge=0, le=MOST_BLUR, allow_inf_nan=False)]
Licence = Annotated[str, AfterValidator(_known)]


class LicenceOut(Schema):
    """A licence, and the words it is shown by."""

    id: str
    words: str


class UsedIn(Schema):
    """A production that shows or sounds a thing."""

    id: UUID
    title: str


class ShelfOut(Schema):
    """A thing on the shelf. ``problem``: what is missing before a film may show it, or "". ``light``: what is said of
    the light in it. ``mine``: whether this account brought it."""

    item: str
    kind: Literal["picture", "clip", "sound"]
    number: int
    title: str
    file: str
    licence: str
    author: str
    problem: str
    shared: bool
    mine: bool
    width: int
    height: int
    seconds: float
    rate: float
    sounds: bool
    transparent: bool
    bytes: int
    loops: bool
    light: str
    notes: list[str]
    used_in: list[UsedIn]
    created_at: datetime


class ShelfIn(Schema):
    """What is changed of a thing; what is missing stays."""

    title: str | None = Field(None, min_length=1, max_length=120)
    licence: Licence | None = None
    author: str | None = Field(None, max_length=200)
    shared: bool | None = None


class RightsIn(Schema):
    """The same licence and author for several things."""

    items: list[str] = Field(max_length=_MOST_AT_ONCE)
    licence: Licence
    author: str = Field("", max_length=200)


class ReplacedOut(Schema):
    """In how many productions another thing stands in now."""

    productions: int


class ClipLineOut(Schema):
    """A line that is said from ``begins`` seconds into a clip on."""

    text: str
    begins: float


class ClipWordOut(Schema):
    """A word as it is said, in seconds of the clip."""

    text: str
    start: float
    end: float


class ClipWordsOut(Schema):
    """What is said in a clip, in lines and word by word; nothing where it has not been ``heard`` yet."""

    heard: bool
    language: str
    lines: list[ClipLineOut]
    words: list[ClipWordOut]


class HearIn(Schema):
    """How a clip is heard: by itself where it is English, else along the ``text`` of what is said."""

    language: str = Field("en", max_length=20, pattern=r"^[A-Za-z]{2,3}(-[A-Za-z0-9]{2,8})*$")
    text: str = Field("", max_length=60_000)


class CreditsOut(Schema):
    """The credits of a production's film, and what keeps it from being rendered."""

    lines: list[str]
    missing: list[str]


def _entry(request: HttpRequest, item: str) -> ShelfEntry:
    return get_object_or_404(ShelfEntry, item=item, owner_id=account_id(request))


def _out(entry: ShelfEntry, kept: ShelfItem, owner_id: int, used: list[tuple[str, str]]) -> ShelfOut:
    return ShelfOut(
        item=entry.item, kind=kept.kind, number=entry.number, title=entry.title, file=kept.name,
        licence=entry.licence, author=entry.author, problem=rights_problem(entry.licence, entry.author),
        shared=entry.shared, mine=entry.owner_id == owner_id, width=kept.width, height=kept.height,
        seconds=kept.seconds, rate=kept.rate, sounds=kept.sounds, transparent=kept.transparent, bytes=kept.bytes,
        loops=kept.loop is not None, light=kept.light.words if kept.light else "", notes=list(kept.notes),
        used_in=[UsedIn(id=UUID(pk), title=title) for pk, title in used], created_at=entry.created_at,
    )  # fmt: skip


def _all_out(owner_id: int, entries: list[ShelfEntry]) -> list[ShelfOut]:
    kept = {entry.item: item for entry in entries if (item := studio().shelf.item(entry.item))}
    used = uses_by_item(owner_id, kept)
    return [_out(entry, kept[entry.item], owner_id, used[entry.item]) for entry in entries if entry.item in kept]


@router.get("", response=list[ShelfOut], operation_id="listShelf")
def shelf_list(request: HttpRequest) -> list[ShelfOut]:
    """Everything on the shelf, the latest first, and then what others of this desk share."""
    owner_id = account_id(request)
    entered(owner_id)
    mine = list(ShelfEntry.objects.filter(owner_id=owner_id))
    known = {entry.item for entry in mine}
    shared = ShelfEntry.objects.filter(shared=True).exclude(owner_id=owner_id).exclude(item__in=known)
    return _all_out(owner_id, [*mine, *shared])


@router.get("/licences", response=list[LicenceOut], operation_id="listLicences")
def licences(request: HttpRequest) -> list[LicenceOut]:
    """What a thing may be under."""
    return [LicenceOut(id=name, words=words) for name, words in LICENCES.items()]


@router.post("", response={201: JobOut}, operation_id="bringToShelf")
def bring(request: HttpRequest, file: File[UploadedFile]) -> Status[Job]:
    """Take a picture, clip or sound in: a job reads it."""
    forget_uploads()
    name = str(uuid.uuid4())

    def write(part: Path) -> None:
        with part.open("wb") as kept:
            for chunk in file.chunks():
                kept.write(chunk)

    write_whole(upload_path(name), write)
    return Status(
        201, start_job(account_id(request), "shelf", {"upload": name, "name": (file.name or "unnamed")[-120:]})
    )


@router.post("/rights", response=list[ShelfOut], operation_id="sayRights")
def say_rights(request: HttpRequest, data: RightsIn) -> list[ShelfOut]:
    """Say licence and author of several things at once."""
    owner_id = account_id(request)
    entries = ShelfEntry.objects.filter(owner_id=owner_id, item__in=data.items)
    entries.update(licence=data.licence, author=data.author.strip())
    return _all_out(owner_id, list(entries.all()))


@router.patch("/{item}", response=ShelfOut, operation_id="changeShelf")
def change(request: HttpRequest, item: str, data: ShelfIn) -> ShelfOut:
    """Name a thing, say whose it is, share it with the others of this desk."""
    entry = _entry(request, item)
    for name, value in data.dict(exclude_none=True).items():
        setattr(entry, name, value.strip() if isinstance(value, str) else value)
    if not entry.title:
        raise HostError("A thing on the shelf needs a title.")
    entry.save()
    if data.shared is not None:
        Belonging.objects.filter(owner_id=entry.owner_id, kind=SHELF, key=item).update(shared=data.shared)
    return _all_out(entry.owner_id, [entry])[0]


@router.delete("/{item}", response={204: None}, operation_id="putAwayFromShelf")
def remove(request: HttpRequest, item: str) -> Status[None]:
    """Put a thing away; what a production uses stays."""
    put_away(_entry(request, item))
    return Status(204, None)


@router.post("/{item}/bring-back", response=ShelfOut, operation_id="bringBackToShelf")
def back(request: HttpRequest, item: str) -> ShelfOut:
    """Take out again what was put away."""
    entry = get_object_or_404(ShelfEntry.with_deleted, item=item, owner_id=account_id(request))
    bring_back(entry)
    return _all_out(entry.owner_id, [entry])[0]


def _clip(request: HttpRequest, item: str) -> str:
    """A clip that the account may use. Raises Http404."""
    if kind_of(item) != CLIP or not may_use(account_id(request), Use(SHELF, item)):
        raise Http404
    return item


class RemedyOut(Schema):
    """A choice that would help, and the words for it."""

    name: Literal["own_dim", "own_light", "own_blur"]
    value: bool | float
    words: str


class LightFitOut(Schema):
    """How well hosts stand in the light of a thing, 0 to 100, what is amiss most, and what would mend it."""

    score: int
    is_poor: bool
    sentence: str
    remedy: RemedyOut | None


@router.get("/{item}/light", response=LightFitOut, operation_id="lightFit")
def light(
    request: HttpRequest, item: str, mirrored: bool = False, dim: Part = 0.0, blur: Blur = 0.0, lit: bool = True
) -> LightFit:
    """How well hosts stand in the light of a picture or clip as it is placed."""
    kept = studio().shelf.item(item) if may_use(account_id(request), Use(SHELF, item)) else None
    if kept is None or kept.light is None:
        raise Http404
    return light_fit(kept.light, Placing(item, mirrored=mirrored, dim=dim, blur=blur, light=lit))


@router.get("/{item}/words", response=ClipWordsOut, operation_id="clipWords")
def clip_words(request: HttpRequest, item: str) -> ClipWordsOut:
    """What is said in a clip."""
    heard = studio().speaker.clips.known(_clip(request, item))
    if heard is None:
        return ClipWordsOut(heard=False, language="", lines=[], words=[])
    lines = [ClipLineOut(text=line.text, begins=line.begins) for line in lines_of(heard)]
    words = [ClipWordOut(text=w.text, start=round(w.start, 3), end=round(w.end, 3)) for w in heard.words]
    return ClipWordsOut(heard=True, language=heard.language, lines=lines, words=words)


@router.post("/{item}/words", response={201: JobOut}, operation_id="hearClip")
def hear(request: HttpRequest, item: str, data: HearIn) -> Status[Job]:
    """Hear what is said in a clip: a job listens."""
    if studio().shelf.file(_clip(request, item), "sound") is None:
        raise HostError("This clip has no sound: nobody can be heard in it. Choose another.")
    order = {"item": item, "language": data.language, "text": data.text}
    return Status(201, start_job(account_id(request), "clip", order))


@router.post("/{item}/replace/{other}", response=ReplacedOut, operation_id="replaceOnShelf")
def replace(request: HttpRequest, item: str, other: str) -> ReplacedOut:
    """Put another thing in its place everywhere."""
    return ReplacedOut(productions=replace_everywhere(_entry(request, item), _entry(request, other)))


@router.get("/credits/{uuid:production_id}", response=CreditsOut, operation_id="productionCredits")
def production_credits(request: HttpRequest, production_id: UUID) -> CreditsOut:
    """What a production's film owes to whom."""
    production = owned(request, production_id)
    staged = usable_production(production.document, production.title, production.owner_id)
    return CreditsOut(
        lines=credits_of(production.owner_id, staged), missing=rights_missing(production.owner_id, staged)
    )
