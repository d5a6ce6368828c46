"""How an own picture or clip lies behind the hosts: what of it is seen, and how it is toned to the drawing."""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import numpy as np
import skia

from dearhost.assets.shelf import Light
from dearhost.production import Choices
from dearhost.production.own_places import OwnPlace, own_places
from dearhost.stage.backdrops.light import UNLIT, HostLight, multiplied
from dearhost.stage.backdrops.toning import CREAM, LUMINANCE, grain_tile, tone_of, tone_words, whole_tone
from dearhost.stage.clip_time import ROUND_AND_ROUND, ClipTime, time_behind
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.sheet import Sheet, Words

_WHOLE_BLUR, _WHOLE_DIM = 1 / 18, 0.25
"""Of the height, and of the light, of what is behind a picture that is shown whole."""
_PRINT = 0.86
"""Of the picture's height, how high a whole picture may be."""
_SMOOTH = skia.SamplingOptions(skia.FilterMode.kLinear, skia.MipmapMode.kLinear)
DRAWN_LEVEL = 0.55
"""Stops above middle grey of the light hosts are drawn in."""
FITTED = 0.6
"""How far hosts go towards the light of what is behind them."""


@dataclass(frozen=True, slots=True)
class Placing:
    """What is chosen of an own picture or clip ``item``: ``x`` and ``y`` are the part of it that is in the middle."""

    item: str
    fit: str = "fill"
    x: float = 0.5
    y: float = 0.5
    zoom: float = 1.0
    blur: float = 0.0
    dim: float = 0.0
    tone: str = "paper"
    mirrored: bool = False
    light: bool = True
    time: ClipTime = ROUND_AND_ROUND

    @classmethod
    def of(cls, choices: Choices) -> Placing:
        """What is chosen for a scene whose set is an own picture or clip, in the shape it is chosen for."""
        here = OwnPlace(choices.own_x, choices.own_y, choices.own_zoom)
        return cls(
            choices.set, choices.own_fit, *own_places(choices.own_elsewhere).get(choices.shape, here), choices.own_blur,
            choices.own_dim, choices.own_tone, choices.own_mirrored, choices.own_light, time_behind(choices),
        )  # fmt: skip

    @property
    def moved(self) -> tuple[float, float]:
        """The part of the unturned picture that is in the middle."""
        return (1 - self.x if self.mirrored else self.x), self.y


def seen_part(placing: Placing, size: tuple[int, int], picture: Picture) -> tuple[float, float, float, float]:
    """What of an own picture of ``size`` fills ``picture``: left, top, width and height in its own pixels."""
    width, height = size
    scale = max(picture.width / width, picture.height / height) * placing.zoom
    wide, high = picture.width / scale, picture.height / scale
    x, y = placing.moved
    return (width - wide) * x, (height - high) * y, wide, high


def behind_whole(placing: Placing, picture: Picture) -> tuple[float, float]:
    """Pixels of blur, and how dim it is, of what is behind a picture that is shown whole: itself."""
    blur = max(placing.blur * picture.unit, picture.height * _WHOLE_BLUR)
    return blur, 1 - (1 - placing.dim) * (1 - _WHOLE_DIM)


def whole_place(size: tuple[int, int], picture: Picture) -> tuple[float, float, float, float]:
    """Where a picture of ``size`` is shown whole: left, top, width and height."""
    scale = min(picture.width / size[0], picture.height * _PRINT / size[1])
    wide, high = size[0] * scale, size[1] * scale
    return (picture.width - wide) / 2, (picture.height - high) / 2, wide, high


def laid_image(sheet: Sheet, image: Any, placing: Placing, picture: Picture) -> None:
    """Draw an own picture over the whole sheet as it is placed, toned, without grain."""
    canvas, size = sheet.canvas, (image.width(), image.height())
    canvas.save()
    canvas.clear(skia.ColorBLACK if placing.tone == "own" else skia.Color(*CREAM))
    if placing.mirrored:
        canvas.translate(picture.width, 0)
        canvas.scale(-1, 1)
    colour = _tone_filter(placing.tone, placing.dim)
    if placing.fit == "whole":
        blur, dim = behind_whole(placing, picture)
        _draw(canvas, image, seen_part(placing, size, picture), _whole(picture), _tone_filter(placing.tone, dim), blur)
        _draw(canvas, image, (0, 0, *size), whole_place(size, picture), colour, 0.0)
    else:
        _draw(
            canvas, image, seen_part(placing, size, picture), _whole(picture), colour, placing.blur * picture.unit
        )  # fmt: skip
    canvas.restore()


def grained(words: Words, placing: Placing) -> None:
    """Lay still grain over toned pixels, so that they sit with the drawing."""
    if placing.tone == "paper":
        tone_words(words, words, whole_tone(False, 0.0), grain_tile())


def _whole(picture: Picture) -> tuple[float, float, float, float]:
    return 0, 0, picture.width, picture.height


def _draw(canvas: Any, image: Any, part: tuple[float, ...], place: tuple[float, ...], colour: Any, blur: float) -> None:
    paint = skia.Paint(ColorFilter=colour) if colour else skia.Paint()
    if blur > 0.3:
        paint.setImageFilter(skia.ImageFilters.Blur(blur, blur, skia.TileMode.kClamp))
    canvas.drawImageRect(image, skia.Rect.MakeXYWH(*part), skia.Rect.MakeXYWH(*place), _SMOOTH, paint)


@lru_cache(maxsize=16)
def _tone_filter(tone: str, dim: float) -> Any:
    rows = tone_of(tone == "paper", round(dim, 3))
    if rows is None:
        return None
    matrix: list[float] = []
    for red, green, blue, added in rows:
        matrix += [red, green, blue, 0, added / 255]
    return skia.ColorFilters.Matrix([*matrix, 0, 0, 0, 1, 0])


@lru_cache(maxsize=16)
def light_behind(light: Light, placing: Placing) -> HostLight:
    """The light of what is behind hosts on them, where they are to stand in it."""
    if not placing.light:
        return UNLIT
    shade_side = -1 if light.side(mirrored=placing.mirrored) == "right" else 1
    gain = [min(1.6, max(0.55, value)) ** FITTED for value in light.gain]
    luminance = sum(value * share for value, share in zip(gain, LUMINANCE, strict=True))
    level = min(0.0, max(-2.6, light.level - DRAWN_LEVEL)) * 0.5 + stops(placing.dim) * 0.35
    factor = 2.0**level / luminance
    red, green, blue = (min(255, round(255 * min(1.0, value * factor))) for value in gain)
    return HostLight(None if min(red, green, blue) >= 252 else multiplied(red, green, blue), shade_side)


def stops(dim: float) -> float:
    """By how many stops what is dimmed is darker."""
    return float(np.log2(max(0.05, 1 - dim)))
