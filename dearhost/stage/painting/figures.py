"""Figures without their ground, on the stage: people and drawings of one's own, standing at its foot."""

from __future__ import annotations

from typing import Any

import skia

from dearhost.assets.shelf import Shelf
from dearhost.production.shown_cues import BY_HAND
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.entrances import Box, Coming, arrived, coming
from dearhost.stage.painting.panels.panel import reach
from dearhost.stage.painting.shelf_images import ShelfImages, scaling_of
from dearhost.stage.timeline import Shown

_STANDS = {"left": 0.24, "middle": 0.5, "right": 0.76}
"""Where its middle is, of the picture's width."""
_NARROW = 1.05
"""Of the picture's width, how high a figure of size 1 is in a picture higher than that."""


class FigureDrawing:
    """Draws one figure of the shelf, or several one after another."""

    def __init__(self, shown: Shown, picture: Picture, shelf: Shelf) -> None:
        self._shown, self._picture = shown, picture
        high = min(picture.height, _NARROW * picture.width)
        height = float(shown.parameters.get("size", 0.8)) * high
        self._images = ShelfImages(shelf, shown, height)
        self._places = {item: self._place(*size, height) for item, size in self._images.sizes.items()}
        lefts, tops, rights, bottoms = zip(*self._places.values() or [(0.0, 0.0, 0.0, 0.0)], strict=True)
        self.box: Box = reach(shown.text("comes"), (min(lefts), min(tops), max(rights), max(bottoms)), picture)

    def _place(self, wide: int, high: int, height: float) -> Box:
        """Where a figure stands: at the foot of the picture, or where it is put by hand, as high as it is to be."""
        width = height * wide / max(1, high)
        across, down = _STANDS.get(self._shown.text("stands"), 0.5), 1.0
        if self._shown.text("stands") == BY_HAND:
            across, down = (float(self._shown.parameters.get(name, usual)) for name, usual in (("x", 0.5), ("y", 1.0)))
        middle, bottom = across * self._picture.width, down * self._picture.height
        return middle - width / 2, bottom - height, middle + width / 2, bottom

    def key(self, moment: float) -> Any:
        """Equal keys give equal pixels."""
        return arrived(self._shown.text("comes"), self._shown.span, moment), self._images.now(moment)

    def draw(self, canvas: Any, moment: float) -> None:
        """Draw at ``moment`` of the scene."""
        done = arrived(self._shown.text("comes"), self._shown.span, moment)
        item, number = self._images.now(moment)
        if done <= 0 or not item:
            return
        left, top, right, bottom = place = self._places[item]
        image = self._images.image(item, number, right - left, bottom - top)
        if image is None:
            return
        size = self._picture.width, self._picture.height
        with coming(self._shown.text("comes"), Coming(canvas, place, size, self._picture.unit, done)):
            canvas.drawImageRect(image, skia.Rect.MakeLTRB(*place), scaling_of(item))
