"""Whose what is. The things themselves are files of the data folder."""

from __future__ import annotations

from django.conf import settings
from django.db import models


class Belonging(models.Model):
    """An asset that an account may use: a made or matched voice, a made host (without its version), a picture or a
    recording, a thing of the shelf. The same picture may have been brought by several accounts. What is ``shared`` all
    accounts may use."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="belongings")
    kind = models.CharField(max_length=12)
    key = models.CharField(max_length=60)
    shared = models.BooleanField(default=False)

    class Meta:
        constraints = [models.UniqueConstraint(fields=["kind", "key", "owner"], name="one_belonging_an_account")]
