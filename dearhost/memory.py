"""Memory not taken, and released, where many programs share one machine."""

from __future__ import annotations

import ctypes
import gc
import importlib
import sys
from collections.abc import Callable
from functools import lru_cache, wraps
from typing import Any, ParamSpec, TypeVar

_P = ParamSpec("_P")
_R = TypeVar("_R")


class LazyModule:
    """A library that is expensive to load, loaded when it is first used: drawing needs no signal processing."""

    def __init__(self, name: str) -> None:
        self._name = name

    def __getattr__(self, attribute: str) -> Any:
        return getattr(importlib.import_module(self._name), attribute)


def compiled_later(work: Callable[_P, _R]) -> Callable[_P, _R]:
    """``work`` compiled by numba when it is first called."""

    @lru_cache(maxsize=1)
    def compiled() -> Callable[_P, _R]:
        made: Callable[_P, _R] = LazyModule("numba").njit(cache=True)(work)
        return made

    @wraps(work)
    def call(*args: _P.args, **kwargs: _P.kwargs) -> _R:
        return compiled()(*args, **kwargs)

    return call


_ARENA_MAX = -8
"""``M_ARENA_MAX`` of glibc's malloc.h."""
_FEW = 2


def share_memory_among_threads() -> None:
    """Let all threads of this process, begun from now on, take memory from the same two places.

    Each would have one of its own, and what one freed would not be there for another: a server with a few dozen threads
    that draw and read in turn takes a sixth more (``python -m benchmarks long-day``).
    """
    mallopt = getattr(ctypes.CDLL(None), "mallopt", None) if sys.platform == "linux" else None  # glibc only
    if mallopt:
        mallopt(_ARENA_MAX, _FEW)


def keep_for_good() -> None:
    """What is loaded now is looked at by no collection of garbage any more: in a server each took 0.2 s, for all."""
    gc.collect()
    gc.freeze()


def release_memory() -> None:
    """Free what nothing refers to any more, and let the C library return it; quick enough once a chunk."""
    gc.collect()
    if sys.platform == "linux":
        trim = getattr(ctypes.CDLL(None), "malloc_trim", None)  # glibc only
        if trim:
            trim(0)
