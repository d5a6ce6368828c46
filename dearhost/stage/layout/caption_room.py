"""The room that captions take in a picture."""

from __future__ import annotations

from dearhost.production import Choices
from dearhost.stage.caption_styles import CAPTION_STYLES, SIZES
from dearhost.stage.layout.shapes import LAYOUTS, Fractions

ROW = 1.62
"""A row's height, of the size of its letters."""
MOST_ROWS = {"one": 1, "two": 2}
"""By the names of ``production.CAPTION_LINES``."""


def caption_box(shape: str, place: str) -> Fractions:
    """The room for captions at the foot or at the top of a picture."""
    left, top, right, bottom = LAYOUTS[shape].captions
    if place != "top":
        return left, top, right, bottom
    safe = LAYOUTS[shape].title_safe[1]
    return left, safe, right, safe + bottom - top


def caption_size(shape: str, choices: Choices) -> float:
    """The size of captions' letters, as a fraction of the height of the picture, where they have room."""
    larger = CAPTION_STYLES[choices.caption_style].larger
    return LAYOUTS[shape].caption_text * SIZES[choices.caption_size] * larger


def free_above_captions(shape: str, choices: Choices) -> float:
    """Down to where the picture is free of captions at its foot, as a fraction of its height; 1 without them."""
    if not choices.captions or choices.caption_place != "foot":
        return 1.0
    rows = 1 if CAPTION_STYLES[choices.caption_style].shows == "one" else MOST_ROWS[choices.caption_lines]
    return caption_box(shape, "foot")[3] - rows * ROW * caption_size(shape, choices)
