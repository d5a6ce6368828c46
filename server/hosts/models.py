"""Favourite hosts."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class FavouriteHost(models.Model):
    """A host that somebody marked; made ones by their id without the version."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="favourite_hosts")
    host = models.CharField(max_length=60)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["owner", "host"], name="one_mark_a_host")]
