"""A layer of a picture."""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import Any, NamedTuple

from dearhost.stage.layout.shapes import Picture

PixelBox = tuple[int, int, int, int]


_COARSE = 16
"""Pixels to which the sheet of a drawing that goes about is evened: a pixel's way is no new drawing."""


class Layer(NamedTuple):
    """Equal ``key`` gives equal pixels about ``place``. ``box`` in pixels holds everything that is seen.

    ``reach``: about the place, what the drawing takes up, which may be more than is seen; for what stays where it is
    the box. A tuple, since many are made for every frame.
    """

    name: str
    key: Any
    box: PixelBox
    draw: Callable[[Any], None]
    place: tuple[int, int] = (0, 0)
    reach: PixelBox | None = None
    light: Any = None
    """The fill that multiplies what is drawn, None for the drawing as it is."""

    @property
    def sheet(self) -> PixelBox:
        """The pixels that it is drawn on."""
        if self.reach is None:
            return self.box
        left, top, right, bottom = self.reach
        x, y = self.place
        return left + x, top + y, right + x, bottom + y


def coarse_reach(box: tuple[float, float, float, float], place: tuple[int, int], picture: Picture) -> PixelBox:
    """The reach of a drawing that takes up ``box`` about its place, as far as it may lie in the picture."""
    x, y = place
    left, top = max(box[0] - 2, -x), max(box[1] - 2, -y)
    right, bottom = min(box[2] + 2, picture.width - x), min(box[3] + 2, picture.height - y)
    return (
        math.floor(left / _COARSE) * _COARSE,
        math.floor(top / _COARSE) * _COARSE,
        math.ceil(right / _COARSE) * _COARSE,
        math.ceil(bottom / _COARSE) * _COARSE,
    )


def pixel_box(box: tuple[float, float, float, float], picture: Picture) -> PixelBox:
    """Whole pixels inside the picture, with an edge of two."""
    left, top = max(0, math.floor(box[0]) - 2), max(0, math.floor(box[1]) - 2)
    right, bottom = min(picture.width, math.ceil(box[2]) + 2), min(picture.height, math.ceil(box[3]) + 2)
    return left, top, max(left, right), max(top, bottom)


def evened(box: PixelBox) -> PixelBox:
    """The box on even pixels, so that chroma stays in step."""
    return box[0] // 2 * 2, box[1] // 2 * 2, (box[2] + 1) // 2 * 2, (box[3] + 1) // 2 * 2


def overlap(a: PixelBox, b: PixelBox) -> PixelBox | None:
    """What two boxes share, None for nothing."""
    left, top, right, bottom = max(a[0], b[0]), max(a[1], b[1]), min(a[2], b[2]), min(a[3], b[3])
    return (left, top, right, bottom) if left < right and top < bottom else None
