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
from dearhost.production import TRANSITIONS, Choices
from dearhost.stage.backdrops import Scenery, draw_set
from dearhost.stage.caption_styles import CAPTION_STYLES
from dearhost.stage.captions import Caption, CaptionWord
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.lettering import CaptionDrawing
from dearhost.stage.painting.panels.compositions import compose
from dearhost.stage.painting.panels.pictures import field_of
from dearhost.stage.painting.sheet import Sheet
from dearhost.stage.painting.transitions import DISSOLVE, Frame
from dearhost.stage.painting.transitions import KINDS as TRANSITION_KINDS

_DRAWN_AT, _WIDTH = 360, 192
_SAMPLE = "Out with the tide and back"
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


@lru_cache(maxsize=64)
def caption_png(style: str, fonts: Path) -> bytes:
    """A caption in a style, its third word spoken, over a set. Raises KeyError for a style that is not known."""
    if style not in CAPTION_STYLES:
        raise KeyError(style)
    picture = Picture.of("16:9", _DRAWN_AT)
    sheet = Sheet(picture)
    draw_set(sheet.canvas, Scenery("pier"), picture)
    words = tuple(CaptionWord(word, number, number + 1) for number, word in enumerate(_SAMPLE.split()))
    caption = Caption(words, ((0, 3), (3, len(words))), 0, 9, "", turn=1)
    drawing = CaptionDrawing(caption, picture, Fonts.at(fonts), Choices(caption_style=style, caption_size="large"))
    drawing.draw(sheet.canvas, 2)
    width = round(picture.width * 0.40)
    height = round(width * picture.height / picture.width)
    surface = skia.Surface(width, height)
    left, top = (picture.width - width) / 2, picture.height * 0.985 - height
    surface.getCanvas().drawImage(sheet.image(), -left, -top)
    return _png(surface, _WIDTH)


TRIES = 9
"""Frames of a transition's strip."""


@lru_cache(maxsize=16)
def transition_png(kind: str) -> bytes:
    """A transition from one set to another, its frames side by side. Raises KeyError for one that is not known."""
    if kind not in TRANSITIONS:
        raise KeyError(kind)
    picture = Picture.of("16:9", _DRAWN_AT)
    leaving, arriving = (_set_image(name, picture) for name in ("pier", "museum"))
    height = round(_WIDTH * picture.height / picture.width)
    strip = skia.Surface(_WIDTH * TRIES, height)
    for number in range(TRIES):
        part = number / (TRIES - 1)
        surface = skia.Surface(picture.width, picture.height)
        canvas = surface.getCanvas()
        draw = TRANSITION_KINDS[kind].draw if kind in TRANSITION_KINDS else None
        if draw and 0 < part < 1:
            middle = complex(picture.width / 2, picture.height * 0.45)
            draw(Frame(canvas, leaving, arriving, part, picture, (middle, middle)))
        else:  # mixed, or cut in the middle
            mixed = part if kind == DISSOLVE or part in (0.0, 1.0) else float(part > 0.5)
            canvas.drawImage(leaving, 0, 0)
            canvas.drawImage(arriving, 0, 0, _SMOOTH, skia.Paint(Alphaf=mixed))
        place = skia.Rect.MakeXYWH(number * _WIDTH, 0, _WIDTH, height)
        strip.getCanvas().drawImageRect(surface.makeImageSnapshot(), place, _SMOOTH)
    return bytes(strip.makeImageSnapshot().encodeToData())


def _set_image(set_id: str, picture: Picture) -> Any:
    surface = skia.Surface(picture.width, picture.height)
    draw_set(surface.getCanvas(), Scenery(set_id), picture)
    return surface.makeImageSnapshot()


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
