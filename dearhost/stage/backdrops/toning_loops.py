"""Toning as plain loops over pixels, compiled: to the bit what ``toning.tone_words`` does."""

from __future__ import annotations

from typing import Any

import numba as nb

_i4, _u4 = nb.int32, nb.uint32


@nb.njit(nogil=True, cache=True, boundscheck=False, inline="always")
def _toned(red: Any, green: Any, blue: Any, row: Any, grain: Any) -> Any:
    value = (row[0] * red + row[1] * green + row[2] * blue + row[3]) >> _i4(12)
    value = min(max(value, _i4(0)), _i4(255))
    value = value + ((value * grain) >> _i4(10))
    return _u4(min(max(value, _i4(0)), _i4(255)))


@nb.njit("void(uint32[:, :], uint32[:, ::1], int32[:, ::1], int32[:, ::1])", nogil=True, cache=True, boundscheck=False)
def tone_words(source: Any, target: Any, tone: Any, grain: Any) -> None:
    """Put BGRA words into ``target``, of the same shape, toned and grained, opaque."""
    height, width = target.shape
    mask = grain.shape[0] - 1
    to_red, to_green, to_blue = tone[0], tone[1], tone[2]
    for y in range(height):
        lines = grain[y & mask]
        for x in range(width):
            pixel = source[y, x]
            red, green, blue = (
                _i4((pixel >> _u4(16)) & _u4(255)),
                _i4((pixel >> _u4(8)) & _u4(255)),
                _i4(pixel & _u4(255)),
            )
            part = lines[x & mask]
            target[y, x] = (
                _u4(0xFF000000)
                | (_toned(red, green, blue, to_red, part) << _u4(16))
                | (_toned(red, green, blue, to_green, part) << _u4(8))
                | _toned(red, green, blue, to_blue, part)
            )
