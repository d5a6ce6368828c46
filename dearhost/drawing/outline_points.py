"""The points of outlines, worked out hundreds of times a frame: plain arithmetic on rows of x, y, x, y, …

Each function fills ``out`` with the points of one path, in the order of its verbs. They run as they stand until
``to_machine_code`` is called, where films are drawn: the numbers are the same.
"""

from __future__ import annotations

import math
from array import array
from collections.abc import Callable, Sequence
from typing import Any

import numpy as np

from dearhost.memory import LazyModule

Row = Any
"""Numbers by index: a list, or an array of floats."""


class PointWork:
    """One of the functions below, for points that are complex numbers."""

    def __init__(self, work: Callable[..., None]) -> None:
        self._work = work
        self.machine_code: Callable[..., None] | None = None

    def compile(self) -> None:
        """Make machine code of it; that is kept on disk beside the module and found again by other processes."""
        if self.machine_code is None:
            rows = "float64[::1], float64[::1], float32[::1], float64, float64"
            self.machine_code = LazyModule("numba").njit(f"void({rows})", cache=True)(self._work)

    def __call__(self, points: Sequence[complex], numbers: Sequence[float], count: int, *single: float) -> bytes:
        """``count`` points as 32-bit floats; ``numbers`` and ``single`` are what else the function takes."""
        if self.machine_code is not None:
            found = np.empty(2 * count, np.float32)
            self.machine_code(np.array(points, complex).view(float), np.array(numbers, float), found, *single)
            return found.tobytes()
        row = [value for point in points for value in (point.real, point.imag)]
        plain = [0.0] * (2 * count)
        self._work(row, numbers, plain, *single)
        return array("f", plain).tobytes()


def _spline(p: Row, sharp: Row, out: Row, closed: float, tension: float) -> None:
    """A cardinal spline as one start and three points a curve; where ``sharp`` is not 0 the tangent is."""
    count = len(sharp)
    out[0], out[1] = p[0], p[1]
    back = count - 1 if closed else 0
    out_x = out_y = 0.0
    if not sharp[0]:
        out_x, out_y = (p[2] - p[2 * back]) * tension, (p[3] - p[2 * back + 1]) * tension
    at = 2
    for index in range(count if closed else count - 1):
        x, y = p[2 * index], p[2 * index + 1]
        following = index + 1 if index + 1 < count else 0
        to_x, to_y = p[2 * following], p[2 * following + 1]
        beyond = following + 1 if following + 1 < count else 0 if closed else following
        in_x = in_y = 0.0
        if not sharp[following]:
            in_x, in_y = (p[2 * beyond] - x) * tension, (p[2 * beyond + 1] - y) * tension
        length = math.sqrt((to_x - x) * (to_x - x) + (to_y - y) * (to_y - y))
        size = math.sqrt(out_x * out_x + out_y * out_y)
        handle = 0.62 * length / size if size > length else 0.62
        out[at], out[at + 1] = x + out_x * handle, y + out_y * handle
        size = math.sqrt(in_x * in_x + in_y * in_y)
        handle = 0.62 * length / size if size > length else 0.62
        out[at + 2], out[at + 3] = to_x - in_x * handle, to_y - in_y * handle
        out[at + 4], out[at + 5] = to_x, to_y
        out_x, out_y = in_x, in_y
        at += 6


def _brush(p: Row, widths: Row, out: Row, half: float, steps: float) -> None:
    """A band ``half`` times ``widths`` to each side of the spline through ``p``, ``steps`` places between each two."""
    count, last, between = len(widths), len(widths) - 1, int(steps)
    centre = [0.0] * (2 * count)
    given = len(p) // 2
    for index in range(given - 1):
        ax, ay, bx, by = p[2 * index], p[2 * index + 1], p[2 * index + 2], p[2 * index + 3]
        before, after = (index - 1 if index else 0), (index + 2 if index + 2 < given else index + 1)
        tax, tay = (bx - p[2 * before]) * 0.5, (by - p[2 * before + 1]) * 0.5
        tbx, tby = (p[2 * after] - ax) * 0.5, (p[2 * after + 1] - ay) * 0.5
        for step in range(between):
            s = step / steps
            h01 = s if given == 2 else s * s * (3 - 2 * s)
            h10 = 0.0 if given == 2 else s * (s - 1) * (s - 1)
            h11 = 0.0 if given == 2 else s * s * (s - 1)
            place = 2 * (index * between + step)
            centre[place] = ax + (bx - ax) * h01 + tax * h10 + tbx * h11
            centre[place + 1] = ay + (by - ay) * h01 + tay * h10 + tby * h11
    centre[2 * last], centre[2 * last + 1] = p[2 * given - 2], p[2 * given - 1]
    side = [0.0] * (4 * count)  # there on the left, back on the right
    for index in range(count):
        before, after = (index - 1 if index else 0), (index + 1 if index < last else index)
        run_x, run_y = centre[2 * after] - centre[2 * before], centre[2 * after + 1] - centre[2 * before + 1]
        size = math.sqrt(run_x * run_x + run_y * run_y)
        reach = half * widths[index]
        if size > 1e-6:
            normal_x, normal_y = -run_y * reach / size, run_x * reach / size
        else:
            normal_x, normal_y = 0.0, reach
        x, y, back = centre[2 * index], centre[2 * index + 1], 2 * (2 * count - 1 - index)
        side[2 * index], side[2 * index + 1] = x + normal_x, y + normal_y
        side[back], side[back + 1] = x - normal_x, y - normal_y
    at = 0
    for first in (0, count):
        out[at], out[at + 1] = side[2 * first], side[2 * first + 1]
        at += 2
        for index in range(first + 1, first + last):
            x, y, after_x, after_y = side[2 * index], side[2 * index + 1], side[2 * index + 2], side[2 * index + 3]
            out[at], out[at + 1] = x, y
            if index < first + last - 1:
                after_x, after_y = (x + after_x) / 2, (y + after_y) / 2
            out[at + 2], out[at + 3] = after_x, after_y
            at += 4
        if count == 2:
            out[at], out[at + 1] = side[2 * first + 2], side[2 * first + 3]
            at += 2


