"""Sets by id, and the grain that lies over them."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import numpy as np
import skia
from numpy.random import default_rng

from dearhost.errors import StageError
from dearhost.hosts.paper import Paper
from dearhost.stage.sets.museum import draw_museum
from dearhost.stage.sets.pier import draw_pier
from dearhost.stage.sets.plain import draw_plain
from dearhost.stage.shapes import Picture

VERSION = "sets-3"


@dataclass(frozen=True, slots=True)
class SetDescription:
    """A set a production can be staged in."""

    id: str
    name: str
    draw: Callable[[Paper, Picture], None]


SETS: Mapping[str, SetDescription] = {
    s.id: s
    for s in (
        SetDescription("museum", "The tide room", draw_museum),
        SetDescription("pier", "The pier", draw_pier),
        SetDescription("plain", "Plain paper", draw_plain),
    )
}


def set_by_id(set_id: str) -> SetDescription:
    """The set with this id. Raises StageError, naming those there are."""
    if set_id not in SETS:
        raise StageError(f"There is no set '{set_id}'. Choose one of: {', '.join(SETS)}.")
    return SETS[set_id]


def draw_set(canvas: Any, set_id: str, picture: Picture) -> None:
    """Draw a set and its grain over the whole picture."""
    canvas.save()
    set_by_id(set_id).draw(Paper(canvas, picture.unit), picture)
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
