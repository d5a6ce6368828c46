"""The hosts to choose from, their pictures, and what surrounds them."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import asdict
from functools import lru_cache
from typing import Any

from django.http import Http404, HttpRequest, HttpResponse
from django.utils.text import slugify
from ninja import File, Router, Schema, Status
from ninja.files import UploadedFile

from dearhost.assets import LARGEST_FILE
from dearhost.errors import HostError
from dearhost.hosts import CAST, Host, base_of
from dearhost.hosts.thumbnails import cue_png, figure_png, model_sheet_png, model_sheet_svg, portrait_png
from dearhost.production.uses import HOST, PICTURE, Use
from server.accounts.account import account_id
from server.assets.ownership import belongs_to, keys_of, may_use
from server.hosts.models import FavouriteHost
from server.studio import studio

router = Router(tags=["hosts"])
_LETTERS = "literata-latin-400-normal.woff"


class HostOut(Schema):
    """A host to choose by its card; ``age`` is "" for animals, ``voice`` a stock voice that goes with it. ``own``: made
    here. ``favourite``: the account marked it."""

    id: str
    name: str
    kind: str
    description: str
    role: str
    age: str
    dress: str
    mood: str
    suits: list[str]
    voice: str
    looks: list[str]
    own: bool
    favourite: bool


class PictureOut(Schema):
    """The id of a kept picture, as it stands in a cue."""

    picture: str


class MarkIn(Schema):
    """Marked or not."""

    favourite: bool


def owned_host(request: HttpRequest, host_id: str) -> Host:
    """A host of the cast or of the account. Raises Http404."""
    if not may_use(account_id(request), Use(HOST, host_id)) or not studio().hosts.is_known(host_id):
        raise Http404
    return studio().hosts.host(host_id)


@router.get("", response=list[HostOut], operation_id="listHosts")
def list_hosts(request: HttpRequest) -> list[dict[str, Any]]:
    """Everybody in the cast, then the account's own hosts in their newest versions."""
    marked = set(FavouriteHost.objects.filter(owner_id=account_id(request)).values_list("host", flat=True))
    mine = keys_of(account_id(request), HOST)
    own = [host for host in studio().hosts.shelf.latest() if base_of(host.id) in mine]
    return [
        {
            "id": host.id,
            "name": host.name,
            "kind": host.kind,
            "description": host.card.description,
            **asdict(host.card),
            "looks": list(studio().hosts.looks_of(host.id)),
            "own": host.id not in CAST,
            "favourite": base_of(host.id) in marked,
        }
        for host in (*CAST.values(), *own)
    ]


@router.post("/pictures", response={201: PictureOut}, operation_id="keepPicture")
def keep_picture(request: HttpRequest, file: File[UploadedFile]) -> Status[dict[str, str]]:
    """Keep a picture to hold as a prop. Raises HostError for what is no picture or too large."""
    picture = studio().pictures.keep(file.read(LARGEST_FILE + 1))
    belongs_to(account_id(request), Use(PICTURE, picture))
    return Status(201, {"picture": picture})


@router.get("/pictures/{picture}.png", operation_id="ownPicture", include_in_schema=False)
def own_picture(request: HttpRequest, picture: str) -> HttpResponse:
    """A kept picture of the account."""
    png = studio().pictures.bytes_of(picture) if may_use(account_id(request), Use(PICTURE, picture)) else None
    if png is None:
        raise Http404
    return HttpResponse(png, content_type="image/png", headers={"Cache-Control": "private, max-age=31536000"})


@router.put("/{host_id}/favourite", response={204: None}, operation_id="markHost")
def mark(request: HttpRequest, host_id: str, data: MarkIn) -> Status[None]:
    """Mark a host, or take the mark away."""
    base = base_of(owned_host(request, host_id).id)
    if data.favourite:
        FavouriteHost.objects.get_or_create(owner_id=account_id(request), host=base)
    else:
        FavouriteHost.objects.filter(owner_id=account_id(request), host=base).delete()
    return Status(204, None)


def _picture(request: HttpRequest, host_id: str, draw: Callable[[str], bytes]) -> HttpResponse:
    owned_host(request, host_id)
    return HttpResponse(draw(host_id), content_type="image/png", headers={"Cache-Control": "private, max-age=86400"})


@router.get("/{host_id}/portrait.png", operation_id="hostPortrait", include_in_schema=False)
def portrait(request: HttpRequest, host_id: str) -> HttpResponse:
    """Head and shoulders on paper."""
    return _picture(request, host_id, _portrait)


@router.get("/{host_id}/figure.png", operation_id="hostFigure", include_in_schema=False)
def figure(request: HttpRequest, host_id: str) -> HttpResponse:
    """The whole figure, all hosts to one scale."""
    return _picture(request, host_id, _figure)


@router.get("/{host_id}/cues/{kind}.png", operation_id="cuePicture", include_in_schema=False)
def cue_picture(request: HttpRequest, host_id: str, kind: str) -> HttpResponse:
    """A host doing what a cue asks for."""
    try:
        return _picture(request, host_id, lambda h: _cue(h, kind))
    except HostError as error:
        raise Http404 from error


@router.get("/{host_id}/sheet.{kind}", operation_id="modelSheet", include_in_schema=False)
def model_sheet(request: HttpRequest, host_id: str, kind: str) -> HttpResponse:
    """The whole model sheet as a PNG or SVG picture."""
    host = owned_host(request, host_id)
    make = {"png": (model_sheet_png, "image/png"), "svg": (model_sheet_svg, "image/svg+xml")}.get(kind)
    if make is None:
        raise Http404
    content = make[0](host, studio().fonts / _LETTERS)
    name = f"{slugify(host.name)}-sheet.{kind}"
    return HttpResponse(
        content, content_type=make[1], headers={"Content-Disposition": f'attachment; filename="{name}"'}
    )


@lru_cache(maxsize=256)
def _cue(host_id: str, kind: str) -> bytes:
    return cue_png(studio().hosts.host(host_id), kind)


@lru_cache(maxsize=64)
def _portrait(host_id: str) -> bytes:
    return portrait_png(studio().hosts.host(host_id))


@lru_cache(maxsize=64)
def _figure(host_id: str) -> bytes:
    return figure_png(studio().hosts.host(host_id))
