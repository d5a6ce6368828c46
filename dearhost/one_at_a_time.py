"""Work that no two threads do at once."""

from __future__ import annotations

import threading
from collections.abc import Hashable, Iterator
from contextlib import contextmanager
from weakref import WeakValueDictionary


class OneAtATime:
    """A lock for each of any number of things, kept only while somebody holds it or waits for it."""

    def __init__(self) -> None:
        self._guard = threading.Lock()
        self._locks: WeakValueDictionary[Hashable, threading.Lock] = WeakValueDictionary()

    def __len__(self) -> int:
        return len(self._locks)

    @contextmanager
    def alone(self, what: Hashable) -> Iterator[None]:
        """Whoever wants the same waits until this is done."""
        with self._guard:
            lock = self._locks.setdefault(what, threading.Lock())
        with lock:
            yield
