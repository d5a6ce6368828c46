"""Results kept, each made by one thread alone."""

from __future__ import annotations

from collections.abc import Callable
from functools import lru_cache
from typing import Generic, TypeVar, TypeVarTuple

from dearhost.one_at_a_time import OneAtATime

Key = TypeVarTuple("Key")
T = TypeVar("T")


class Kept(Generic[*Key, T]):
    """``lru_cache`` of a function, in which whoever asks for what is being made waits for it instead of making it too.

    Threads of a server ask at the same moment, for the picture and the sound of a proof or for a model; what is made
    twice may stay in memory twice.
    """

    def __init__(self, make: Callable[[*Key], T], most: int) -> None:
        self._kept = lru_cache(maxsize=most)(make)
        self._making = OneAtATime()

    def __call__(self, *key: *Key) -> T:
        with self._making.alone(key):
            return self._kept(*key)

    def cache_clear(self) -> None:
        """Make everything again from now on."""
        self._kept.cache_clear()


def kept(most: int) -> Callable[[Callable[[*Key], T]], Kept[*Key, T]]:
    """Keep the latest ``most`` results of a function."""
    return lambda make: Kept(make, most)
