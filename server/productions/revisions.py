"""Which revisions are kept: every one of the last hours, then ever fewer, but always some of every day."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime, timedelta

from django.utils import timezone

from server.productions.models import Production

THIN_EVERY = 20
"""Saves between two times of thinning."""
KEPT_REFUSED = 30
_LATEST = 100
"""Kept however old they are."""
_STEPS = (
    (timedelta(hours=2), timedelta(0)),
    (timedelta(days=1), timedelta(minutes=1)),
    (timedelta(days=30), timedelta(hours=1)),
    (timedelta.max, timedelta(days=1)),
)
"""Up to this age one is kept in every such stretch of time."""


def superfluous(saved: Iterable[tuple[int, datetime]], now: datetime) -> list[int]:
    """The ids that need not be kept, of (id, time) in any order: of each stretch of time the last stays, and the first
    revision of all."""
    newest_first = sorted(saved, key=lambda item: (item[1], item[0]), reverse=True)
    seen: set[tuple[timedelta, int]] = set()
    gone: list[int] = []
    for index, (number, at) in enumerate(newest_first):
        every = next(every for age, every in _STEPS if now - at < age)
        if index < _LATEST or not every or index == len(newest_first) - 1:
            continue
        stretch = (every, int(at.timestamp() // every.total_seconds()))
        if stretch in seen:
            gone.append(number)
        seen.add(stretch)
    return gone


def thin(production: Production) -> None:
    """Forget accepted revisions that need not be kept."""
    saved = production.revisions.filter(refused=False).values_list("id", "saved_at")
    production.revisions.filter(id__in=superfluous(saved, timezone.now())).delete()


def forget_refused(production: Production) -> None:
    """Refused ones are kept apart, and never push out an accepted one."""
    refused = production.revisions.filter(refused=True).order_by("-id")
    production.revisions.filter(id__in=list(refused.values_list("id", flat=True)[KEPT_REFUSED:])).delete()
