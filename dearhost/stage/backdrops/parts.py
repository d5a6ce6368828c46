"""A part of a picture brought to a size."""

from __future__ import annotations

from collections.abc import Callable

import numpy as np
from numpy.typing import NDArray

Pixels = NDArray[np.uint32]
_Loop = Callable[[Pixels, Pixels, float, float, float, float], None]
_machine_code: list[_Loop] = []
_MASK, _UPPER = np.uint32(0xFF00FF), np.uint32(0xFF00FF00)


def to_machine_code() -> None:
    """From now on this process uses compiled loops, which give the same pixels."""
    from dearhost.stage.backdrops import part_loops  # noqa: PLC0415 - its compiler takes 120 MB, and only films need it

    if not _machine_code:
        _machine_code.append(part_loops.scale_part)


def scale_part(source: Pixels, target: Pixels, left: float, top: float, wide: float, high: float) -> None:
    """Put the part of ``source`` that begins at ``left`` and ``top``, ``wide`` and ``high`` in its pixels, into all of
    ``target``: bilinear, BGRA words."""
    if _machine_code:
        _machine_code[0](source, target, left, top, wide, high)
        return
    upper, lower, between = _places(top, high, target.shape[0], source.shape[0])
    first, second, part = _places(left, wide, target.shape[1], source.shape[1])
    over, under = (_mixed(rows[:, first], rows[:, second], part) for rows in (source[upper], source[lower]))
    target[...] = _mixed(over, under, between[:, None])


def _places(begin: float, reach: float, count: int, most: int) -> tuple[NDArray[np.int32], NDArray[np.int32], Pixels]:
    """For each of ``count`` places in ``reach`` from ``begin`` on: the two pixels it lies between, and how far, of
    256."""
    at = np.clip(begin + (np.arange(count) + 0.5) * reach / count - 0.5, 0.0, most - 1.0)
    first = at.astype(np.int32)
    return first, np.minimum(first + 1, most - 1).astype(np.int32), ((at - first) * 256).astype(np.uint32)


def _mixed(a: Pixels, b: Pixels, part: Pixels) -> Pixels:
    """BGRA words, ``part`` of 256 of the second: two channels at a time."""
    rest, shift = np.uint32(256) - part, np.uint32(8)
    low = (((a & _MASK) * rest + (b & _MASK) * part) >> shift) & _MASK
    high = ((a >> shift) & _MASK) * rest + ((b >> shift) & _MASK) * part
    mixed: Pixels = low | (high & _UPPER)
    return mixed
