"""Remove a delivery so that it can be brought back for a while."""

from __future__ import annotations

import shutil
from datetime import timedelta

from django.utils import timezone

from server import room
from server.deliveries.models import Delivery
from server.jobs.actions.stop import stop_job
from server.jobs.models import Job

KEPT_FOR = timedelta(hours=1)


def put_away(delivery: Delivery) -> bool:
    """Take it off the list; returns whether it can be brought back.

    Films are large: where room on the disk is short, and where there is no film yet, it goes for good at once; else
    after an hour.
    """
    forget_old()
    if delivery.job.status == Job.Status.DONE and not room.warning():
        Delivery.with_deleted.filter(pk=delivery.pk).update(deleted_at=timezone.now())
        return True
    _forget(delivery)
    return False


def bring_back(delivery: Delivery) -> None:
    """On the list again, as it was."""
    Delivery.with_deleted.filter(pk=delivery.pk).update(deleted_at=None)
    delivery.deleted_at = None


def forget_old() -> None:
    """Remove for good what was put away long ago, with its files; all of it where room is short."""
    gone = Delivery.with_deleted.exclude(deleted_at=None).select_related("job")
    if not room.warning():
        gone = gone.filter(deleted_at__lt=timezone.now() - KEPT_FOR)
    for delivery in gone.defer("document"):
        _forget(delivery)


def _forget(delivery: Delivery) -> None:
    stop_job(delivery.job)
    shutil.rmtree(delivery.folder, ignore_errors=True)
    delivery.job.delete()
