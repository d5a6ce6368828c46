"""Colouring, toning and fading as plain loops over pixels, compiled: to the bit what ``toning`` does without.

Rows go tile by tile, so that what lies beside each other in a picture does in the grain too: then several pixels are
made at once.
"""

from __future__ import annotations

from typing import Any

import numba as nb
import numpy as np

_i4, _u4, _u8 = nb.int32, nb.uint32, nb.uint64


@nb.njit(nogil=True, cache=True, boundscheck=False, inline="always")
def _toned(red: Any, green: Any, blue: Any, by_red: Any, by_green: Any, by_blue: Any, added: Any, grain: Any) -> Any:
    value = _i4(_i4(by_red * red + by_green * green + by_blue * blue + added) >> _i4(12))
    value = _i4(min(max(value, _i4(0)), _i4(255)))
    value = _i4(value + _i4(_i4(value * grain) >> _i4(10)))
    return _u4(min(max(value, _i4(0)), _i4(255)))


@nb.njit("void(u4[::1], u4[::1], i4[:, ::1], i4[::1])", nogil=True, cache=True, boundscheck=False)
def _tone_row(source: Any, target: Any, tone: Any, grain: Any) -> None:
    """A part of a row no longer than the grain's tile."""
    red_r, red_g, red_b, red_0 = tone[0, 0], tone[0, 1], tone[0, 2], tone[0, 3]
    green_r, green_g, green_b, green_0 = tone[1, 0], tone[1, 1], tone[1, 2], tone[1, 3]
    blue_r, blue_g, blue_b, blue_0 = tone[2, 0], tone[2, 1], tone[2, 2], tone[2, 3]
    for x in range(target.shape[0]):
        pixel, part = source[x], grain[x]
        red, green, blue = _i4((pixel >> _u4(16)) & _u4(255)), _i4((pixel >> _u4(8)) & _u4(255)), _i4(pixel & _u4(255))
        target[x] = (
            _u4(0xFF000000)
            | (_toned(red, green, blue, red_r, red_g, red_b, red_0, part) << _u4(16))
            | (_toned(red, green, blue, green_r, green_g, green_b, green_0, part) << _u4(8))
            | _toned(red, green, blue, blue_r, blue_g, blue_b, blue_0, part)
        )


@nb.njit(
    "void(uint32[:, ::1], uint32[:, ::1], int32[:, ::1], int32[:, ::1])", nogil=True, cache=True, boundscheck=False
)
def tone_words(source: Any, target: Any, tone: Any, grain: Any) -> None:
    """Put BGRA words into ``target``, of the same shape, toned and grained, opaque."""
    height, width = target.shape
    tile = grain.shape[1]
    for y in range(height):
        lines = grain[y % grain.shape[0]]
        for left in range(0, width, tile):
            right = min(left + tile, width)
            _tone_row(source[y, left:right], target[y, left:right], tone, lines)


@nb.njit("void(u1[::1], u1[::1], i4[:, ::1])", nogil=True, cache=True, boundscheck=False)
def _chroma_row(cb: Any, cr: Any, added: Any) -> None:
    """What a row of chroma adds to red, green and blue of the pixels that each value is for."""
    red, green, blue = added[0], added[1], added[2]
    for half in range(added.shape[1]):
        u, v = _i4(_i4(cb[half]) - _i4(128)), _i4(_i4(cr[half]) - _i4(128))
        red[half] = _i4(_i4(117489) * v)
        green[half] = _i4(_i4(-13975) * u - _i4(34925) * v)
        blue[half] = _i4(_i4(138438) * u)


@nb.njit(nogil=True, cache=True, boundscheck=False, inline="always")
def _byte(value: Any) -> Any:
    return _u4(min(max(_i4(_i4(value) >> _i4(16)), _i4(0)), _i4(255)))  # kept at 32 bits, twice as many at once


@nb.njit(nogil=True, cache=True, boundscheck=False, inline="always")
def _word(red: Any, green: Any, blue: Any) -> Any:
    return _u4(_u4(0xFF000000) | (_byte(red) << _u4(16)) | (_byte(green) << _u4(8)) | _byte(blue))


@nb.njit("void(u2[::1], i4[:, ::1], u8[::1])", nogil=True, cache=True, boundscheck=False)
def _coloured_row(luma: Any, added: Any, target: Any) -> None:
    """Two pixels beside each other at once: they have the same chroma."""
    red, green, blue = added[0], added[1], added[2]
    for half in range(target.shape[0]):
        pair = _i4(luma[half])
        first = _i4(_i4(76309) * _i4(pair & _i4(255)) - _i4(76309 * 16 - 32768))
        second = _i4(_i4(76309) * _i4(pair >> _i4(8)) - _i4(76309 * 16 - 32768))
        left = _word(_i4(first + red[half]), _i4(first + green[half]), _i4(first + blue[half]))
        right = _word(_i4(second + red[half]), _i4(second + green[half]), _i4(second + blue[half]))
        target[half] = _u8(left) | (_u8(right) << _u8(32))


@nb.njit("void(u1[:, ::1], u1[:, ::1], u1[:, ::1], uint32[:, ::1])", nogil=True, cache=True, boundscheck=False)
def colour_words(luma: Any, cb: Any, cr: Any, target: Any) -> None:
    """Put 4:2:0 pixels of BT.709 in limited range into ``target`` as BGRA words. Rows of planes may be longer."""
    height, width = target.shape
    added = np.empty((3, width >> 1), np.int32)
    for y in range(height):
        if y % 2 == 0:
            _chroma_row(cb[y >> 1], cr[y >> 1], added)
        _coloured_row(luma[y, :width].view(np.uint16), added, target[y].view(np.uint64))


@nb.njit("void(u1[:, ::1], u1[:, ::1], u2)", nogil=True, cache=True, boundscheck=False)
def fade(before: Any, target: Any, weight: Any) -> None:
    """Let bytes of ``before`` show through ``target`` but for ``weight``, of 256."""
    rest = nb.uint16(256 - weight)
    for y in range(target.shape[0]):
        for x in range(target.shape[1]):
            mixed = nb.uint16(before[y, x]) * rest + nb.uint16(target[y, x]) * weight
            target[y, x] = nb.uint8(nb.uint16(mixed) >> nb.uint16(8))
