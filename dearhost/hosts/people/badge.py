"""A picture of one's own on the chest or on the lanyard's card."""

from __future__ import annotations

import base64
import binascii
from functools import lru_cache
from typing import Any

import skia

from dearhost.assets import SMOOTH, decoded, small_png
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.people.skeleton import Skeleton
from dearhost.hosts.people.torso import end_of_lanyard

_SIDE = 128
_LONGEST = 120_000
"""Characters of a kept badge."""


def badge_from(data: bytes) -> str:
    """A badge out of a PNG, JPEG or WebP file, at most 128 pixels a side, as base64 of a PNG. Raises HostError."""
    return base64.b64encode(small_png(data, _SIDE)).decode("ascii")


def is_badge(text: str) -> bool:
    """Whether a kept badge can be drawn."""
    return len(text) <= _LONGEST and _image(text) is not None


@lru_cache(maxsize=32)
def _image(text: str) -> Any:
    try:
        data = base64.b64decode(text, validate=True)
    except (binascii.Error, ValueError):
        return None
    return decoded(data, 2 * _SIDE)


def draw_badge(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    """The badge on the lanyard's card where there is one, else on the chest."""
    image = _image(sheet.badge) if sheet.badge else None
    if image is None:
        return
    if sheet.lanyard:
        middle, room = end_of_lanyard(skeleton) + 17.5j, 23.0
    else:
        middle, room = skeleton.torso(0.37, 0.30), 30.0
    scale = room / max(image.width(), image.height())
    half = complex(image.width(), image.height()) * scale / 2
    box = skia.Rect.MakeLTRB(
        middle.real - half.real, middle.imag - half.imag, middle.real + half.real, middle.imag + half.imag
    )
    paper.canvas.drawImageRect(image, box, SMOOTH)
