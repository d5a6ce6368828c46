"""Whose proofs are made: the latest few of every account, so that nobody's keep another's waiting."""

from __future__ import annotations

import threading
from collections import defaultdict, deque
from collections.abc import Iterator
from contextlib import contextmanager

MOST_AT_ONCE = 3
"""The one that is played, the next scene's, and one with a cue that is tried."""


class ProofTurns:
    """The proofs each account has in the making."""

    def __init__(self, most: int = MOST_AT_ONCE) -> None:
        self._most = most
        self._lock = threading.Lock()
        self._going: defaultdict[int, deque[threading.Event]] = defaultdict(deque)

    @property
    def accounts(self) -> int:
        """How many accounts have proofs in the making."""
        return len(self._going)

    @contextmanager
    def taken(self, account: int) -> Iterator[threading.Event]:
        """A turn for another proof; the event says when it has to end, because newer ones came."""
        over = threading.Event()
        with self._lock:
            going = self._going[account]
            going.append(over)
            while len(going) > self._most:
                going.popleft().set()
        try:
            yield over
        finally:
            with self._lock:
                if over in going:
                    going.remove(over)
                if not going and self._going.get(account) is going:
                    del self._going[account]


class WaitedFor:
    """Whether somebody waits for something that takes a moment, so that what has time gives way."""

    def __init__(self) -> None:
        self._lock = threading.Lock()
        self._count = 0

    def __bool__(self) -> bool:
        return self._count > 0

    @contextmanager
    def waiting(self) -> Iterator[None]:
        """While it is waited for."""
        with self._lock:
            self._count += 1
        try:
            yield
        finally:
            with self._lock:
                self._count -= 1
