"""Delete a production so that it can be brought back, and forget for good what was deleted long ago."""

from __future__ import annotations

from datetime import timedelta

from django.utils import timezone

from server.assets.recordings import forget_unheld
from server.productions.models import Production

KEPT_FOR = timedelta(days=30)


def put_away(production: Production) -> None:
    """Off the desk, with all its revisions and takes; those of the account that lay there too long go for good."""
    now = timezone.now()
    Production.with_deleted.filter(pk=production.pk).update(deleted_at=now)
    gone = Production.with_deleted.filter(owner_id=production.owner_id, deleted_at__lt=now - KEPT_FOR)
    recordings = [name for name in gone.values_list("takes__recording", flat=True) if name]
    gone.delete()
    forget_unheld(recordings)


def bring_back(production: Production) -> None:
    """On the desk again, as it was."""
    Production.with_deleted.filter(pk=production.pk).update(deleted_at=None)
    production.deleted_at = None
