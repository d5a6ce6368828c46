"""A part of a picture brought to a size, as plain compiled loops: to the bit what ``parts.scale_part`` does."""

from __future__ import annotations

from typing import Any

import numba as nb
import numpy as np

_i4, _u4, _f8 = nb.int32, nb.uint32, nb.float64
_ONE = 256


@nb.njit(nogil=True, cache=True, boundscheck=False, inline="always")
def _mixed(a: Any, b: Any, part: Any) -> Any:
    """Two BGRA words, ``part`` of 256 of the second: two channels at a time."""
    rest = _u4(256) - part
    low = (((a & _u4(0xFF00FF)) * rest + (b & _u4(0xFF00FF)) * part) >> _u4(8)) & _u4(0xFF00FF)
    high = ((a >> _u4(8)) & _u4(0xFF00FF)) * rest + ((b >> _u4(8)) & _u4(0xFF00FF)) * part
    return low | (high & _u4(0xFF00FF00))


@nb.njit(
    "void(uint32[:, :], uint32[:, ::1], float64, float64, float64, float64)", nogil=True, cache=True, boundscheck=False
)
def scale_part(source: Any, target: Any, left: Any, top: Any, wide: Any, high: Any) -> None:
    """Put the part of ``source`` that begins at ``left`` and ``top``, ``wide`` and ``high`` in its pixels, into all of
    ``target``: bilinear, BGRA words."""
    height, width = target.shape
    rows, columns = source.shape
    firsts, parts = np.empty(width, np.int32), np.empty(width, np.uint32)
    for x in range(width):
        across = left + (x + 0.5) * wide / width - 0.5
        across = min(max(across, 0.0), _f8(columns - 1))
        firsts[x] = _i4(across)
        parts[x] = _u4((across - firsts[x]) * _ONE)
    for y in range(height):
        down = top + (y + 0.5) * high / height - 0.5
        down = min(max(down, 0.0), _f8(rows - 1))
        upper = _i4(down)
        above, below = source[upper], source[min(upper + 1, rows - 1)]
        between = _u4((down - upper) * _ONE)
        line = target[y]
        for x in range(width):
            first = firsts[x]
            second = min(first + 1, columns - 1)
            over = _mixed(above[first], above[second], parts[x])
            under = _mixed(below[first], below[second], parts[x])
            line[x] = _mixed(over, under, between)