def _tube(p: Row, radii: Row, out: Row, light_x: float, light_y: float) -> None:
    """Round a bent, tapered limb, its ends round; or, with a crescent (``light``), round what of it is in the light."""
    count, last = len(radii), len(radii) - 1
    joints, wide = [0.0] * (2 * count), [0.0] * count
    for index in range(count):
        before, after = (index - 1 if index else 0), (index + 1 if index < last else index)
        way_x, way_y = p[2 * after] - p[2 * before], p[2 * after + 1] - p[2 * before + 1]
        size = max(1e-6, math.sqrt(way_x * way_x + way_y * way_y))
        way_x, way_y = way_x / size, way_y / size
        slide = (-way_y * light_x + way_x * light_y) / 2
        joints[2 * index], joints[2 * index + 1] = p[2 * index] + way_y * slide, p[2 * index + 1] - way_x * slide
        wide[index] = max(0.3 * radii[index], radii[index] - abs(slide))
    side = [0.0] * (4 * count)  # there on the left, back on the right
    out_x = out_y = in_x = in_y = 0.0
    for index in range(count):
        before, after = (index - 1 if index else 0), (index + 1 if index < last else index)
        way_x, way_y = joints[2 * after] - joints[2 * before], joints[2 * after + 1] - joints[2 * before + 1]
        size = math.sqrt(way_x * way_x + way_y * way_y)
        if size > 1e-6:
            way_x, way_y = way_x * wide[index] / size, way_y * wide[index] / size
        else:
            way_x, way_y = wide[index], 0.0
        x, y, back = joints[2 * index], joints[2 * index + 1], 2 * (2 * count - 1 - index)
        side[2 * index], side[2 * index + 1] = x + way_y, y - way_x
        side[back], side[back + 1] = x - way_y, y + way_x
        if index == 0:
            in_x, in_y = -way_x, -way_y
        out_x, out_y = way_x, way_y
    at, k = 2, 0.5523
    out[0], out[1] = side[0], side[1]
    for first in (0, count):
        for index in range(first + 1, first + last):
            x, y, after_x, after_y = side[2 * index], side[2 * index + 1], side[2 * index + 2], side[2 * index + 3]
            out[at], out[at + 1] = x, y
            if index < first + last - 1:
                after_x, after_y = (x + after_x) / 2, (y + after_y) / 2
            out[at + 2], out[at + 3] = after_x, after_y
            at += 4
        if count == 2:
            out[at], out[at + 1] = side[2 * first + 2], side[2 * first + 3]
            at += 2
        x, y = (joints[2 * last], joints[2 * last + 1]) if first == 0 else (joints[0], joints[1])
        way_x, way_y = (out_x, out_y) if first == 0 else (in_x, in_y)
        # half a circle by way of the tip: across is the way turned by a right angle
        out[at], out[at + 1] = x + way_y + way_x * k, y - way_x + way_y * k
        out[at + 2], out[at + 3] = x + way_x + way_y * k, y + way_y - way_x * k
        out[at + 4], out[at + 5] = x + way_x, y + way_y
        out[at + 6], out[at + 7] = x + way_x - way_y * k, y + way_y + way_x * k
        out[at + 8], out[at + 9] = x - way_y + way_x * k, y + way_x + way_y * k
        out[at + 10], out[at + 11] = x - way_y, y + way_x
        at += 12


spline_points, brush_points, tube_points = PointWork(_spline), PointWork(_brush), PointWork(_tube)


def to_machine_code() -> None:
    """From now on this process runs them as machine code. The first time on a machine that takes seconds."""
    for work in (spline_points, brush_points, tube_points):
        work.compile()
