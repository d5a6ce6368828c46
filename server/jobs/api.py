"""Jobs: look, stop, fetch what they made."""

from __future__ import annotations

from typing import Any, Literal
from uuid import UUID

from django.http import FileResponse, Http404, HttpRequest
from django.shortcuts import get_object_or_404
from ninja import Router, Schema

from server.accounts.account import account_id
from server.jobs.actions.stop import stop_job
from server.jobs.models import Job

router = Router(tags=["jobs"])


class JobOut(Schema):
    """A job and where it stands; ``result`` is what it gave, by its kind."""

    id: UUID
    kind: str
    status: Literal["queued", "running", "done", "failed", "stopped"]
    progress: float
    doing: str
    seconds_left: float | None
    message: str
    stop_requested: bool
    result: dict[str, Any]


def owned_job(request: HttpRequest, job_id: UUID) -> Job:
    """The account's own job, or 404."""
    return get_object_or_404(Job, pk=job_id, owner_id=account_id(request))


@router.get("/{uuid:job_id}", response=JobOut, operation_id="getJob")
def get(request: HttpRequest, job_id: UUID) -> Job:
    """One job."""
    return owned_job(request, job_id)


@router.post("/{uuid:job_id}/stop", response=JobOut, operation_id="stopJob")
def stop(request: HttpRequest, job_id: UUID) -> Job:
    """Stop a job."""
    return stop_job(owned_job(request, job_id))


@router.get("/{uuid:job_id}/file", operation_id="jobFile", include_in_schema=False)
def file(request: HttpRequest, job_id: UUID) -> FileResponse:
    """The file that a job made, under the name it gave it."""
    job = owned_job(request, job_id)
    name = str(job.result.get("file", ""))
    path = job.folder / name
    if not name or path.name != name or not path.is_file():
        raise Http404
    return FileResponse(path.open("rb"), as_attachment=True, filename=name)
