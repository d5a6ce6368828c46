"""Enter a thing on the shelf of an account."""

from __future__ import annotations

from pathlib import Path

from django.db import transaction
from django.db.models import Max

from dearhost.assets.shelf import ShelfItem
from dearhost.assets.shelf.licences import LICENCES
from dearhost.production.uses import SHELF, Use
from server.assets.ownership import belongs_to
from server.shelf.models import ShelfEntry

_LONGEST_TITLE = 120


def enter(owner_id: int, item: ShelfItem, like: ShelfEntry | None = None) -> ShelfEntry:
    """The account's entry of a thing: made now, or taken out again where it was put away. ``like``: the entry of what
    it was made of, whose title and rights it has."""
    with transaction.atomic():
        entry = ShelfEntry.with_deleted.filter(owner_id=owner_id, item=item.id).first()
        if entry is None:
            last = ShelfEntry.with_deleted.filter(owner_id=owner_id).aggregate(Max("number"))["number__max"]
            entry = ShelfEntry.objects.create(
                owner_id=owner_id,
                item=item.id,
                kind=item.kind,
                number=(last or 0) + 1,
                title=f"{like.title[: _LONGEST_TITLE - 20]}, cut out" if like else _title(item.name),
                licence=like.licence if like else item.licence if item.licence in LICENCES else "",
                author=like.author if like else item.author[:200],
            )
        elif entry.deleted_at:
            entry.deleted_at = None
            entry.save(update_fields=["deleted_at"])
        belongs_to(owner_id, Use(SHELF, item.id))
    return entry


def _title(name: str) -> str:
    """A title out of a file's name."""
    words = " ".join(Path(name).stem.replace("_", " ").replace("-", " ").split())[:_LONGEST_TITLE]
    return words[:1].upper() + words[1:] or "Untitled"
