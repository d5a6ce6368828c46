"""Stop a job."""

from __future__ import annotations

from django.utils import timezone

from server.jobs.models import Job


def stop_job(job: Job) -> Job:
    """A queued job stops at once, a running one at its next progress report; a finished one stays."""
    now = timezone.now()
    waiting = Job.objects.filter(pk=job.pk, status=Job.Status.QUEUED)
    if not waiting.update(
        status=Job.Status.STOPPED, stop_requested=True, message="Stopped before it began.", changed_at=now
    ):
        Job.objects.filter(pk=job.pk, status=Job.Status.RUNNING).update(stop_requested=True, changed_at=now)
    job.refresh_from_db()
    return job
