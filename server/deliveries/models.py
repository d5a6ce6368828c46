"""A delivery: a film of a production as it stood, and its files."""

from __future__ import annotations

import uuid
from pathlib import Path

from django.conf import settings
from django.db import models

from server.deletion import NotDeleted
from server.jobs.models import Job
from server.productions.models import Production


class Delivery(models.Model):
    """One film to make; its job says where it stands. One that was removed has ``deleted_at``, and ``objects`` does not
    know it."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="deliveries")
    production = models.ForeignKey(Production, null=True, on_delete=models.SET_NULL, related_name="deliveries")
    job = models.OneToOneField(Job, on_delete=models.CASCADE, related_name="delivery")
    title = models.CharField(max_length=200)
    document = models.JSONField()
    height = models.PositiveIntegerField()
    frames_per_second = models.PositiveIntegerField()
    captions = models.CharField(max_length=8)
    form = models.CharField(max_length=8, default="mp4")
    seconds = models.FloatField(default=0)
    size = models.BigIntegerField(default=0)
    created_at = models.DateTimeField(auto_now_add=True)
    deleted_at = models.DateTimeField(null=True, db_index=True)

    objects = NotDeleted()
    with_deleted: models.Manager[Delivery] = models.Manager()

    class Meta:
        ordering = ["-created_at"]

    def __str__(self) -> str:
        return self.title

    @property
    def film(self) -> Path:
        """The film itself."""
        return self.folder / f"film.{self.form}"

    @property
    def folder(self) -> Path:
        """Where its files lie."""
        return Path(settings.DATA_DIR) / "deliveries" / str(self.pk)
