"""Sets by id, and the grain that lies over them."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import numpy as np
import skia

from dearhost.errors import StageError
from dearhost.hosts.paper import Paper
from dearhost.stage.sets.museum import draw_museum
from dearhost.stage.sets.pier import draw_pier
from dearhost.stage.sets.plain import draw_plain
from dearhost.stage.shapes import Picture

VERSION = "sets-2"


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
    """A 512 x 512 tile of faint paper grain, baked into sets and never drawn again."""
    dice = np.random.default_rng(3)
    fine = dice.normal(0, 1, (512, 512))
    coarse = np.kron(dice.normal(0, 1, (128, 128)), np.ones((4, 4)))
    value = (fine + 0.7 * coarse) * 36
    alpha = np.clip(np.abs(value) * 0.030 * 6, 0, 40).astype(np.uint8)
    tile = np.zeros((512, 512, 4), np.uint8)
    tile[..., 3] = alpha
    tone = np.where(value > 0, 255, 20)[..., None]
    tile[..., :3] = (tone * (alpha[..., None] / 255.0)).astype(np.uint8)
    return skia.Image.fromarray(np.ascontiguousarray(tile), colorType=skia.kRGBA_8888_ColorType)
