"""Shapes cut by hand: a little out of true, always the same way."""

from __future__ import annotations

import random
from typing import Any

from dearhost.drawing.outlines import edge_over, polygon, spline, turned


def cut_rect(x: float, y: float, width: float, height: float, wobble: float = 1.2) -> Any:
    """A rectangle whose corners are off by up to ``wobble``."""
    dice = random.Random(int(x * 7 + y * 13 + width * 3 + height))

    def corner(px: float, py: float) -> complex:
        return complex(px + dice.uniform(-wobble, wobble), py + dice.uniform(-wobble, wobble))

    return polygon([corner(x, y), corner(x + width, y), corner(x + width, y + height), corner(x, y + height)])


def cut_disc(x: float, y: float, radius: float, wobble: float = 0.012, sides: int = 14) -> Any:
    """A disc as a closed spline through ``sides`` points, the radius off by the share ``wobble``."""
    dice = random.Random(int(x * 3 + y * 5 + radius * 11))
    ring = [
        complex(x, y) + turned(i * 360 / sides) * radius * (1 + dice.uniform(-wobble, wobble)) for i in range(sides)
    ]
    return spline(ring, tension=0.29)


def wave_band(
    y: float, height: float, length: float, left: float, right: float, bottom: float, phase: float = 0.0
) -> Any:
    """A band from a wavy upper edge at ``y`` down to ``bottom``."""
    count = int((right - left) / length * 2) + 2
    crest = [complex(left - phase + i * length / 2, y + height * (0.6 if i % 2 else -1)) for i in range(count)]
    return edge_over(crest, crest[-1].real, crest[0].real, bottom)
