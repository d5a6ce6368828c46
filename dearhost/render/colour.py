"""BGRA pixels to BT.709 limited-range 4:2:0, inside an area only.

ITU-R BT.709-6 coefficients in fixed point; chroma is the average of two by two pixels. The rows are
worked on in separate simple loops, which the compiler turns into vector code.
"""

from __future__ import annotations

from typing import Any

import numba as nb
import numpy as np

_i4, _u4, _u8, _u1 = nb.int32, nb.uint32, nb.uint64, nb.uint8


@nb.njit(nogil=True, cache=True, boundscheck=False)
def _luma_row(pixels: Any, luma: Any) -> None:
    for x in range(len(pixels)):
        p = pixels[x]
        blue, green, red = p & _u4(255), (p >> _u4(8)) & _u4(255), (p >> _u4(16)) & _u4(255)
        luma[x] = _u1((_u4(4064) * blue + _u4(40254) * green + _u4(11966) * red + _u4(1081344)) >> _u4(16))


@nb.njit(nogil=True, cache=True, boundscheck=False)
def _sum_rows(upper: Any, lower: Any, blue_red: Any, green: Any) -> None:
    """Blue and red side by side in one word each, and green."""
    for x in range(len(upper)):
        p, r = upper[x], lower[x]
        blue_red[x] = (p & _u4(0x00FF00FF)) + (r & _u4(0x00FF00FF))
        green[x] = ((p >> _u4(8)) & _u4(255)) + ((r >> _u4(8)) & _u4(255))


@nb.njit(nogil=True, cache=True, boundscheck=False)
def _chroma_row(blue_red: Any, green: Any, cb: Any, cr: Any) -> None:
    """Two neighbouring columns come as one 64-bit word."""
    for x in range(len(cb)):
        pair, greens = blue_red[x], green[x]
        both = _u4(pair) + _u4(pair >> _u8(32))
        g = _i4(_u4(greens) + _u4(greens >> _u8(32)))
        b, r = _i4(both & _u4(0xFFFF)), _i4(both >> _u4(16))
        cb[x] = _u1((_i4(28784) * b - _i4(22189) * g - _i4(6595) * r + _i4(33685504)) >> _i4(18))
        cr[x] = _u1((_i4(-2642) * b - _i4(26145) * g + _i4(28784) * r + _i4(33685504)) >> _i4(18))


@nb.njit(
    "void(uint32[:, ::1], uint8[:, :], uint8[:, :], uint8[:, :], int64[:, ::1], int64, int64)",
    nogil=True, cache=True, boundscheck=False,
)  # fmt: skip
def bgra_to_yuv420(source: Any, luma: Any, cb: Any, cr: Any, rows: Any, top: int, bottom: int) -> None:
    """Convert of each row from ``top`` to before ``bottom`` what lies from ``rows[y, 0]`` to before ``rows[y, 1]``.

    All of these are even, and ``rows`` the same for each two. ``source`` (height, width) holds one BGRA pixel a word;
    ``luma`` has its size, ``cb`` and ``cr`` half of it.
    """
    width = source.shape[1]
    blue_red, green = np.empty(width, np.uint32), np.empty(width, np.uint32)
    blue_red_pairs, green_pairs = blue_red.view(np.uint64), green.view(np.uint64)
    for y in range(top, bottom, 2):
        left, right = rows[y, 0], rows[y, 1]
        if left >= right:
            continue
        upper, lower = source[y, left:right], source[y + 1, left:right]
        _luma_row(upper, luma[y, left:right])
        _luma_row(lower, luma[y + 1, left:right])
        _sum_rows(upper, lower, blue_red, green)
        half = y >> 1
        _chroma_row(blue_red_pairs, green_pairs, cb[half, left >> 1 : right >> 1], cr[half, left >> 1 : right >> 1])
