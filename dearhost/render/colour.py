"""BGRA pixels to BT.709 limited-range 4:2:0, inside a box only.

ITU-R BT.709-6 coefficients in 16.16 fixed point; chroma is the average of two by two pixels.
"""

from __future__ import annotations

from typing import Any

import numba as nb
import numpy as np
from numpy.typing import NDArray

Plane = NDArray[np.uint8]


@nb.njit("void(uint32[:, :], uint8[:, :], uint8[:, :], uint8[:, :], int64, int64, int64, int64)", nogil=True, cache=True)
def bgra_to_yuv420(source: Any, luma: Any, blue: Any, red: Any, left: int, top: int, right: int, bottom: int) -> None:
    """Convert the box [left, right) x [top, bottom), all even.

    ``source`` (height, width) holds one BGRA pixel a word; ``luma`` has its size, ``blue`` and ``red``
    half of it.
    """
    for y in range(top, bottom, 2):
        for x in range(left, right, 2):
            b_sum = nb.int32(0)
            g_sum = nb.int32(0)
            r_sum = nb.int32(0)
            for dy in range(2):
                for dx in range(2):
                    pixel = source[y + dy, x + dx]
                    b = nb.int32(pixel & nb.uint32(255))
                    g = nb.int32((pixel >> nb.uint32(8)) & nb.uint32(255))
                    r = nb.int32((pixel >> nb.uint32(16)) & nb.uint32(255))
                    luma[y + dy, x + dx] = nb.uint8((4064 * b + 40254 * g + 11966 * r + 1081344) >> 16)
                    b_sum += b
                    g_sum += g
                    r_sum += r
            blue[y >> 1, x >> 1] = nb.uint8((28784 * b_sum - 22189 * g_sum - 6595 * r_sum + 33685504) >> 18)
            red[y >> 1, x >> 1] = nb.uint8((-2642 * b_sum - 26145 * g_sum + 28784 * r_sum + 33685504) >> 18)
