"""The ground taken away, pixel by pixel: plain loops, compiled."""

from __future__ import annotations

from typing import Any

import numba as nb

_f4 = nb.float32


@nb.njit(nogil=True, cache=True, boundscheck=False)
def sharpened(luma: Any, slope: Any, base: Any, chroma: Any) -> None:
    """``slope * luma + base`` into ``chroma``, of luma's size; both are half as wide and high, and read between their
    points."""
    height, width = luma.shape
    rows, columns = slope.shape
    for y in range(height):
        v = min(max((y - 0.5) * 0.5, 0.0), rows - 1.0)
        top = int(v)
        low = min(top + 1, rows - 1)
        down = v - top
        for x in range(width):
            u = min(max((x - 0.5) * 0.5, 0.0), columns - 1.0)
            left = int(u)
            right = min(left + 1, columns - 1)
            over = u - left
            a, b = (1 - down) * (1 - over), (1 - down) * over
            c, d = down * (1 - over), down * over
            s = a * slope[top, left] + b * slope[top, right] + c * slope[low, left] + d * slope[low, right]
            o = a * base[top, left] + b * base[top, right] + c * base[low, left] + d * base[low, right]
            chroma[y, x] = s * luma[y, x] + o


@nb.njit(nogil=True, cache=True, boundscheck=False)
def take_away(
    luma: Any, blue: Any, red: Any, field: Any, axis: Any, ramp: Any, shadow: Any, despill: Any, alpha: Any
) -> None:
    """Put how far every pixel belongs to the figure, 0 to 1, into ``alpha``, and its own colour into ``luma`` (from 0
    at black), ``blue`` and ``red`` (from 0 at grey).

    ``field``: the ground's luma, blue and red, on a coarse grid; ``axis``: blue and red of its hue, of length 1;
    ``ramp``: how much of the ground's distance from grey is all figure, and all ground. ``shadow`` 0 to 1: how much of
    what is darker than the ground stays as a shade.
    """
    height, width = luma.shape
    rows, columns = field.shape[0], field.shape[1]
    lowest, highest = ramp[0], ramp[1]
    for y in range(height):
        row = y * (rows - 1) // height
        for x in range(width):
            column = x * (columns - 1) // width
            ground_luma = max(field[row, column, 0], _f4(1))
            along_ground = field[row, column, 1] * axis[0] + field[row, column, 2] * axis[1]
            b, r = blue[y, x], red[y, x]
            along = b * axis[0] + r * axis[1]
            beside = abs(b * axis[1] - r * axis[0])
            share = (along - _f4(0.75) * beside) / along_ground
            own = min(max(1 - (share - lowest) / (highest - lowest), 0.0), 1.0)
            value = luma[y, x]
            shade = 0.0
            if own < 0.6 and shadow > 0:
                shade = min(max(1 - value / ground_luma - 0.06, 0.0), 0.7) * shadow * (1 - own)
            if own > 0:
                if own > 0.35:
                    value = (value - (1 - own) * ground_luma) / own
                limit = _f4(0.10) * along_ground
                if along > limit:
                    b -= (along - limit) * despill * axis[0]
                    r -= (along - limit) * despill * axis[1]
            whole = own + shade * (1 - own)
            part = own / whole if whole > 0 else 0.0  # a shade is black
            alpha[y, x] = whole
            luma[y, x] = min(max(value, 0.0), 219.0) * part
            blue[y, x] = b * part
            red[y, x] = r * part


@nb.njit(nogil=True, cache=True, boundscheck=False)
def halved(chroma: Any, alpha: Any, target: Any) -> None:
    """``chroma`` at half its size as bytes about 128, of four pixels by their ``alpha``."""
    rows, columns = target.shape
    for y in range(rows):
        for x in range(columns):
            total = weight = 0.0
            for j in range(2):
                for i in range(2):
                    part = alpha[2 * y + j, 2 * x + i] + _f4(1e-4)
                    total += chroma[2 * y + j, 2 * x + i] * part
                    weight += part
            target[y, x] = nb.uint8(min(max(total / weight + 128.5, 0.0), 255.0))
