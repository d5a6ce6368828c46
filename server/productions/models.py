"""A production is one JSON document with a revision number; every acknowledged revision is kept."""

from __future__ import annotations

import uuid

from django.conf import settings
from django.db import models

from server.deletion import NotDeleted


class Production(models.Model):
    """The current document. ``revision`` counts up by one with every save. One that was deleted has ``deleted_at``, and
    ``objects`` does not know it. One that ``is_pattern`` is not worked on: others are begun with it."""

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="productions")
    title = models.CharField(max_length=200)
    document = models.JSONField()
    revision = models.PositiveIntegerField(default=1)
    created_at = models.DateTimeField(auto_now_add=True)
    updated_at = models.DateTimeField(auto_now=True)
    deleted_at = models.DateTimeField(null=True, db_index=True)
    is_pattern = models.BooleanField(default=False)

    objects = NotDeleted()
    with_deleted: models.Manager[Production] = models.Manager()

    class Meta:
        ordering = ["-updated_at"]

    def __str__(self) -> str:
        return self.title


class Revision(models.Model):
    """A document as it was saved. ``refused`` = it came too late and was kept beside the current one."""

    production = models.ForeignKey(Production, on_delete=models.CASCADE, related_name="revisions")
    number = models.PositiveIntegerField()
    title = models.CharField(max_length=200)
    document = models.JSONField()
    refused = models.BooleanField(default=False)
    saved_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["-saved_at", "-id"]
        constraints = [
            models.UniqueConstraint(
                fields=["production", "number"], condition=models.Q(refused=False), name="one_revision_a_number"
            )
        ]


class OwnLook(models.Model):
    """Choices that an account keeps under a name, to be set as one in any of its productions."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="looks")
    name = models.CharField(max_length=60)
    choices = models.JSONField()
    created_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["name", "id"]
        constraints = [models.UniqueConstraint(fields=["owner", "name"], name="one_look_a_name")]

    def __str__(self) -> str:
        return self.name


class Take(models.Model):
    """One reading of a line that was kept: by its voice with the settings it had, or recorded by a person.

    The line's take is the one whose settings its cues hold, so choosing one is a change of the document.
    """

    id = models.UUIDField(primary_key=True, default=uuid.uuid4, editable=False)
    production = models.ForeignKey(Production, on_delete=models.CASCADE, related_name="takes")
    line = models.CharField(max_length=64)
    number = models.PositiveIntegerField()
    name = models.CharField(max_length=80, blank=True)
    text = models.TextField()
    voice = models.CharField(max_length=120)
    delivery = models.JSONField(default=dict)
    recording = models.CharField(max_length=24, blank=True)
    notes = models.JSONField(default=list)
    seconds = models.FloatField(default=0)
    created_at = models.DateTimeField(auto_now_add=True)

    class Meta:
        ordering = ["line", "number"]
        constraints = [models.UniqueConstraint(fields=["production", "line", "number"], name="one_take_a_number")]
