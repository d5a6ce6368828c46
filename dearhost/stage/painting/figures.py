"""Figures without their ground, on the stage: people and drawings of one's own, standing at its foot."""

from __future__ import annotations

from typing import Any

import numpy as np
import skia

from dearhost.assets.shelf import CLIP, Footage, Shelf, kind_of
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.entrances import Box, Coming, arrived, coming
from dearhost.stage.painting.panels.panel import reach
from dearhost.stage.timeline import Shown

_STANDS = {"left": 0.24, "middle": 0.5, "right": 0.76}
"""Where its middle is, of the picture's width."""
_NARROW = 1.05
"""Of the picture's width, how high a figure of size 1 is in a picture higher than that."""
_SMOOTH = skia.SamplingOptions(skia.FilterMode.kLinear, skia.MipmapMode.kLinear)


def _even(side: float) -> int:
    return max(2, round(side / 2) * 2)


class FigureDrawing:
    """Draws one figure of the shelf, or several one after another."""

    def __init__(self, shown: Shown, picture: Picture, shelf: Shelf) -> None:
        self._shown, self._picture, self._shelf = shown, picture, shelf
        self._items = [item for item in shown.text("items").split() if shelf.item(item)]
        high = min(picture.height, _NARROW * picture.width)
        self._height = float(shown.parameters.get("size", 0.8)) * high
        self._films: dict[str, tuple[Footage | None, Footage | None]] = {}
        boxes = [self._place(item) for item in self._items] or [(0.0, 0.0, 0.0, 0.0)]
        whole = (
            min(b[0] for b in boxes), min(b[1] for b in boxes), max(b[2] for b in boxes), max(b[3] for b in boxes)
        )  # fmt: skip
        self.box: Box = reach(shown.text("comes"), whole, picture)

    def _place(self, item: str) -> Box:
        """Where a figure stands: at the foot of the picture, as high as it is to be."""
        known = self._shelf.item(item)
        assert known is not None
        width = self._height * known.width / max(1, known.height)
        middle = _STANDS.get(self._shown.text("stands"), 0.5) * self._picture.width
        bottom = float(self._picture.height)
        return middle - width / 2, bottom - self._height, middle + width / 2, bottom

    def _now(self, moment: float) -> tuple[str, float]:
        """Who is there at a moment of the scene, and for how long."""
        if not self._items:
            return "", 0.0
        span = self._shown.span
        share = max(1e-6, (span.end - span.start) / len(self._items))
        index = min(len(self._items) - 1, max(0, int((moment - span.start) / share)))
        return self._items[index], moment - span.start - index * share

    def _film(self, item: str) -> tuple[Footage | None, Footage | None]:
        """The colours of a clip and its matte; None for what it has not."""
        if kind_of(item) != CLIP:
            return None, None
        if item not in self._films:
            self._films[item] = self._shelf.footage(item, self._height), self._shelf.matte(item, self._height)
        return self._films[item]

    def key(self, moment: float) -> Any:
        """Equal keys give equal pixels."""
        item, since = self._now(moment)
        footage, _ = self._film(item)
        number = footage.number_at(since) if footage else 0
        return arrived(self._shown.text("comes"), self._shown.span, moment), item, number

    def draw(self, canvas: Any, moment: float) -> None:
        """Draw at ``moment`` of the scene."""
        done = arrived(self._shown.text("comes"), self._shown.span, moment)
        item, since = self._now(moment)
        image = self._image(item, since) if item else None
        if done <= 0 or image is None:
            return
        place = self._place(item)
        size = self._picture.width, self._picture.height
        with coming(self._shown.text("comes"), Coming(canvas, place, size, self._picture.unit, done)):
            canvas.drawImageRect(image, skia.Rect.MakeLTRB(*place), _SMOOTH)

    def _image(self, item: str, since: float) -> Any:
        footage, matte = self._film(item)
        if footage is None:
            return self._shelf.image(item)
        number = footage.number_at(since)
        frame = footage.frame(number)
        scale = min(1.0, self._height / frame.height)
        size = {"width": _even(frame.width * scale), "height": _even(frame.height * scale)}
        pixels = np.ascontiguousarray(frame.to_ndarray(format="bgra", **size))
        if matte is not None:
            luma = matte.frame(number).to_ndarray(format="yuv420p", **size)[: size["height"]]
            alpha = np.clip((luma.astype(np.int32) - 16) * 255 // 219, 0, 255).astype(np.uint16)
            pixels[..., :3] = (pixels[..., :3] * alpha[..., None] + 127) // 255
            pixels[..., 3] = alpha
        return skia.Image.fromarray(pixels, colorType=skia.kBGRA_8888_ColorType, alphaType=skia.kPremul_AlphaType)
