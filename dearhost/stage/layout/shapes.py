"""Picture shapes and where things stand in each: fractions of width and height.

Other shapes are laid out anew, never cropped.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass

from dearhost.errors import StageError
from dearhost.production import SHAPES

Fractions = tuple[float, float, float, float]


@dataclass(frozen=True, slots=True)
class Layout:
    """Boxes are left, top, right, bottom; a host is x, head centre y, head height; text sizes are
    fractions of the height."""

    title_safe: Fractions
    captions: Fractions
    host: tuple[float, float, float]
    pair: tuple[tuple[float, float, float], tuple[float, float, float]]
    close_up: tuple[float, float, float]
    beside: tuple[float, float, float]
    """A host who leaves room for what is shown: at the left, or below it."""
    panel: Fractions
    """Where that is then."""
    alone_panel: Fractions
    """Where it is with nobody in the picture."""
    lower_third: tuple[float, float]
    bubble: tuple[float, float, float]
    """Middle, and radius as a fraction of the height."""
    floor: float
    horizon: float
    caption_text: float
    title_text: float
    list_text: float
    number_text: float
    quotation_text: float
    label_text: float
    slots: Mapping[str, tuple[float, float, float]]


LAYOUTS: Mapping[str, Layout] = {
    "16:9": Layout(
        title_safe=(0.05, 0.06, 0.95, 0.94), captions=(0.14, 0.795, 0.86, 0.935),
        host=(0.5, 0.36, 0.27), pair=((0.345, 0.37, 0.25), (0.70, 0.37, 0.25)), close_up=(0.5, 0.40, 0.43),
        beside=(0.25, 0.36, 0.27), panel=(0.42, 0.09, 0.95, 0.745), alone_panel=(0.15, 0.09, 0.85, 0.745),
        lower_third=(0.05, 0.60),
        bubble=(0.845, 0.285, 0.155), floor=0.80, horizon=0.53, caption_text=0.046, title_text=0.062, list_text=0.052,
        number_text=0.36, quotation_text=0.070, label_text=0.038,
        slots={"wall_left": (0.145, 0.30, 1.0), "wall_right": (0.855, 0.27, 1.0), "centre": (0.5, 0.33, 1.0),
               "floor_left": (0.115, 0.93, 1.0), "floor_right": (0.885, 0.93, 1.0)},
    ),
    "1:1": Layout(
        title_safe=(0.06, 0.06, 0.94, 0.94), captions=(0.07, 0.79, 0.93, 0.935),
        host=(0.5, 0.40, 0.235), pair=((0.31, 0.42, 0.20), (0.71, 0.42, 0.20)), close_up=(0.5, 0.42, 0.36),
        beside=(0.30, 0.65, 0.19), panel=(0.06, 0.06, 0.94, 0.49), alone_panel=(0.06, 0.08, 0.94, 0.75),
        lower_third=(0.06, 0.60),
        bubble=(0.82, 0.20, 0.15), floor=0.82, horizon=0.50, caption_text=0.045, title_text=0.056, list_text=0.050,
        number_text=0.28, quotation_text=0.060, label_text=0.038,
        slots={"wall_left": (0.155, 0.235, 0.86), "wall_right": (0.845, 0.235, 0.86), "centre": (0.5, 0.34, 0.92),
               "floor_left": (0.10, 0.93, 0.92), "floor_right": (0.90, 0.93, 0.92)},
    ),
    "9:16": Layout(
        title_safe=(0.06, 0.10, 0.88, 0.80), captions=(0.07, 0.665, 0.87, 0.775),
        host=(0.5, 0.43, 0.150), pair=((0.29, 0.44, 0.118), (0.71, 0.44, 0.118)), close_up=(0.5, 0.40, 0.225),
        beside=(0.5, 0.535, 0.125), panel=(0.06, 0.10, 0.88, 0.405), alone_panel=(0.06, 0.12, 0.88, 0.62),
        lower_third=(0.06, 0.540),
        bubble=(0.76, 0.185, 0.085), floor=0.805, horizon=0.47, caption_text=0.0295, title_text=0.036, list_text=0.031,
        number_text=0.17, quotation_text=0.040, label_text=0.025,
        slots={"wall_left": (0.22, 0.165, 0.84), "wall_right": (0.78, 0.165, 0.84), "centre": (0.5, 0.40, 0.84),
               "floor_left": (0.12, 0.90, 0.95), "floor_right": (0.88, 0.90, 0.95)},
    ),
}  # fmt: skip

DEFAULT_HEIGHTS: Mapping[str, int] = {"16:9": 1080, "1:1": 1080, "9:16": 1920}
RATIOS = {"16:9": (16, 9), "1:1": (1, 1), "9:16": (9, 16)}


@dataclass(frozen=True, slots=True)
class Picture:
    """A picture of ``width`` x ``height`` pixels (both even) in one of ``SHAPES``."""

    shape: str
    width: int
    height: int

    @classmethod
    def of(cls, shape: str, height: int) -> Picture:
        """The picture of a shape, ``height`` pixels high (360 to 2160; sides are made even).

        Raises StageError for another shape or height.
        """
        if shape not in RATIOS:
            raise StageError(f"There is no picture shape '{shape}'. Choose one of: {', '.join(SHAPES)}.")
        if not 360 <= height <= 2160:
            raise StageError(f"The height must be from 360 to 2160 pixels (got {height}).")
        across, down = RATIOS[shape]
        height -= height % 2
        return cls(shape, round(height * across / down / 2) * 2, height)

    @property
    def layout(self) -> Layout:
        """Where things stand."""
        return LAYOUTS[self.shape]

    @property
    def unit(self) -> float:
        """1 at 1920x1080: every size on the stage is a multiple of it."""
        return math.sqrt(self.width * self.height / (1920 * 1080))

    def pixels(self, box: Fractions) -> Fractions:
        """A box of fractions in pixels."""
        left, top, right, bottom = box
        return left * self.width, top * self.height, right * self.width, bottom * self.height


_CARDS: Mapping[str, float] = {"16:9": 0.26, "1:1": 0.30, "9:16": 0.42}
"""Of the picture's width: a small card in an upper corner."""
_CARD_SHAPE = 0.78
"""Its height, of its width."""


