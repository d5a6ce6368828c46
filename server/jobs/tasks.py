"""The queue's message."""

from __future__ import annotations

from uuid import UUID

from django_tasks import task

from server.jobs.models import Job
from server.jobs.running import run_job


@task()
def run(job_id: str) -> None:
    """Run one job."""
    run_job(UUID(job_id))


def enqueue(job: Job) -> None:
    """Ask the workers; the message is in the same database and joins the transaction."""
    run.enqueue(str(job.pk))
