"""A picture of one's own on the chest or on the lanyard's card."""

from __future__ import annotations

import base64
import binascii
from functools import lru_cache
from typing import Any

import skia

from dearhost.errors import HostError
from dearhost.hosts.model_sheet import ModelSheet
from dearhost.hosts.paper import Paper
from dearhost.hosts.skeleton import Skeleton

LARGEST_FILE = 20_000_000
"""Bytes."""
_LARGEST_PICTURE = 40_000_000
"""Pixels; what is larger is not decoded at all."""
_SIDE = 128
_LONGEST = 120_000
"""Characters of a kept badge."""
_SMOOTH = skia.SamplingOptions(skia.FilterMode.kLinear, skia.MipmapMode.kLinear)


def badge_from(data: bytes) -> str:
    """A badge out of a PNG, JPEG or WebP file, at most 128 pixels a side, as base64 of a PNG.

    Raises HostError for anything else, and for a picture of more than 40 megapixels.
    """
    if len(data) > LARGEST_FILE:
        raise HostError("This picture is larger than 20 MB. Save it smaller and choose it again.")
    image = skia.Image.MakeFromEncoded(data)
    if image is None:
        raise HostError("This is no picture that can be read here. Save it as PNG, JPEG or WebP; an SVG as PNG.")
    width, height = image.width(), image.height()
    if width * height > _LARGEST_PICTURE:
        size = round(width * height / 1e6)
        raise HostError(f"This picture has {size} megapixels. Save it with at most 40 and choose it again.")
    scale = _SIDE / max(width, height)
    small = skia.Surface(max(1, round(width * scale)), max(1, round(height * scale)))
    canvas = small.getCanvas()
    canvas.clear(skia.ColorTRANSPARENT)
    canvas.drawImageRect(image, skia.Rect.MakeWH(small.width(), small.height()), _SMOOTH)
    encoded = small.makeImageSnapshot().encodeToData(skia.kPNG, 100)
    return base64.b64encode(bytes(encoded)).decode("ascii")


def is_badge(text: str) -> bool:
    """Whether a kept badge can be drawn."""
    return len(text) <= _LONGEST and _image(text) is not None


@lru_cache(maxsize=32)
def _image(text: str) -> Any:
    try:
        data = base64.b64decode(text, validate=True)
    except (binascii.Error, ValueError):
        return None
    image = skia.Image.MakeFromEncoded(data)
    return image if image is not None and max(image.width(), image.height()) <= 2 * _SIDE else None


def draw_badge(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    """The badge on the lanyard's card where there is one, else on the chest."""
    image = _image(sheet.badge) if sheet.badge else None
    if image is None:
        return
    if sheet.lanyard:
        middle, room = skeleton.torso(0.0, 0.56) + 17.5j, 23.0
    else:
        middle, room = skeleton.torso(0.37, 0.30), 30.0
    scale = room / max(image.width(), image.height())
    half = complex(image.width(), image.height()) * scale / 2
    box = skia.Rect.MakeLTRB(
        middle.real - half.real, middle.imag - half.imag, middle.real + half.real, middle.imag + half.imag
    )
    paper.canvas.drawImageRect(image, box, _SMOOTH)
