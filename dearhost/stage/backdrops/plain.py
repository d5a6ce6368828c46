"""A plain set: a curved sweep of paper with one large disc."""

from __future__ import annotations

from dearhost.drawing.colours import darker, mix
from dearhost.drawing.cut_shapes import cut_disc, cut_rect, wave_band
from dearhost.drawing.paper import Paper
from dearhost.stage.layout.shapes import Picture

_BASE = "#D9E2DC"


def draw_plain(paper: Paper, picture: Picture) -> None:
    """The whole set."""
    width, height, u = picture.width, picture.height, picture.unit
    paper.flat(cut_rect(0, 0, width, height, 0), _BASE)
    paper.flat(
        wave_band(height * 0.80, 10 * u, 2600 * u, -500 * u, width + 2600 * u, height + 20), mix(_BASE, "#23203A", 0.10)
    )
    x, y, _ = picture.layout.host
    radius = min(width * 0.40, height * 0.36)
    paper.piece(cut_disc(x * width, y * height + radius * 0.10, radius, 0.004, 16), "#E9CB84", ink=1.2)
    for side, tall, colour in ((-1, 1.0, "vermilion"), (1, 0.8, "tide")):
        block = cut_rect(
            width * 0.5 + side * width * 0.40 - 90 * u, height * 0.92 - 360 * u * tall, 180 * u, 360 * u * tall, 4
        )
        paper.piece(block, colour, darker(colour, 0.2), crescent=(26 * u, 0))
