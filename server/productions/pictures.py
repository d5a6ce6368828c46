"""Stills and streamed proofs of a scene."""

from __future__ import annotations

import math
from collections.abc import Callable, Generator
from contextlib import closing
from itertools import takewhile
from uuid import UUID

from asgiref.sync import sync_to_async
from django.http import Http404, HttpRequest, HttpResponse, JsonResponse, StreamingHttpResponse
from django.views.decorators.http import require_safe

from dearhost.errors import DearHostError
from dearhost.memory import release_memory
from dearhost.render import still, stream_pictures, stream_sound
from dearhost.script import Cue
from dearhost.stage import Timeline
from server.productions.models import Production
from server.productions.painters import (
    heard_timeline,
    own_painter,
    shelf,
    still_timeline,
    timeline_after,
    tried_timeline,
)
from server.productions.proof_turns import ProofTurns, WaitedFor
from server.streaming import asynchronous
from server.studio import studio

STILL_HEIGHT = 360
HEIGHTS = (360, 540, 720)
_LARGEST_NUMBER = 86_400.0
_LONGEST_TRIED = 4_000
picture_turns, sound_turns, sound_waited_for = ProofTurns(), ProofTurns(), WaitedFor()

Answer = HttpResponse | StreamingHttpResponse
Pieces = Generator[bytes, None, None]


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


async def proof_picture(request: HttpRequest, production_id: UUID, scene_id: str) -> Answer:
    """The picture of a scene from ``at`` seconds on, to ``until``, as fragmented MP4, while it is being made.

    ``before`` names the scene it follows, whose end it may dissolve from. ``cue``, ``line`` and ``offset`` show
    it with one cue more than it has: to look at before it is set.
    """

    def prepare(production: Production) -> Pieces:
        if request.GET.get("cue") or not request.GET.get("before"):
            timeline = _timeline(request, production, scene_id)
        else:
            timeline = timeline_after(production, request.GET["before"], scene_id)
        yield b""
        scene, (start, until) = timeline.scenes[-1], _part(request)
        painter = own_painter(timeline, _height(request))
        try:
            yield from stream_pictures(painter, scene, start, until, gives_way=sound_waited_for.__bool__)
        finally:
            del painter
            release_memory()  # what it drew, and the encoder's frames

    return await _proof(request, production_id, picture_turns, prepare)


async def proof_sound(request: HttpRequest, production_id: UUID, scene_id: str) -> Answer:
    """The sound of the same, as it is in the film.

    ``chosen``, JSON, are choices that are not kept yet: what changes the sound is heard while it is played.
    """

    def prepare(production: Production) -> Pieces:
        timeline = _timeline(request, production, scene_id)
        yield b""
        pieces = stream_sound(timeline, timeline.scenes[-1], studio().resources.shelf, *_part(request))
        with closing(pieces):
            with sound_waited_for.waiting():
                first = next(pieces)
            yield first
            yield from pieces

    return await _proof(request, production_id, sound_turns, prepare)


def _timeline(request: HttpRequest, production: Production, scene_id: str) -> Timeline:
    """A scene as it is heard: with a cue that is tried, or with choices that are not kept yet."""
    if tried := request.GET.get("cue", ""):
        cue = Cue("tried", tried, int(_number(request, "offset", 0)))
        return tried_timeline(production, scene_id, request.GET.get("line", ""), cue)
    return heard_timeline(production, scene_id, request.GET.get("chosen", "")[:_LONGEST_TRIED])


def _part(request: HttpRequest) -> tuple[float, float | None]:
    return _number(request, "at", 0.0), _number(request, "until", 0.0) or None


async def _proof(
    request: HttpRequest, production_id: UUID, turns: ProofTurns, prepare: Callable[[Production], Pieces]
) -> Answer:
    """What ``prepare`` yields, streamed; its first piece is empty and comes once what can be wrong with the order is
    known."""
    if request.method != "GET":
        return HttpResponse(status=405)

    def taken() -> Pieces:
        production = _owned(request, production_id)
        with turns.taken(production.owner_id) as over, closing(prepare(production)) as pieces:
            yield next(pieces)
            yield from takewhile(lambda _: not over.is_set(), pieces)

    pieces = taken()
    try:
        await sync_to_async(next, thread_sensitive=False)(pieces)
    except DearHostError as error:
        return _problem(error)
    return StreamingHttpResponse(asynchronous(pieces), content_type="video/mp4", headers={"Cache-Control": "no-store"})
