"""What lies on the shelf of an account. The things themselves are files of the data folder, kept once by content."""

from __future__ import annotations

from django.conf import settings
from django.db import models

from server.deletion import NotDeleted


class ShelfEntry(models.Model):
    """A thing as an account brought it: ``number`` counts up as in a register. ``shared``: others of this desk may use
    it too. One that was put away has ``deleted_at``."""

    owner = models.ForeignKey(settings.AUTH_USER_MODEL, on_delete=models.CASCADE, related_name="shelf")
    item = models.CharField(max_length=16)
    kind = models.CharField(max_length=8)
    number = models.PositiveIntegerField()
    title = models.CharField(max_length=120)
    licence = models.CharField(max_length=16, blank=True)
    author = models.CharField(max_length=200, blank=True)
    shared = models.BooleanField(default=False)
    created_at = models.DateTimeField(auto_now_add=True)
    deleted_at = models.DateTimeField(null=True, db_index=True)

    objects = NotDeleted()
    with_deleted: models.Manager[ShelfEntry] = models.Manager()

    class Meta:
        ordering = ["-number"]
        constraints = [models.UniqueConstraint(fields=["owner", "item"], name="one_entry_a_thing")]

    def __str__(self) -> str:
        return self.title
