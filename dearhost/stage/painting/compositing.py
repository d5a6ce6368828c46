"""Drawings laid over a picture, pixel by pixel: plain loops over pixels as 32-bit words, premultiplied BGRA.

To the bit what the canvas does: each channel is the drawing's and what its alpha leaves of the picture's,
``s + (d * (256 - a) >> 8)``; Porter and Duff, "Compositing Digital Images", 1984 (source over).
"""

from __future__ import annotations

from typing import Any

import numba as nb
import numpy as np

_u4 = nb.uint32
_EVEN, _ODD = np.uint32(0x00FF00FF), np.uint32(0xFF00FF00)
"""Every second channel of a pixel, blue and red, green and alpha: each has room for a product."""

_AT_ONCE = 8
"""Words looked at together: that is vector code too."""


@nb.njit(nogil=True, cache=True, boundscheck=False)
def _over(under: Any, over: Any) -> None:
    """Lay a row; the casts keep it in 32 bits, which is what makes it vector code."""
    for x in range(len(over)):
        s, d = over[x], under[x]
        rest = _u4(_u4(256) - _u4(s >> _u4(24)))
        blue_red = _u4(_u4(_u4(d & _EVEN) * rest) >> _u4(8)) & _EVEN
        green_alpha = _u4(_u4(_u4(d >> _u4(8)) & _EVEN) * rest) & _ODD
        under[x] = _u4(_u4(s + blue_red) + green_alpha)


@nb.njit(
    "void(uint32[:, ::1], uint32[:, ::1], int64[:, ::1], int64, int64, int64[:, ::1], UniTuple(int64, 4))",
    nogil=True, cache=True, boundscheck=False,
)  # fmt: skip
def lay(picture: Any, words: Any, rows: Any, left: int, top: int, area: Any, box: tuple[int, int, int, int]) -> None:
    """Lay ``words``, their first pixel at (``left``, ``top``), over ``picture`` inside the box, a part of both.

    Of each row of ``words`` only from ``rows[y, 0]`` to before ``rows[y, 1]``, and only inside the ``area``: the like
    for each row of the picture.
    """
    box_left, box_top, box_right, box_bottom = box
    for y in range(box_top, box_bottom):
        first = max(box_left, left + rows[y - top, 0], area[y, 0])
        last = min(box_right, left + rows[y - top, 1], area[y, 1])
        if first < last:
            _over(picture[y, first:last], words[y - top, first - left : last - left])


@nb.njit("void(uint32[:, ::1], uint32[:, ::1], int64[:, ::1], int64, int64)", nogil=True, cache=True, boundscheck=False)
def copy(picture: Any, source: Any, area: Any, top: int, bottom: int) -> None:
    """Copy the area from ``source``."""
    for y in range(top, bottom):
        picture[y, area[y, 0] : area[y, 1]] = source[y, area[y, 0] : area[y, 1]]


