"""The workshop: parts to make hosts from, pictures of what is being made, and hosts that are saved."""

from __future__ import annotations

import json
from typing import Any

from django.http import HttpRequest, HttpResponse
from django.utils.text import slugify
from ninja import Field, File, Router, Schema, Status, UploadedFile

from dearhost.assets import LARGEST_FILE
from dearhost.errors import HostError
from dearhost.hosts import Pose
from dearhost.hosts.host import Card
from dearhost.hosts.people.badge import badge_from
from dearhost.hosts.people.from_words import describe_host
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.people.person import Person
from dearhost.hosts.people.sheet_file import (
    card_from_json,
    host_from_json,
    host_to_json,
    sheet_from_json,
    sheet_to_json,
)
from dearhost.hosts.people.workshop import GROUPS, random_sheet, variations
from dearhost.hosts.pose import Body
from dearhost.hosts.thumbnails import SPEAKING, expression_pose, figure_png, portrait_png
from dearhost.json_data import read_json
from dearhost.production.uses import HOST, Use
from dearhost.render import rehearse
from server.accounts.account import account_id
from server.assets.models import Belonging
from server.assets.ownership import belongs_to, key_of, may_use
from server.hosts.api import owned_host
from server.hosts.parts import PartsOut, all_parts
from server.studio import studio

router = Router(tags=["workshop"])
_SENTENCE = "Good morning! Where did the sea go? Out, and it always comes back."
_LARGEST_FILE = 400_000
_VIEWS = {
    "face": Pose(),
    "left": Pose(body=Body(yaw=-28)),
    "right": Pose(body=Body(yaw=28)),
    "speaking": SPEAKING,
    "happy": expression_pose("happy"),
    "sad": expression_pose("sad"),
}


class SheetIn(Schema):
    """A model sheet as plain data."""

    sheet: dict[str, Any]
    view: str = "figure"


class TalkingIn(Schema):
    """A model sheet as plain data, and the stock voice to talk with; the default one for any other."""

    sheet: dict[str, Any]
    voice: str = ""


class ByChanceIn(Schema):
    """``sheet`` to vary in ``groups``, {} for somebody new; ``seed`` numbers the throw."""

    sheet: dict[str, Any] = {}
    groups: list[str] = []
    seed: int = Field(1, ge=0, le=10**9)


class DescribedHostIn(Schema):
    """A host in words."""

    text: str = Field(max_length=400)
    seed: int = Field(1, ge=0, le=10**9)


class TakenForOut(Schema):
    """Words and what they were taken for."""

    words: str
    means: str


class CandidatesOut(Schema):
    """Sheets to choose from."""

    sheets: list[dict[str, Any]]
    understood: list[TakenForOut] = []
    unknown: list[str] = []
    role: str = ""
    mood: str = ""


class BadgeOut(Schema):
    """A badge as base64 of a PNG, as it stands in a sheet."""

    badge: str


class HostIn(Schema):
    """A host to save; ``changes`` is the id of the one it is the next version of, "" for a new one."""

    name: str = Field(min_length=1, max_length=60)
    card: dict[str, Any] = {}
    sheet: dict[str, Any]
    changes: str = ""


class OwnOut(Schema):
    """A saved host; ``notes`` say what had to be mended."""

    id: str
    name: str
    card: dict[str, Any]
    sheet: dict[str, Any]
    notes: list[str] = []


@router.get("/parts", response=PartsOut, operation_id="workshopParts")
def parts(request: HttpRequest) -> dict[str, Any]:
    """What hosts are made from."""
    return all_parts()


@router.post("/picture.png", operation_id="workshopPicture", include_in_schema=False)
def picture(request: HttpRequest, data: SheetIn) -> HttpResponse:
    """A sheet that is being made: the whole figure, or the face from a side, speaking, with an expression."""
    sheet, _ = sheet_from_json(data.sheet)
    someone = Person("preview", "", Card("", "adult", "casual", "", ()), sheet)
    made = portrait_png(someone, 240, _VIEWS[data.view]) if data.view in _VIEWS else figure_png(someone, 300, 560)
    return HttpResponse(made, content_type="image/png", headers={"Cache-Control": "no-store"})


@router.post("/talking.mp4", operation_id="workshopTalking", include_in_schema=False)
def talking(request: HttpRequest, data: TalkingIn) -> HttpResponse:
    """A sheet that is being made, turning and saying a sentence. Raises SpeechError."""
    sheet, _ = sheet_from_json(data.sheet)
    voices = studio().voices
    wanted = voices.usual(data.voice)
    voice = wanted if wanted in {voice.id for voice in voices.stock()} else voices.default().id
    someone = Person("preview", "", Card("", "adult", "casual", "", ()), sheet)
    made = rehearse(someone, studio().speaker.read(_SENTENCE, voice))
    return HttpResponse(made, content_type="video/mp4", headers={"Cache-Control": "no-store"})


