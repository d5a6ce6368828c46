"""A layer of a picture."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from dearhost.stage.shapes import Picture

PixelBox = tuple[int, int, int, int]


@dataclass(frozen=True, slots=True)
class Layer:
    """Equal ``key`` gives equal pixels. ``box`` in pixels holds everything drawn."""

    name: str
    key: Any
    box: PixelBox
    draw: Callable[[Any], None]


def even_box(box: tuple[float, float, float, float], picture: Picture) -> PixelBox:
    """Whole even pixels inside the picture, so that chroma stays in step."""
    left = max(0, int(box[0]) - 2) // 2 * 2
    top = max(0, int(box[1]) - 2) // 2 * 2
    right = min(picture.width, (int(box[2]) + 4) // 2 * 2)
    bottom = min(picture.height, (int(box[3]) + 4) // 2 * 2)
    return left, top, max(left, right), max(top, bottom)
