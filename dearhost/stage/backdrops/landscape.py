"""Sky, sea and hills, for windows and outdoors, at noon."""

from __future__ import annotations

import random

from dearhost.drawing.colours import mix
from dearhost.drawing.cut_shapes import cut_disc, cut_rect, wave_band
from dearhost.drawing.outlines import edge_over, spline
from dearhost.drawing.paper import Paper
from dearhost.stage.backdrops.palettes import SEA, SKY, SUN, SUN_RING

_CLOUD = ((-80, 10), (-50, -16), (-10, -30), (30, -18), (70, -8), (84, 10), (0, 14))


def draw_sky(paper: Paper, x: float, y: float, width: float, height: float, k: float) -> None:
    """Flat bands of sky, a sun and two clouds in a box; ``k`` is the size of a unit."""
    dice = random.Random(8)
    paper.flat(cut_rect(x - 4, y - 4, width + 8, height + 8, 0), SKY[0])
    for i in (1, 2, 3):
        band = wave_band(y + height * (0.10 + 0.26 * i), height * 0.022, width * 0.55, x - width * 0.3, x + width * 1.4,
                         y + height + 4, phase=i * width * 0.13)  # fmt: skip
        paper.flat(band, SKY[i])
    sun_x, sun_y = x + 0.80 * width, y + 0.15 * height
    paper.flat(cut_disc(sun_x, sun_y, 84 * k), SUN_RING)
    paper.flat(cut_disc(sun_x, sun_y, 62 * k), SUN)
    for i in range(2):
        cloud_x = x + width * ((i * 0.37 + 0.13 + dice.random() * 0.1) % 1.0)
        cloud_y = y + height * (0.10 + 0.34 * dice.random())
        size = k * (1.1 + 0.8 * dice.random())
        cloud = spline([complex(cloud_x + a * size, cloud_y + b * size) for a, b in _CLOUD], tension=0.35)
        paper.flat(cloud, mix("#F4F0E2", SKY[1], 0.08))


def draw_sea(paper: Paper, left: float, right: float, y: float, bottom: float, k: float) -> None:
    """Three bands of water from the horizon at ``y``."""
    for i in range(3):
        top = y + (bottom - y) * (0, 0.22, 0.52)[i]
        band = wave_band(top, (6 + 3 * i) * k, (104 + 26 * i) * k, left - 80 * k * i - 30, right + 140 * k, bottom + 10,
                         phase=i * 37 * k)  # fmt: skip
        paper.piece(band, SEA[i], ink=0.6)


def draw_headland(
    paper: Paper, left: float, right: float, y: float, rise: float, bottom: float, colours: tuple[str, ...]
) -> None:
    """Hills running out into the sea from the right; the first point lies at the water."""
    dice = random.Random(5)
    for i, colour in enumerate(colours):
        ridge = [
            complex(
                left - 60 + (right - left + 120) * j / 6, y + i * rise * 0.38 - rise * (0.25 + 0.75 * dice.random())
            )
            for j in range(7)
        ]
        ridge[0] = complex(left - 60, bottom)
        paper.piece(edge_over(ridge, right + 60, left - 60, bottom, 0.3), colour, ink=0.6)
