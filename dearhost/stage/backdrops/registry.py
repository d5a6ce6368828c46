"""Sets by id, and the grain that lies over them."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from functools import lru_cache
from typing import Any

import numpy as np
import skia
from numpy.random import default_rng

from dearhost.drawing.paper import Paper
from dearhost.stage.backdrops.backdrop import Backdrop, Nothing, Still
from dearhost.stage.backdrops.museum import draw_museum
from dearhost.stage.backdrops.pier import draw_pier
from dearhost.stage.backdrops.plain import draw_plain
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.sheet import Sheet

DRAWN_SETS: Mapping[str, Callable[[Paper, Picture], None]] = {
    "museum": draw_museum,
    "pier": draw_pier,
    "plain": draw_plain,
}
"""What draws each of ``production.SETS``."""


@lru_cache(maxsize=4)
def backdrop_for(set_id: str, picture: Picture) -> Backdrop:
    """The backdrop of a set, "" for none: everything is transparent. The same one for the same set and picture."""
    if not set_id:
        return Nothing(picture)
    sheet = Sheet(picture)
    draw_set(sheet.canvas, set_id, picture)
    return Still(sheet.words)


def draw_set(canvas: Any, set_id: str, picture: Picture) -> None:
    """Draw a set and its grain over the whole picture. Raises KeyError for an unknown set."""
    canvas.save()
    DRAWN_SETS[set_id](Paper(canvas, picture.unit), picture)
    canvas.restore()
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
