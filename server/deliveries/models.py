"""A delivery is the domain's own job row; the queue only says "run delivery X"."""

from __future__ import annotations

import uuid
from pathlib import Path

from django.conf import settings
from django.db import models

from server.productions.models import Production


class Delivery(models.Model):
    """One film to make. ``attempts`` is the fencing token: a worker that lost its lease writes nothing."""

    class Status(models.TextChoices):
        """Where it stands."""

        QUEUED = "queued"
        RUNNING = "running"
        DONE = "done"
        FAILED = "failed"
        STOPPED = "stopped"

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="deliveries")
    production = models.ForeignKey(Production, null=True, on_delete=models.SET_NULL, related_name="deliveries")
    title = models.CharField(max_length=200)
    document = models.JSONField()
    height = models.PositiveIntegerField()
    frames_per_second = models.PositiveIntegerField()
    captions = models.CharField(max_length=8)
    form = models.CharField(max_length=8, default="mp4")
    status = models.CharField(max_length=12, choices=Status.choices, default=Status.QUEUED)
    progress = models.FloatField(default=0)
    seconds_left = models.FloatField(null=True)
    message = models.CharField(max_length=400, blank=True)
    stop_requested = models.BooleanField(default=False)
    attempts = models.PositiveIntegerField(default=0)
    worker = models.CharField(max_length=80, blank=True)
    lease_until = models.DateTimeField(null=True, db_index=True)
    seconds = models.FloatField(default=0)
    size = models.BigIntegerField(default=0)
    created_at = models.DateTimeField(auto_now_add=True)
    finished_at = models.DateTimeField(null=True)

    class Meta:
        ordering = ["-created_at"]

    def __str__(self) -> str:
        return f"{self.title} ({self.status})"

    @property
    def film(self) -> Path:
        """The film itself."""
        return self.folder / f"film.{self.form}"

    @property
    def folder(self) -> Path:
        """Where its files lie."""
        return Path(settings.DATA_DIR) / "deliveries" / str(self.pk)