_WALL_PICTURE = (215.0, 160.0)
"""Half its width and height in units."""


_MOST_HIGH, _SHEET = 0.9, 0.8
"""Of the picture's height, and of its own width, how high something put by hand is at most."""


def hand_box(shape: str, x: float, y: float, size: float) -> Fractions:
    """Where something is that is put by hand with its middle at ``x`` and ``y``, as broad as ``size``: all parts of the
    picture. It stays within it."""
    across, down = RATIOS[shape]
    high = min(_MOST_HIGH, size * _SHEET * across / down)
    left = min(max(x - size / 2, 0.0), 1.0 - size)
    top = min(max(y - high / 2, 0.0), 1.0 - high)
    return left, top, left + size, top + high


def panel_box(shape: str, region: str) -> Fractions:
    """Where what is shown is: at the "right" of the host, at the "left", in the "middle" with nobody there, or the
    "whole" picture; a "card-left" or "card-right" is in an upper corner, a "wall-left" or
    "wall-right" where sets have their frames."""
    layout = LAYOUTS[shape]
    if region == "whole":
        return 0.0, 0.0, 1.0, 1.0
    if region == "middle":
        return layout.alone_panel
    if region.startswith("card-"):
        left, top, right, _ = layout.title_safe
        wide, aspect = _CARDS[shape], RATIOS[shape][0] / RATIOS[shape][1]
        top += 0.02 if shape == "16:9" else 0.0
        left = left if region == "card-left" else right - wide
        return left, top, left + wide, top + wide * _CARD_SHAPE * aspect
    if region.startswith("wall-"):
        x, y, size = layout.slots[region.replace("-", "_")]
        nominal = Picture.of(shape, DEFAULT_HEIGHTS[shape])
        across, down = (half * size * nominal.unit for half in _WALL_PICTURE)
        across, down = across / nominal.width, down / nominal.height
        return x - across, y - down, x + across, y + down
    left, top, right, bottom = layout.panel
    return (1 - right, top, 1 - left, bottom) if region == "left" and shape == "16:9" else layout.panel
