"""Rows that were deleted and may be brought back."""

from __future__ import annotations

from typing import TypeVar

from django.db import models

_Row = TypeVar("_Row", bound=models.Model)


class NotDeleted(models.Manager[_Row]):
    """Knows only rows whose ``deleted_at`` is empty."""

    def get_queryset(self) -> models.QuerySet[_Row]:
        """All that is not deleted."""
        return super().get_queryset().filter(deleted_at=None)
