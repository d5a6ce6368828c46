"""Stills and streamed proofs of a scene."""

from __future__ import annotations

import asyncio
import math
from collections.abc import AsyncIterator, Generator
from contextlib import closing
from itertools import takewhile
from uuid import UUID

from asgiref.sync import sync_to_async
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse, StreamingHttpResponse
from django.views.decorators.http import require_safe

from dearhost.errors import DearHostError
from dearhost.render import PROOF_MIME, still, stream_proof
from dearhost.script import Cue
from server.productions.models import Production
from server.productions.painters import (
    heard_timeline,
    own_painter,
    shelf,
    still_timeline,
    timeline_after,
    tried_timeline,
)
from server.productions.proof_turns import ProofTurns

STILL_HEIGHT = 360
HEIGHTS = (360, 540, 720)
_LARGEST_NUMBER = 86_400.0
_LONGEST_TRIED = 4_000
turns = ProofTurns()


def _number(request: HttpRequest, name: str, default: float) -> float:
    """A number of the query from 0 to a day; ``default`` for what is none."""
    try:
        asked = float(request.GET.get(name, default))
    except ValueError:
        return default
    return min(max(asked, 0.0), _LARGEST_NUMBER) if math.isfinite(asked) else default


def _height(request: HttpRequest) -> int:
    asked = int(_number(request, "height", STILL_HEIGHT))
    return asked if asked in HEIGHTS else STILL_HEIGHT


def _owned(request: HttpRequest, production_id: UUID) -> Production:
    if not request.user.is_authenticated:
        raise Http404
    production = Production.objects.filter(pk=production_id, owner_id=request.user.pk).first()
    if production is None:
        raise Http404
    return production


def _problem(error: DearHostError) -> HttpResponse:
    return JsonResponse({"detail": str(error), "kind": type(error).__name__}, status=422)


@require_safe
def scene_still(request: HttpRequest, production_id: UUID, scene_id: str) -> HttpResponse:
    """The picture at ``at`` seconds of a scene, as JPEG; with ``tried``, choices as JSON, as it would be with them."""
    return _still(request, production_id, scene_id, _number(request, "at", 0.0), resting=False)


@require_safe
def scene_opening(request: HttpRequest, production_id: UUID, scene_id: str) -> HttpResponse:
    """Where everybody stands as a scene begins, as JPEG: there before its lines are read, or written."""
    return _still(request, production_id, scene_id, 0.0, resting=True)


def _still(request: HttpRequest, production_id: UUID, scene_id: str, moment: float, *, resting: bool) -> HttpResponse:
    production = _owned(request, production_id)
    tried = request.GET.get("tried", "")[:_LONGEST_TRIED]
    try:
        timeline = still_timeline(production, scene_id, resting=resting, tried=tried)
        with shelf.borrowed(timeline, _height(request)) as painter:
            picture = still(painter, moment)
    except DearHostError as error:
        return _problem(error)
    return HttpResponse(picture, content_type="image/jpeg", headers={"Cache-Control": "private, max-age=3600"})


async def proof(request: HttpRequest, production_id: UUID, scene_id: str) -> HttpResponse | StreamingHttpResponse:
    """A scene from ``at`` seconds on, to ``until``, as fragmented MP4, while it is being made.

    ``before`` names the scene it follows, whose end it may dissolve from. ``cue``, ``line`` and ``offset`` show
    it with one cue more than it has: to look at before it is set. ``chosen``, JSON, are choices that are not kept yet:
    what changes the sound is heard while it is played.
    """
    if request.method != "GET":
        return HttpResponse(status=405)

    def prepare() -> Generator[bytes, None, None]:
        production = _owned(request, production_id)
        with turns.taken(production.owner_id) as over:
            tried, chosen = request.GET.get("cue", ""), request.GET.get("chosen", "")[:_LONGEST_TRIED]
            if tried:
                cue = Cue("tried", tried, int(_number(request, "offset", 0)))
                timeline = tried_timeline(production, scene_id, request.GET.get("line", ""), cue)
            elif request.GET.get("before"):
                timeline = timeline_after(production, request.GET["before"], scene_id, chosen)
            else:
                timeline = heard_timeline(production, scene_id, chosen)
            yield b""  # what can be wrong with the order is known by now
            if over.is_set():
                return
            painter = own_painter(timeline, _height(request))
            until = _number(request, "until", 0.0) or None
            with closing(stream_proof(painter, timeline.scenes[-1], _number(request, "at", 0.0), until)) as pieces:
                yield from takewhile(lambda _: not over.is_set(), pieces)

    pieces = prepare()
    try:
        await sync_to_async(next, thread_sensitive=False)(pieces)
    except DearHostError as error:
        return _problem(error)
    return StreamingHttpResponse(
        _asynchronous(pieces), content_type=PROOF_MIME.split(";")[0], headers={"Cache-Control": "no-store"}
    )


async def _asynchronous(pieces: Generator[bytes, None, None]) -> AsyncIterator[bytes]:
    """Pieces without blocking the event loop; closed when nobody listens, once the last step is done."""
    loop = asyncio.get_running_loop()
    step = None
    try:
        while True:
            step = loop.run_in_executor(None, next, pieces, None)
            piece = await asyncio.shield(step)
            if piece is None:
                return
            yield piece
    finally:
        if step is not None and not step.done():
            await asyncio.wait([step])
        await asyncio.to_thread(pieces.close)
