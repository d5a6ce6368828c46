"""Backdrops by what is chosen, and the grain that lies over them."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import numpy as np
import skia
from numpy.random import default_rng

from dearhost.drawing.paper import Paper
from dearhost.production import AS_THE_SET, Choices
from dearhost.stage.backdrops.backdrop import Backdrop, Nothing, Still
from dearhost.stage.backdrops.set_sheet import SetSheet
from dearhost.stage.backdrops.sets import DRAWN_SETS
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.sheet import Sheet


@dataclass(frozen=True, slots=True)
class Scenery:
    """A set as it is chosen: its colours, time of day and weather. ``set_id`` "" for none: all is transparent."""

    set_id: str
    palette: str = AS_THE_SET
    daylight: str = AS_THE_SET
    weather: str = "clear"

    @classmethod
    def of(cls, choices: Choices) -> Scenery:
        """What is chosen for a scene."""
        return cls(choices.set, choices.palette, choices.daylight, choices.weather)

    @property
    def light(self) -> str:
        """The time of day, its own where none is chosen; "noon" without a set."""
        if self.daylight != AS_THE_SET:
            return self.daylight
        return DRAWN_SETS[self.set_id].daylight if self.set_id else "noon"


@lru_cache(maxsize=4)
def backdrop_for(scenery: Scenery, picture: Picture) -> Backdrop:
    """The backdrop of what is chosen. The same one for the same scenery and picture."""
    if not scenery.set_id:
        return Nothing(picture)
    sheet = Sheet(picture)
    draw_set(sheet.canvas, scenery, picture)
    return Still(sheet.words)


def draw_set(canvas: Any, scenery: Scenery, picture: Picture) -> None:
    """Draw a set and its grain over the whole picture. Raises KeyError for an unknown one."""
    drawn = DRAWN_SETS[scenery.set_id]
    palette = drawn.palette if scenery.palette == AS_THE_SET else scenery.palette
    canvas.save()
    drawn.drawing.draw(SetSheet(Paper(canvas, picture.unit), picture, palette, scenery.light, scenery.weather))
    canvas.restore()
    if drawn.grain:
        sampling = skia.SamplingOptions()
        shader = _grain().makeShader(skia.TileMode.kRepeat, skia.TileMode.kRepeat, sampling)
        canvas.drawPaint(skia.Paint(Shader=shader))


@lru_cache(maxsize=1)
def _grain() -> Any:
    """A 256 x 256 tile of faint paper grain, baked into sets and never drawn again."""
    dice = default_rng(3)
    value = dice.standard_normal((256, 256), np.float32)
    value += 0.7 * dice.standard_normal((64, 64), np.float32).repeat(4, 0).repeat(4, 1)
    alpha = np.minimum(np.abs(value) * 6.5, 40).astype(np.uint8)
    tile = np.empty((256, 256, 4), np.uint8)
    tile[...] = np.where(value > 0, alpha, alpha // 13)[..., None]  # premultiplied: white, or 20 of 255
    tile[..., 3] = alpha
    return skia.Image.fromarray(tile, colorType=skia.kRGBA_8888_ColorType)
