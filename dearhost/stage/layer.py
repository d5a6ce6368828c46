"""A layer of a picture."""

from __future__ import annotations

import math
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from dearhost.stage.shapes import Picture

PixelBox = tuple[int, int, int, int]


@dataclass(frozen=True, slots=True)
class Layer:
    """Equal ``key`` gives equal pixels about ``place``. ``box`` in pixels holds everything drawn."""

    name: str
    key: Any
    box: PixelBox
    draw: Callable[[Any], None]
    place: tuple[int, int] = (0, 0)

    @property
    def extent(self) -> PixelBox:
        """The box about the place: a layer of the same key and extent is the same pixels elsewhere."""
        left, top, right, bottom = self.box
        x, y = self.place
        return left - x, top - y, right - x, bottom - y


def pixel_box(box: tuple[float, float, float, float], picture: Picture) -> PixelBox:
    """Whole pixels inside the picture, with an edge of two."""
    left, top = max(0, math.floor(box[0]) - 2), max(0, math.floor(box[1]) - 2)
    right, bottom = min(picture.width, math.ceil(box[2]) + 2), min(picture.height, math.ceil(box[3]) + 2)
    return left, top, max(left, right), max(top, bottom)


def evened(box: PixelBox) -> PixelBox:
    """The box on even pixels, so that chroma stays in step."""
    return box[0] // 2 * 2, box[1] // 2 * 2, (box[2] + 1) // 2 * 2, (box[3] + 1) // 2 * 2
