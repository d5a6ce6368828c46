"""Looks of one's own: choices kept under a name, for other productions."""

from __future__ import annotations

from typing import Any

from django.db.models import QuerySet
from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from ninja import Field, Router, Schema, Status

from dearhost.errors import StageError
from dearhost.production.looks import own_look
from server.accounts.account import account_id
from server.productions.models import OwnLook

router = Router(tags=["staging"])
_MOST = 60


class OwnLookIn(Schema):
    """A look to keep; ``choices`` by their names in the table, of which a look keeps those that can be seen."""

    name: str = Field(min_length=1, max_length=60)
    choices: dict[str, str | bool | float] = Field(max_length=100)


class OwnLookOut(Schema):
    """A look that was kept."""

    id: int
    name: str
    choices: dict[str, str | bool | float]


def _own(request: HttpRequest) -> QuerySet[OwnLook]:
    return OwnLook.objects.filter(owner_id=account_id(request))


@router.get("/own-looks", response=list[OwnLookOut], operation_id="listOwnLooks")
def looks(request: HttpRequest) -> QuerySet[OwnLook]:
    """The looks of this account, by name."""
    return _own(request)


@router.post("/own-looks", response={201: OwnLookOut}, operation_id="keepLook")
def keep(request: HttpRequest, data: OwnLookIn) -> Status[OwnLook]:
    """Keep a look; one of the same name is replaced."""
    name = data.name.strip()
    if not name:
        raise StageError("A look needs a name.")
    chosen: dict[str, Any] = own_look(data.choices)
    if not _own(request).filter(name=name).exists() and _own(request).count() >= _MOST:
        raise StageError(f"{_MOST} looks are kept. Remove one first.")
    kept, _ = OwnLook.objects.update_or_create(
        owner_id=account_id(request), name=name, defaults={"choices": chosen}
    )  # fmt: skip
    return Status(201, kept)


@router.delete("/own-looks/{look_id}", response={204: None}, operation_id="removeLook")
def remove(request: HttpRequest, look_id: int) -> Status[None]:
    """Forget a look; productions that were set by it stay as they are."""
    get_object_or_404(_own(request), pk=look_id).delete()
    return Status(204, None)
