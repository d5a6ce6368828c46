"""The ground behind figures taken away: looked at first, then done by a job."""

from __future__ import annotations

from dataclasses import asdict
from typing import Annotated

from django.http import Http404, HttpRequest, HttpResponse
from ninja import Field, Query, Router, Schema, Status

from dearhost.assets.shelf import SOUND, KeySettings, kind_of
from dearhost.production.uses import SHELF, Use
from server.accounts.account import account_id
from server.assets.ownership import may_use
from server.jobs.actions.start import start_job
from server.jobs.api import JobOut
from server.jobs.models import Job
from server.studio import studio

router = Router(tags=["shelf"])
_SIDE = 640


class KeyIn(Schema):
    """How a ground is taken away, all from 0 to 1; ``ground``: its colour as six hexadecimal figures, "" to find it,
    "person" for whatever is behind a person."""

    strength: float = Field(0.5, ge=0, le=1)
    softness: float = Field(0.5, ge=0, le=1)
    spill: float = Field(1.0, ge=0, le=1)
    shadow: float = Field(0.6, ge=0, le=1)
    ground: str = Field("", pattern=r"^([0-9a-f]{6}|person)?$")


class KeyLook(KeyIn):
    """The same, looked at ``moment`` seconds into a clip."""

    moment: float = Field(0.0, ge=0, le=600)


def _thing(request: HttpRequest, item: str) -> str:
    """A picture or clip that the account may use. Raises Http404."""
    if kind_of(item) in ("", SOUND) or not may_use(account_id(request), Use(SHELF, item)):
        raise Http404
    return item


@router.get("/{item}/key.png", operation_id="keyedStill")
def still(request: HttpRequest, item: str, settings: Annotated[KeyLook, Query()]) -> HttpResponse:
    """What a picture or clip would be without its ground, at a moment."""
    chosen = settings.dict()
    moment = chosen.pop("moment")
    image = studio().shelf.key_still(_thing(request, item), KeySettings(**chosen), moment, _SIDE)
    answer = HttpResponse(bytes(image.encodeToData()), content_type="image/png")
    answer["Cache-Control"] = "private, max-age=600"
    return answer


@router.post("/{item}/key", response={201: JobOut}, operation_id="keyThing")
def key(request: HttpRequest, item: str, data: KeyIn) -> Status[Job]:
    """Take the ground away: a job makes a thing of its own."""
    settings = KeySettings(**data.dict())
    studio().shelf.key_still(_thing(request, item), settings, side=64)  # what cannot be is said at once
    return Status(201, start_job(account_id(request), "key", {"item": item, **asdict(settings)}))
