"""The hosts, and what surrounds them."""

from __future__ import annotations

from dataclasses import asdict
from functools import lru_cache
from typing import Any

import skia
from django.http import Http404, HttpRequest, HttpResponse
from ninja import Router, Schema

from dearhost.hosts import (
    CAST,
    EXPRESSIONS,
    GESTURES,
    ExpressionCue,
    GestureCue,
    Performance,
    Pose,
    Role,
    host_by_id,
)
from dearhost.stage import SETS
from dearhost.timebase import FrameRate

router = Router(tags=["hosts"])
_PORTRAIT = 192
_CUE_PICTURE = (368, 276)
_PEAK = 2.0
"""Seconds at which a gesture arrives in its picture."""


class HostOut(Schema):
    """A host to choose by its card; ``age`` is "" for animals, ``voice`` a stock voice that goes with it."""

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


class SetOut(Schema):
    """A set to choose."""

    id: str
    name: str


@router.get("", response=list[HostOut], operation_id="listHosts")
def list_hosts(request: HttpRequest) -> list[dict[str, Any]]:
    """Everybody in the cast."""
    return [
        {"id": h.id, "name": h.name, "kind": h.kind, "description": h.card.description, **asdict(h.card)}
        for h in CAST.values()
    ]


@router.get("/sets", response=list[SetOut], operation_id="listSets")
def list_sets(request: HttpRequest) -> list[SetOut]:
    """Every set."""
    return [SetOut(id=s.id, name=s.name) for s in SETS.values()]


@router.get("/{host_id}/portrait.png", operation_id="hostPortrait", include_in_schema=False)
def portrait(request: HttpRequest, host_id: str) -> HttpResponse:
    """Head and shoulders on paper."""
    return HttpResponse(_portrait(host_id), content_type="image/png", headers={"Cache-Control": "max-age=86400"})


@router.get("/{host_id}/cues/{kind}.png", operation_id="cuePicture", include_in_schema=False)
def cue_picture(request: HttpRequest, host_id: str, kind: str) -> HttpResponse:
    """A gesture at its peak, or an expression, half figure on paper."""
    if kind not in GESTURES and kind not in EXPRESSIONS:
        raise Http404
    picture = _cue_picture(host_id, kind)
    return HttpResponse(picture, content_type="image/png", headers={"Cache-Control": "max-age=86400"})


@lru_cache(maxsize=256)
def _cue_picture(host_id: str, kind: str) -> bytes:
    host = host_by_id(host_id)
    cues = (GestureCue(_PEAK, kind),) if kind in GESTURES else ()
    changes = (ExpressionCue(0.0, kind),) if kind in EXPRESSIONS else ()
    role = Role((), 2 * _PEAK, host.kind, cues=cues, expressions=changes)
    width, height = _CUE_PICTURE
    surface = skia.Surface(width, height)
    canvas = surface.getCanvas()
    canvas.clear(skia.Color(232, 219, 195))
    near = kind in EXPRESSIONS
    scale = height / 190 if near else width / 520
    canvas.translate(width / 2, height * (0.5 if near else 0.37))
    canvas.scale(scale, scale)
    canvas.translate(0, -host.head_centre.imag)
    host.draw(canvas, Performance(role, FrameRate.of(30)).pose(_PEAK))
    return bytes(surface.makeImageSnapshot().encodeToData())


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
