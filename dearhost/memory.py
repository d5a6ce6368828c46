"""Memory given back to the system, where many programs share one machine."""

from __future__ import annotations

import ctypes
import gc
import sys


def give_back() -> None:
    """Free what nothing refers to any more, and let the C library return it; quick enough once a chunk."""
    gc.collect()
    if sys.platform == "linux":
        trim = getattr(ctypes.CDLL(None), "malloc_trim", None)  # glibc only
        if trim:
            trim(0)
