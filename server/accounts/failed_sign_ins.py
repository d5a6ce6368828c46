"""Wrong passwords are counted by name; each one after the first few makes the next try wait longer."""

from __future__ import annotations

import hashlib
import time

from django.core.cache import cache

FREE, LONGEST = 5, 300.0
"""Wrong passwords before one has to wait; seconds nobody waits more than."""
_REMEMBERED = 3600


class FailedSignIns:
    """The failed tries for one name."""

    def __init__(self, username: str) -> None:
        name = username.strip().casefold().encode("utf-8", "replace")
        self._key = f"failed-sign-ins-{hashlib.sha256(name).hexdigest()}"

    @property
    def wait(self) -> float:
        """Seconds to wait before the next try is looked at; 0 where none is needed."""
        _, until = cache.get(self._key, (0, 0.0))
        return max(0.0, float(until) - time.time())

    def add(self) -> None:
        """Another wrong password."""
        failed, _ = cache.get(self._key, (0, 0.0))
        pause = 0.0 if failed + 1 < FREE else min(LONGEST, 2.0 ** (failed + 1 - FREE) * 2)
        cache.set(self._key, (failed + 1, time.time() + pause), _REMEMBERED)

    def forget(self) -> None:
        """The right password was given."""
        cache.delete(self._key)
