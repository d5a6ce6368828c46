"""A job is the domain's own row; the queue only says "run job X"."""

from __future__ import annotations

import uuid
from pathlib import Path

from django.conf import settings
from django.db import models


class Job(models.Model):
    """Work that takes long. ``attempts`` is the fencing token: a worker that lost its lease writes nothing.

    ``kind`` names the work in ``settings.JOB_WORK``; ``order`` is what it is called with, ``result`` what it gave.
    """

    class Status(models.TextChoices):
        """Where it stands."""

        QUEUED = "queued"
        RUNNING = "running"
        DONE = "done"
        FAILED = "failed"
        STOPPED = "stopped"

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="jobs")
    kind = models.CharField(max_length=24)
    order = models.JSONField(default=dict)
    result = models.JSONField(default=dict)
    status = models.CharField(max_length=12, choices=Status.choices, default=Status.QUEUED)
    progress = models.FloatField(default=0)
    doing = models.CharField(max_length=120, blank=True)
    seconds_left = models.FloatField(null=True)
    message = models.CharField(max_length=400, blank=True)
    stop_requested = models.BooleanField(default=False)
    attempts = models.PositiveIntegerField(default=0)
    worker = models.CharField(max_length=80, blank=True)
    lease_until = models.DateTimeField(null=True, db_index=True)
    created_at = models.DateTimeField(auto_now_add=True)
    changed_at = models.DateTimeField(auto_now=True, db_index=True)
    finished_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ["-created_at"]

    def __str__(self) -> str:
        return f"{self.kind} ({self.status})"

    @property
    def folder(self) -> Path:
        """Where files that it makes lie."""
        return Path(settings.DATA_DIR) / "jobs" / str(self.pk)

    @property
    def waiting(self) -> bool:
        """Whether it is still to be done or being done."""
        return self.status in (self.Status.QUEUED, self.Status.RUNNING)
