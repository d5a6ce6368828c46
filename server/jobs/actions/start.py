"""Start a job."""

from __future__ import annotations

from typing import Any

from django.db import transaction

from server.jobs.models import Job
from server.jobs.running import work_of
from server.jobs.tasks import enqueue


def start_job(owner_id: int, kind: str, order: dict[str, Any]) -> Job:
    """Queue work of a kind. Raises KeyError for an unknown kind."""
    work_of(kind)
    with transaction.atomic():
        job = Job.objects.create(owner_id=owner_id, kind=kind, order=order)
        enqueue(job)
    return job
