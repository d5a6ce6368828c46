"""Zooms proposed for recordings of screens; what has not been looked at yet is looked at by a job."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any
from uuid import UUID

from django.http import HttpRequest
from ninja import Router, Schema, Status

from dearhost.production.uses import SHELF, Use
from dearhost.stage.zooms import clips_in, proposed_zooms
from server.accounts.account import account_id
from server.assets.ownership import usable
from server.jobs.actions.start import start_job
from server.jobs.api import JobOut
from server.jobs.models import Job
from server.productions.api import owned
from server.productions.models import Production
from server.productions.painters import scene_timeline
from server.studio import studio

router = Router(tags=["stage"])


class ProposedZoomOut(Schema):
    """On the word of a line at ``offset``, ``at`` seconds of its scene, a place of a recording is gone to, ``x`` and
    ``y`` in parts of its width and height, ``near`` times nearer; 1 is all of it again."""

    item: str
    line: str
    offset: int
    word: str
    at: float
    near: float
    x: float
    y: float


class ZoomsOut(Schema):
    """What could be gone to in a scene; ``clips``: how many it shows, ``unseen``: how many have not been looked at."""

    zooms: list[ProposedZoomOut]
    clips: int
    unseen: int


def _clips(production: Production, scene_id: str) -> list[str]:
    """The clips of a scene that its owner may use."""
    shown = clips_in(scene_timeline(production, scene_id).scenes[0])
    allowed = usable(production.owner_id, {Use(SHELF, item) for item in shown})
    return [item for item in shown if Use(SHELF, item) in allowed]


@router.get("/{uuid:production_id}/scenes/{scene_id}/zooms", response=ZoomsOut, operation_id="proposeZooms")
def zooms(request: HttpRequest, production_id: UUID, scene_id: str, revision: int = 0) -> dict[str, Any]:
    """Zooms for the recordings of screens that a scene shows; changes nothing.

    ``revision`` only keeps answers for different revisions apart.
    """
    production = owned(request, production_id)
    shelf, clips = studio().shelf, _clips(production, scene_id)
    seen = {item: known for item in clips if (known := shelf.known_happening(item))}
    found = proposed_zooms(scene_timeline(production, scene_id).scenes[0], shelf, seen.get)
    return {"zooms": [asdict(zoom) for zoom in found], "clips": len(clips), "unseen": len(clips) - len(seen)}


@router.post("/{uuid:production_id}/scenes/{scene_id}/zooms", response={201: JobOut}, operation_id="lookAtClips")
def look(request: HttpRequest, production_id: UUID, scene_id: str) -> Status[Job]:
    """Look at the clips of a scene for where things happen in them."""
    items = _clips(owned(request, production_id), scene_id)
    return Status(201, start_job(account_id(request), "screen", {"items": items}))
