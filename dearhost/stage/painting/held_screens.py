"""What of the shelf is seen on a screen that a host holds."""

from __future__ import annotations

from dearhost.assets.shelf import Shelf
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.paper import Box, Paper
from dearhost.stage.painting.shelf_images import ShelfFrames, scaling_of

_DARK = "#14191B"
_LARGEST = 0.5
"""Of the picture's lines, how many a screen in a hand has at most."""


class HeldScreens:
    """Pictures, and clips that go round from when they are taken in the hand. One belongs to one painter."""

    def __init__(self, shelf: Shelf, lines: int) -> None:
        self._frames = ShelfFrames(shelf, lines * _LARGEST)

    def frame(self, item: str, since: float) -> int:
        """Which frame is seen ``since`` seconds after it was taken."""
        footage, _ = self._frames.film(item)
        return footage.number_at(since % footage.seconds) if footage else 0

    def draw(self, paper: Paper, item: str, frame: int, box: Box) -> None:
        """Draw one in a box, whole, in the dark of the screen where it is of another shape."""
        left, top, right, bottom = box
        wide, high = right - left, bottom - top
        paper.flat(cut_rect(left, top, wide, high, 0.3), _DARK)
        image = self._frames.image(item, frame, wide * paper.scale, high * paper.scale)
        if image is None:
            return
        scale = min(wide / image.width(), high / image.height())
        across, down = (wide - image.width() * scale) / 2, (high - image.height() * scale) / 2
        part = 0.0, 0.0, float(image.width()), float(image.height())
        paper.photo(image, part, (left + across, top + down, right - across, bottom - down), scaling_of(item))
