"""The work of jobs about the shelf: a file that was sent is taken in."""

from __future__ import annotations

import time
from collections.abc import Callable
from pathlib import Path
from typing import Any

from django.conf import settings

from dearhost.assets.shelf import KeySettings
from dearhost.errors import StorageFull
from server.jobs.models import Job
from server.jobs.running import Reporter
from server.shelf.actions.enter import enter
from server.shelf.models import ShelfEntry
from server.studio import studio

_UPLOAD_SECONDS = 3600.0
"""How old a file is before it can have been forgotten: one that is being sent has no job yet."""


def upload_path(name: str) -> Path:
    """Where a file lies from when it is sent until it is taken in."""
    return Path(settings.DATA_DIR) / "uploads" / name


def forget_uploads() -> None:
    """Remove files that were sent and whose jobs ended without having begun."""
    waiting = (Job.Status.QUEUED, Job.Status.RUNNING)
    wanted = set(Job.objects.filter(kind="shelf", status__in=waiting).values_list("order__upload", flat=True))
    old = time.time() - _UPLOAD_SECONDS
    for path in upload_path("").glob("*"):
        if path.name not in wanted and path.stat().st_mtime < old:
            path.unlink(missing_ok=True)


def _told(report: Reporter, doing: str) -> Callable[[float], None]:
    """Reports how far something is, and how long it takes yet."""
    began = time.monotonic()

    def progress(part: float) -> None:
        spent = time.monotonic() - began
        report(part, spent / part * (1 - part) if part > 0.05 else None, doing)

    return progress


def hear_clip(job: Job, report: Reporter) -> dict[str, Any]:
    """Hear what is said in a clip."""
    report(0.02, None, "listening")
    order = job.order
    heard = studio().speaker.clips.hear(
        order["item"], language=order["language"], text=order["text"], progress=_told(report, "listening")
    )
    return {"item": order["item"], "words": len(heard.words)}


def look_at_clips(job: Job, report: Reporter) -> dict[str, Any]:
    """Look at clips for where things happen in them."""
    items: list[str] = job.order["items"]
    progress = _told(report, "looking at it")
    for index, item in enumerate(items):

        def of_all(part: float, before: int = index) -> None:
            progress((before + part) / len(items))

        studio().shelf.happening(item, of_all)
    return {"items": items}


def key_thing(job: Job, report: Reporter) -> dict[str, Any]:
    """Take the ground behind a figure away; what comes of it stands on the shelf under the title and rights of what it
    was made of."""
    order = dict(job.order)
    source = order.pop("item")
    item = studio().shelf.key(source, KeySettings(**order), _told(report, "cutting out"))
    before = ShelfEntry.objects.filter(item=source).order_by("owner_id").first()
    own = ShelfEntry.objects.filter(item=source, owner_id=job.owner_id).first() or before
    return {"item": item.id, "number": enter(job.owner_id, item, like=own).number}


def take_in(job: Job, report: Reporter) -> dict[str, Any]:
    """Take a file in that was sent; whatever comes of it, the file itself is not kept."""
    path = upload_path(job.order["upload"])
    try:
        item = studio().shelf.take(path, job.order["name"], _told(report, "reading"))
    except StorageFull:
        raise  # it waits for room, and is read again
    except BaseException:
        path.unlink(missing_ok=True)
        raise
    path.unlink(missing_ok=True)
    return {"item": item.id, "number": enter(job.owner_id, item).number}