@nb.njit(
    "void(int64[:, ::1], int64[:, ::1], int64, int64, UniTuple(int64, 4))", nogil=True, cache=True, boundscheck=False
)
def widen(area: Any, rows: Any, left: int, top: int, box: tuple[int, int, int, int]) -> None:
    """Widen the ``area``, two rows and two columns at a time, by what of a drawing's ``rows`` lies in the box."""
    box_left, box_top, box_right, box_bottom = box
    for y in range(box_top, box_bottom):
        first, last = max(box_left, left + rows[y - top, 0]), min(box_right, left + rows[y - top, 1])
        if first < last:
            upper = y // 2 * 2
            first, last = min(first // 2 * 2, area[upper, 0]), max((last + 1) // 2 * 2, area[upper, 1])
            area[upper, 0] = area[upper + 1, 0] = first
            area[upper, 1] = area[upper + 1, 1] = last


@nb.njit("void(uint32[:, ::1], int64[:, ::1])", nogil=True, cache=True, boundscheck=False)
def clear(words: Any, rows: Any) -> None:
    """Empty the ``rows`` of a drawing that ``find_rows`` found."""
    for y in range(len(words)):
        words[y, rows[y, 0] : rows[y, 1]] = 0


@nb.njit(nogil=True, cache=True, boundscheck=False)
def _times(channel: Any, factor: Any) -> Any:
    """A channel times a factor of 255, rounded to the nearest, as the canvas modulates."""
    product = _u4(_u4(channel * factor) + _u4(128))
    return _u4(_u4(product + _u4(product >> _u4(8))) >> _u4(8))


@nb.njit(nogil=True, cache=True, boundscheck=False)
def _light_row(row: Any, red: Any, green: Any, blue: Any) -> None:
    for x in range(len(row)):
        word = row[x]
        r = _times(_u4(_u4(word >> _u4(16)) & _u4(255)), red)
        g = _times(_u4(_u4(word >> _u4(8)) & _u4(255)), green)
        b = _times(_u4(word & _u4(255)), blue)
        row[x] = _u4(word & _u4(0xFF000000)) | _u4(r << _u4(16)) | _u4(g << _u4(8)) | b


@nb.njit("void(uint32[:, ::1], int64[:, ::1], int64)", nogil=True, cache=True, boundscheck=False)
def light(words: Any, rows: Any, colour: int) -> None:
    """Multiply the ``rows`` of a drawing by a colour, 0xAARRGGBB; its alpha stays."""
    red, green, blue = _u4((colour >> 16) & 255), _u4((colour >> 8) & 255), _u4(colour & 255)
    for y in range(len(words)):
        if rows[y, 0] < rows[y, 1]:
            _light_row(words[y, rows[y, 0] : rows[y, 1]], red, green, blue)


@nb.njit(nogil=True, cache=True, boundscheck=False)
def _mix_row(row: Any, leaving: Any, arriving: Any, weight: Any) -> None:
    rest = _u4(_u4(256) - weight)
    for x in range(len(row)):
        a, b = leaving[x], arriving[x]
        even = _u4(_u4(_u4(a & _EVEN) * rest) + _u4(_u4(b & _EVEN) * weight))
        odd = _u4(_u4(_u4(_u4(a >> _u4(8)) & _EVEN) * rest) + _u4(_u4(_u4(b >> _u4(8)) & _EVEN) * weight))
        row[x] = _u4(_u4(_u4(even >> _u4(8)) & _EVEN) | _u4(odd & _ODD))


@nb.njit(
    "void(uint32[:, ::1], uint32[:, ::1], uint32[:, ::1], int64, int64[:, ::1], int64, int64)",
    nogil=True, cache=True, boundscheck=False,
)  # fmt: skip
def mix(picture: Any, leaving: Any, arriving: Any, weight: int, area: Any, top: int, bottom: int) -> None:
    """Put ``leaving`` into the area of ``picture`` and ``weight`` of 256 of ``arriving``, channel by channel."""
    for y in range(top, bottom):
        first, last = area[y, 0], area[y, 1]
        if first < last:
            _mix_row(picture[y, first:last], leaving[y, first:last], arriving[y, first:last], _u4(weight))


@nb.njit(nogil=True, cache=True, boundscheck=False)
def _empty(row: Any, first: int) -> bool:
    """Whether there is nothing in the next of a row's words."""
    found = row[first]
    for ahead in range(1, _AT_ONCE):
        found |= row[first + ahead]
    return bool(found == 0)


@nb.njit("UniTuple(int64, 4)(uint64[:, ::1], int64[:, ::1])", nogil=True, cache=True, boundscheck=False)
def find_rows(pairs: Any, rows: Any) -> tuple[int, int, int, int]:
    """Where each row of pixels, two in a word, has something: put into ``rows`` (height, 2), from and to before.

    Returns left, top, right and bottom of it all.
    """
    height, width = pairs.shape
    left, top, right, bottom = 2 * width, height, 0, 0
    for y in range(height):
        row = pairs[y]
        first, last = 0, width
        while first + _AT_ONCE <= width and _empty(row, first):
            first += _AT_ONCE
        while last - _AT_ONCE >= first and _empty(row, last - _AT_ONCE):
            last -= _AT_ONCE
        while first < last and row[first] == 0:
            first += 1
        while last > first and row[last - 1] == 0:
            last -= 1
        rows[y, 0], rows[y, 1] = 2 * first, 2 * last
        if first < last:
            left, right = min(left, 2 * first), max(right, 2 * last)
            top, bottom = min(top, y), y + 1
    return left, top, right, bottom