@router.post("/by-chance", response=CandidatesOut, operation_id="hostsByChance")
def by_chance(request: HttpRequest, data: ByChanceIn) -> dict[str, Any]:
    """Somebody by chance, or four variations of a sheet in what ``groups`` name."""
    if not data.sheet:
        return {"sheets": [sheet_to_json(random_sheet(data.seed))]}
    sheet, _ = sheet_from_json(data.sheet)
    made = variations(sheet, data.seed, [g for g in data.groups if g in GROUPS] or GROUPS)
    return {"sheets": [sheet_to_json(s) for s in made]}


@router.post("/described", response=CandidatesOut, operation_id="hostsDescribed")
def described(request: HttpRequest, data: DescribedHostIn) -> dict[str, Any]:
    """Four candidates for a description. Raises HostError when nothing in it says how somebody looks."""
    found = describe_host(data.text, data.seed)
    if not found.understood:
        raise HostError(
            "Nothing in these words says how somebody looks. Try: a retired sailor, grey beard, yellow raincoat."
        )
    return {
        "sheets": [sheet_to_json(s) for s in found.candidates],
        "understood": [{"words": h.words, "means": h.means} for h in found.understood],
        "unknown": list(found.unknown),
        "role": found.role,
        "mood": found.mood,
    }


@router.post("/badge", response=BadgeOut, operation_id="makeBadge")
def make_badge(request: HttpRequest, file: File[UploadedFile]) -> dict[str, str]:
    """A picture as a badge for a sheet. Raises HostError for what is no picture or too large."""
    return {"badge": badge_from(file.read(LARGEST_FILE + 1))}


@router.get("/hosts/{host_id}", response=OwnOut, operation_id="getHostSheet")
def get(request: HttpRequest, host_id: str) -> dict[str, Any]:
    """The sheet of a person of the cast or of the account, to go on from. Raises HostError for an animal."""
    host = owned_host(request, host_id)
    if not isinstance(host, Person):
        raise HostError(f"{host.name} is drawn by hand and has no parts to change.")
    return _out(host, ())


def _out(host: Person, notes: tuple[str, ...]) -> dict[str, Any]:
    data = host_to_json(host.name, host.card, host.sheet)
    return {"id": host.id, "name": host.name, "card": data["card"], "sheet": data["sheet"], "notes": list(notes)}


def _keep(request: HttpRequest, name: str, card: Card, sheet: ModelSheet, changes: str = "") -> Person:
    mine = bool(changes) and may_use(account_id(request), Use(HOST, changes))
    kept = studio().hosts.shelf.keep(" ".join(name.split()), card, sheet, changes if mine else "")
    belongs_to(account_id(request), Use(HOST, kept.id))
    return kept


@router.post("/hosts", response={201: OwnOut}, operation_id="saveHost")
def save(request: HttpRequest, data: HostIn) -> Status[dict[str, Any]]:
    """Save a host: a new one, or the next version of one. Productions keep the version they have."""
    sheet, notes = sheet_from_json(data.sheet)
    return Status(201, _out(_keep(request, data.name, card_from_json(data.card), sheet, data.changes), notes))


@router.delete("/hosts/{host_id}", response={204: None}, operation_id="deleteHost")
def delete(request: HttpRequest, host_id: str) -> Status[None]:
    """Delete a made host, with all its versions."""
    host = owned_host(request, host_id)
    owners = Belonging.objects.filter(kind=HOST, key=key_of(Use(HOST, host.id)))
    owners.filter(owner_id=account_id(request)).delete()
    if not owners.exists():  # it may have come to another account too
        studio().hosts.shelf.remove(host.id)
    return Status(204, None)


@router.get("/hosts/{host_id}/host.json", operation_id="hostFile", include_in_schema=False)
def host_file(request: HttpRequest, host_id: str) -> HttpResponse:
    """A host as one open file, for another machine. Raises HostError for an animal."""
    host = owned_host(request, host_id)
    if not isinstance(host, Person):
        raise HostError(f"{host.name} comes with Dear Host everywhere and needs no file.")
    content = json.dumps(host_to_json(host.name, host.card, host.sheet), ensure_ascii=False, indent=1)
    name = f'attachment; filename="{slugify(host.name)}.json"'
    return HttpResponse(content, content_type="application/json", headers={"Content-Disposition": name})


@router.post("/import", response={201: OwnOut}, operation_id="importHost")
def import_host(request: HttpRequest, file: File[UploadedFile]) -> Status[dict[str, Any]]:
    """Take in a host from its file; what is missing or absurd is mended and told. Raises HostError."""
    if (file.size or 0) > _LARGEST_FILE:
        raise HostError("This file is too big for a host. Choose a host's file.")
    try:
        data = read_json(file.read())
    except ValueError as error:
        raise HostError("This file holds no host: it is no JSON. Choose a host's file.") from error
    name, card, sheet, notes = host_from_json(data)
    return Status(201, _out(_keep(request, name, card, sheet), notes))
