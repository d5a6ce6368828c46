"""Room on the disk: some is kept aside, so that what is needed to make room still works when it runs out."""

from __future__ import annotations

import errno
import shutil
import sqlite3
from contextlib import suppress
from pathlib import Path

from django.conf import settings
from django.db import DatabaseError

from dearhost.errors import StorageFull

ASIDE = 32_000_000
LOW = 2_000_000_000
"""Bytes: what is kept aside, and from where on it is said that room runs out."""
FULL = (
    "The disk is full. What was saved before is safe; what you just did is not saved yet. "
    "Delete films or productions you no longer need, or free room elsewhere, and do it again."
)


def free_bytes() -> int:
    """Room where the data lie."""
    return shutil.disk_usage(settings.DATA_DIR).free


def is_full(error: BaseException | None) -> bool:
    """Whether an error, or one it comes from, says that there is no room."""
    while error is not None:
        if isinstance(error, StorageFull):
            return True
        if isinstance(error, OSError) and error.errno in (errno.ENOSPC, errno.EDQUOT):
            return True
        if isinstance(error, (DatabaseError, sqlite3.Error)) and "disk is full" in str(error):
            return True
        error = error.__cause__ or error.__context__
    return False


def keep_aside() -> None:
    """Put room aside again, where there is plenty."""
    if not _aside().exists() and free_bytes() > LOW:
        with suppress(OSError), _aside().open("wb") as file:
            for _ in range(ASIDE // 1_000_000):  # written, not only sized: a file of holes keeps no room
                file.write(b"\xff" * 1_000_000)


def release() -> None:
    """Give up what was kept aside."""
    with suppress(OSError):
        _aside().unlink(missing_ok=True)


def warning() -> str:
    """What is said while little room is left, or ""."""
    free = free_bytes()
    if free >= LOW:
        return ""
    return (
        f"Only {free / 1e6:,.0f} MB of room are left on the disk. Delete films or productions you no longer need, "
        "or free room elsewhere, before it runs out."
    )


def _aside() -> Path:
    return Path(settings.DATA_DIR) / "room-kept-aside"
