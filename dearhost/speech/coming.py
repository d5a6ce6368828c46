"""A reading while it is made, for whoever listens meanwhile."""

from __future__ import annotations

import threading
from collections.abc import Callable, Iterator

from dearhost.speech.reading import Reading


class Coming:
    """What there is of a reading, longer each time: one thread adds, others go through it as it comes."""

    def __init__(self) -> None:
        self._longest: Callable[[], Reading] | None = None
        self._count = 0
        self._is_over = False
        self._changed = threading.Condition()

    def add(self, part: Callable[[], Reading]) -> None:
        """There is more of it now; it is measured only where somebody goes through it."""
        with self._changed:
            self._longest = part
            self._count += 1
            self._changed.notify_all()

    def end(self) -> None:
        """Nothing more comes."""
        with self._changed:
            self._is_over = True
            self._changed.notify_all()

    def __iter__(self) -> Iterator[Reading]:
        """The longest part there is, again whenever there is a longer one, until nothing more comes."""
        seen = 0
        while True:
            with self._changed:
                while not self._is_over and self._count == seen:
                    self._changed.wait()
                if self._longest is None or self._count == seen:
                    return
                seen, part = self._count, self._longest
            yield part()
