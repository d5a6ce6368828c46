"""Put a thing away so that it can be brought back, and forget for good what was put away long ago."""

from __future__ import annotations

from datetime import timedelta

from django.utils import timezone

from dearhost.errors import HostError
from dearhost.production.uses import SHELF
from server.assets.models import Belonging
from server.shelf.models import ShelfEntry
from server.shelf.using import titles_using
from server.studio import studio

KEPT_FOR = timedelta(days=30)


def put_away(entry: ShelfEntry) -> None:
    """Off the shelf. Raises HostError for what a production uses: nothing that is used is lost."""
    users = titles_using(entry)
    if users:
        named = " and ".join(f"“{title}”" for title in users[:2])
        raise HostError(f"{named} shows this. Put another in its place first, or take it out there.")
    now = timezone.now()
    ShelfEntry.with_deleted.filter(pk=entry.pk).update(deleted_at=now)
    for old in ShelfEntry.with_deleted.filter(owner_id=entry.owner_id, deleted_at__lt=now - KEPT_FOR):
        _forget(old)


def bring_back(entry: ShelfEntry) -> None:
    """On the shelf again, as it was."""
    ShelfEntry.with_deleted.filter(pk=entry.pk).update(deleted_at=None)
    entry.deleted_at = None


def _forget(entry: ShelfEntry) -> None:
    """For good; its files too, where nobody else brought the same."""
    if titles_using(entry):  # an older revision was brought back meanwhile
        return
    item = entry.item
    Belonging.objects.filter(owner_id=entry.owner_id, kind=SHELF, key=item).delete()
    entry.delete()
    if not ShelfEntry.with_deleted.filter(item=item).exists():
        studio().shelf.remove(item)
