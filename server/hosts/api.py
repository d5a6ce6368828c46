"""The hosts, and what surrounds them."""

from __future__ import annotations

from functools import lru_cache

import skia
from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema

from dearhost.hosts import CAST, Host, Pose, host_by_id
from dearhost.stage import SETS

router = Router(tags=["hosts"])
_PORTRAIT = 192


class HostOut(Schema):
    """A host to choose."""

    id: str
    name: str
    description: str


class SetOut(Schema):
    """A set to choose."""

    id: str
    name: str


@router.get("", response=list[HostOut], operation_id="listHosts")
def list_hosts(request: HttpRequest) -> list[Host]:
    """Everybody in the cast."""
    return list(CAST.values())


@router.get("/sets", response=list[SetOut], operation_id="listSets")
def list_sets(request: HttpRequest) -> list[SetOut]:
    """Every set."""
    return [SetOut(id=s.id, name=s.name) for s in SETS.values()]


@router.get("/{host_id}/portrait.png", operation_id="hostPortrait", include_in_schema=False)
def portrait(request: HttpRequest, host_id: str) -> HttpResponse:
    """Head and shoulders on paper."""
    return HttpResponse(_portrait(host_id), content_type="image/png", headers={"Cache-Control": "max-age=86400"})


@lru_cache(maxsize=32)
def _portrait(host_id: str) -> bytes:
    host = host_by_id(host_id)
    surface = skia.Surface(_PORTRAIT, _PORTRAIT)
    canvas = surface.getCanvas()
    canvas.clear(skia.Color(232, 219, 195))
    scale = _PORTRAIT / 175
    canvas.translate(_PORTRAIT / 2, _PORTRAIT * 0.48)
    canvas.scale(scale, scale)
    canvas.translate(0, -host.head_centre.imag)
    host.draw(canvas, Pose())
    return bytes(surface.makeImageSnapshot().encodeToData())
