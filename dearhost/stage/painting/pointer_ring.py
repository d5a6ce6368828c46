"""The ring round the pointer in a recording of a screen."""

from __future__ import annotations

from typing import Any

import skia

from dearhost.drawing.colours import rgb
from dearhost.stage.painting.entrances import Box

_RADIUS, _WIDTH, _EDGE = 30.0, 5.0, 9.0
"""Units: of the ring, of its line, and of the light line under it."""


def draw_ring(
    canvas: Any, pointer: tuple[float, float] | None, size: tuple[int, int], part: Box, place: Box, unit: float
) -> None:
    """Draw it where the pointer is in a recording of ``size`` pixels, ``part`` of which is seen in ``place``."""
    if pointer is None:
        return
    across = (pointer[0] * size[0] - part[0]) / (part[2] - part[0])
    down = (pointer[1] * size[1] - part[1]) / (part[3] - part[1])
    if not (0 <= across <= 1 and 0 <= down <= 1):
        return
    x, y = place[0] + across * (place[2] - place[0]), place[1] + down * (place[3] - place[1])
    for colour, width in (("cream", _EDGE), ("vermilion", _WIDTH)):
        line = skia.Paint(
            AntiAlias=True, Style=skia.Paint.kStroke_Style, StrokeWidth=width * unit, Color=skia.Color(*rgb(colour))
        )
        canvas.drawCircle(x, y, _RADIUS * unit, line)
