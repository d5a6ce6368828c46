"""A production's logo in its corner, with clear space about it."""

from __future__ import annotations

from typing import Any

import skia

from dearhost.assets.shelf import Shelf
from dearhost.drawing.colours import PALETTE, contrast, paint, rgb
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.outlines import moved
from dearhost.production.colours import USUAL, Colours
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.entrances import Box
from dearhost.stage.painting.shelf_images import scaling_of
from dearhost.stage.timeline import Shown

_WIDEST = 2.6
"""Of its height, how wide it may be before it becomes lower."""
_CLEAR = 0.25
"""Of its height: the space about it on a slip (common practice, no source)."""
_SEEN = 3.0
"""Contrast of what is no text, at least (WCAG 2.2, 1.4.11)."""


class LogoDrawing:
    """Draws it as it is, or on a slip of paper."""

    def __init__(self, shown: Shown, picture: Picture, shelf: Shelf) -> None:
        self._item = shown.text("items")
        self._image = shelf.image(self._item)
        self._unit = picture.unit
        on_paper = shown.text("ground") == "paper" and self._image is not None
        self._paper = _ground_for(self._image, shown.colours) if on_paper else ""
        self._place = _placed(self._image, shown, picture, bool(self._paper)) if self._image else (0.0, 0.0, 0.0, 0.0)
        edge = self._clear + 16 * self._unit
        left, top, right, bottom = self._place
        self.box: Box = left - edge, top - edge, right + edge, bottom + edge

    @property
    def _clear(self) -> float:
        return (self._place[3] - self._place[1]) * _CLEAR

    def key(self, moment: float) -> Any:
        """Equal keys give equal pixels: it never changes."""
        return None

    def draw(self, canvas: Any, moment: float) -> None:
        """Draw it; nothing where its picture is not here."""
        if self._image is None:
            return
        left, top, right, bottom = self._place
        if self._paper:
            clear, u = self._clear, self._unit
            slip = cut_rect(left - clear, top - clear, right - left + 2 * clear, bottom - top + 2 * clear, 2 * u)
            canvas.drawPath(moved(slip, 5 * u, 7 * u), paint("ink", 0.20))
            canvas.drawPath(slip, paint(self._paper))
        canvas.drawImageRect(self._image, skia.Rect.MakeLTRB(*self._place), scaling_of(self._item))


def _ground_for(image: Any, colours: Colours) -> str:
    """The paper a logo is seen on: the production's own, unless it is as dark or as light as the logo."""
    pixels = image.toarray(colorType=skia.kRGBA_8888_ColorType).reshape(-1, 4).astype(float)
    weight = pixels[:, 3].sum()
    mean = (pixels[:, :3] * pixels[:, 3:]).sum(0) / weight if weight else pixels[:, :3].mean(0)
    own = round(mean[0]), round(mean[1]), round(mean[2])
    grounds = (colours.paper, USUAL.paper, PALETTE["ink"])
    seen = (ground for ground in grounds if contrast(own, rgb(ground)) >= _SEEN)
    return next(seen, None) or max(grounds, key=lambda ground: contrast(own, rgb(ground)))


def _placed(image: Any, shown: Shown, picture: Picture, on_paper: bool) -> Box:
    """Where it is, in pixels: in a corner of what is safe for titles."""
    height = float(shown.parameters["size"]) * min(picture.width, picture.height)
    width = height * image.width() / image.height()
    if width > _WIDEST * height:
        width, height = _WIDEST * height, _WIDEST * height * image.height() / image.width()
    edge = height * _CLEAR if on_paper else 0.0
    left, top, right, bottom = picture.pixels(picture.layout.title_safe)
    down, across = shown.text("place").split("-")
    caption_left, caption_top, _, _ = picture.pixels(picture.layout.captions)
    if down == "foot" and picture.shape != "16:9":
        bottom = caption_top - height * _CLEAR  # captions are as wide as the picture there
    elif down == "foot" and width > (room := caption_left - left - 2 * edge):
        width, height = room, height * room / width
    x = left + edge if across == "left" else right - width - edge
    y = top + edge if down == "top" else bottom - height - edge
    return x, y, x + width, y + height
