"""Backdrops by what is chosen, and the grain that lies over them."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Any

import numpy as np
import skia
from numpy.random import default_rng

from dearhost.assets.shelf import CLIP, Shelf, kind_of
from dearhost.drawing.paper import Paper
from dearhost.production import AS_THE_SET, Choices
from dearhost.stage.backdrops.backdrop import Backdrop, Nothing, Still
from dearhost.stage.backdrops.dressing import SLOTS
from dearhost.stage.backdrops.footage import FootageBackdrop, lines_seen
from dearhost.stage.backdrops.light import HostLight, host_light
from dearhost.stage.backdrops.placing import Placing, grained, laid_image, light_behind
from dearhost.stage.backdrops.set_sheet import SetSheet
from dearhost.stage.backdrops.sets import DRAWN_SETS
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.sheet import Sheet
from dearhost.timebase import FrameRate

_WHERE_GONE = "museum"
"""The set that stands in for an own picture that is not here any more."""


@dataclass(frozen=True, slots=True)
class Scenery:
    """A set as it is chosen: its colours, time of day and weather, or an ``own`` picture or clip. ``set_id`` "" for
    none: all is transparent."""

    set_id: str
    palette: str = AS_THE_SET
    daylight: str = AS_THE_SET
    weather: str = "clear"
    dressing: tuple[str, ...] = ()
    """Props by the order of SLOTS, where they are not the set's own."""
    own: Placing | None = None

    @classmethod
    def of(cls, choices: Choices) -> Scenery:
        """What is chosen for a scene."""
        own = Placing.of(choices) if kind_of(choices.set) else None
        dressing = tuple(getattr(choices, slot) for slot in SLOTS)
        return cls(choices.set, choices.palette, choices.daylight, choices.weather, dressing, own)

    @property
    def light(self) -> str:
        """The time of day, its own where none is chosen; "noon" without a set."""
        if self.daylight != AS_THE_SET:
            return self.daylight
        return DRAWN_SETS[self.set_id].daylight if self.set_id in DRAWN_SETS else "noon"

    def on_hosts(self, shelf: Shelf) -> HostLight:
        """The light on hosts and on what stands with them."""
        item = shelf.item(self.own.item) if self.own else None
        if not self.own or not item:
            return host_light(self.light)
        behind = light_behind(item.light, self.own)
        return behind if self.daylight == AS_THE_SET else replace(host_light(self.light), shade_side=behind.shade_side)


def backdrop_for(scenery: Scenery, picture: Picture, rate: FrameRate, shelf: Shelf) -> Backdrop:
    """The backdrop of what is chosen: the same one for the same scenery and picture where it stands still."""
    if not scenery.own:
        return _drawn(scenery, picture, shelf)
    if kind_of(scenery.own.item) == CLIP:
        item = shelf.item(scenery.own.item)
        footage = shelf.footage(scenery.own.item, lines_seen(scenery.own, picture))
        if item and footage:
            return FootageBackdrop(footage, item.loop, scenery.own, picture, rate)
    return _own(scenery.own, picture, shelf) or _drawn(Scenery(_WHERE_GONE), picture, shelf)


@lru_cache(maxsize=4)
def _drawn(scenery: Scenery, picture: Picture, shelf: Shelf) -> Backdrop:
    if not scenery.set_id:
        return Nothing(picture)
    sheet = Sheet(picture)
    draw_set(sheet.canvas, scenery, picture, shelf.image)
    return Still(sheet.words)


def _own(placing: Placing, picture: Picture, shelf: Shelf) -> Backdrop | None:
    """An own picture, or None where it is not here (any more)."""
    key = placing, picture, id(shelf)
    if key in _own_kept:
        return _own_kept[key]
    image = shelf.image(placing.item)
    if image is None:
        return None
    sheet = Sheet(picture)
    laid_image(sheet, image, placing, picture)
    grained(sheet.words, placing)
    if len(_own_kept) >= _KEPT:
        _own_kept.pop(next(iter(_own_kept)), None)
    _own_kept[key] = Still(sheet.words)
    return _own_kept[key]


_own_kept: dict[tuple[Placing, Picture, int], Backdrop] = {}
_KEPT = 4


def draw_set(
    canvas: Any, scenery: Scenery, picture: Picture, pictures: Callable[[str], Any] = lambda item: None
) -> None:
    """Draw a set and its grain over the whole picture; frames may hold ``pictures`` of the shelf. Raises KeyError for
    an unknown one."""
    drawn = DRAWN_SETS[scenery.set_id]
    palette = drawn.palette if scenery.palette == AS_THE_SET else scenery.palette
    canvas.save()
    dressing = dict(zip(SLOTS, scenery.dressing, strict=False))
    drawn.draw(
        SetSheet(
            Paper(canvas, picture.unit), picture, palette, scenery.light, scenery.weather, dressing=dressing,
            pictures=pictures,
        )
    )  # fmt: skip
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
