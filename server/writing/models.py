"""What the writing desk keeps beside a production's document: comments, and where an account's model listens."""

from __future__ import annotations

from django.conf import settings
from django.db import models

from server.productions.models import Production


class ProductionComments(models.Model):
    """What the audience of a production wrote, without names. ``moved`` says by index what somebody sorted by hand,
    ``joined`` which pairs of them, by index, somebody took for the same."""

    production = models.OneToOneField(Production, on_delete=models.CASCADE, related_name="comments")
    texts = models.JSONField(default=list)
    moved = models.JSONField(default=dict)
    joined = models.JSONField(default=list)
    doubles = models.PositiveIntegerField(default=0)
    junk = models.PositiveIntegerField(default=0)
    beyond = models.PositiveIntegerField(default=0)
    changed_at = models.DateTimeField(auto_now=True)

    def __str__(self) -> str:
        return f"{len(self.texts)} comments"


class ModelAddress(models.Model):
    """Where an account's own model server listens; none: nothing is ever sent."""

    owner = models.OneToOneField(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="model_address")
    address = models.CharField(max_length=200)
    model = models.CharField(max_length=120, default="local")

    def __str__(self) -> str:
        return self.address
