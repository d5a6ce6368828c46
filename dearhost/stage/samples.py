"""Small pictures of what can be chosen: sets, things, and things composed."""

from __future__ import annotations

from functools import lru_cache
from pathlib import Path
from typing import Any

import skia

from dearhost.drawing.colours import mix
from dearhost.drawing.cut_shapes import cut_disc
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.paper import Paper
from dearhost.hosts import THINGS, draw_thing
from dearhost.stage.backdrops import Scenery, draw_set
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.panels.compositions import compose
from dearhost.stage.painting.panels.pictures import field_of

_DRAWN_AT, _WIDTH = 360, 192
_SMOOTH = skia.SamplingOptions(skia.FilterMode.kLinear, skia.MipmapMode.kLinear)


def _png(surface: Any, width: int) -> bytes:
    """The surface as a PNG ``width`` pixels wide."""
    height = round(width * surface.height() / surface.width())
    small = skia.Surface(width, height)
    small.getCanvas().drawImageRect(surface.makeImageSnapshot(), skia.Rect.MakeWH(width, height), _SMOOTH)
    return bytes(small.makeImageSnapshot().encodeToData())


@lru_cache(maxsize=256)
def set_png(scenery: Scenery) -> bytes:
    """A set, 16:9. Raises KeyError for one that is not known."""
    picture = Picture.of("16:9", _DRAWN_AT)
    surface = skia.Surface(picture.width, picture.height)
    draw_set(surface.getCanvas(), scenery, picture)
    return _png(surface, _WIDTH)


@lru_cache(maxsize=1024)
def thing_png(name: str) -> bytes:
    """A thing on nothing, 96 pixels. Raises KeyError for one that is not known."""
    surface = skia.Surface(192, 192)
    surface.getCanvas().clear(0)
    if name not in THINGS:
        raise KeyError(name)
    draw_thing(Paper(surface.getCanvas(), 1.0), name, 96, 96, 160)
    return _png(surface, 96)


@lru_cache(maxsize=256)
def picture_png(things: tuple[str, ...], template: str, count: int, fonts: Path) -> bytes:
    """Things composed by a template, on the field they would have."""
    surface = skia.Surface(640, 360)
    canvas, field = surface.getCanvas(), field_of(things)
    canvas.clear(int(field.lstrip("#"), 16) | 0xFF000000)
    paper = Paper(canvas, 0.6)
    paper.flat(cut_disc(320, 178, 166, 0.03, 11), mix(field, "#FFFDF2", 0.55))
    compose(paper, (0, 0, 640, 360), things, template, count, Fonts.at(fonts))
    return _png(surface, _WIDTH)
