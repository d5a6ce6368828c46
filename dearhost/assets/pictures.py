"""Pictures of one's own: read from files, made small, kept in a folder under a fingerprint of their bytes."""

from __future__ import annotations

import base64
import binascii
import hashlib
import re
from collections import OrderedDict
from dataclasses import dataclass
from pathlib import Path
from typing import Any

import skia

from dearhost.errors import HostError
from dearhost.storage import write_bytes

LARGEST_FILE = 20_000_000
"""Bytes."""
_LARGEST_PICTURE = 40_000_000
"""Pixels; what is larger is not decoded at all."""
_PROP_SIDE = 480
_LARGEST_PROP = 1_500_000
"""Bytes of a kept picture."""
_OPENED = 16
"""Pictures kept decoded."""
_ID = re.compile(r"p[0-9a-f]{15}")
SMOOTH = skia.SamplingOptions(skia.FilterMode.kLinear, skia.MipmapMode.kLinear)


def small_png(data: bytes, side: int) -> bytes:
    """A PNG, JPEG or WebP file as a PNG of at most ``side`` pixels a side.

    Raises HostError for anything else, and for a picture of more than 40 megapixels.
    """
    if len(data) > LARGEST_FILE:
        raise HostError("This picture is larger than 20 MB. Save it smaller and choose it again.")
    image = skia.Image.MakeFromEncoded(data)
    if image is None:
        raise HostError("This image is of an unsupported kind. Save it as PNG, JPEG or WebP; an SVG as PNG.")
    width, height = image.width(), image.height()
    if width * height > _LARGEST_PICTURE:
        size = round(width * height / 1e6)
        raise HostError(f"This picture has {size} megapixels. Save it with at most 40 and choose it again.")
    scale = side / max(width, height)
    small = skia.Surface(max(1, round(width * scale)), max(1, round(height * scale)))
    canvas = small.getCanvas()
    canvas.clear(skia.ColorTRANSPARENT)
    canvas.drawImageRect(image, skia.Rect.MakeWH(small.width(), small.height()), SMOOTH)
    return bytes(small.makeImageSnapshot().encodeToData(skia.kPNG, 100))


@dataclass(frozen=True, slots=True)
class OwnPicture:
    """A Skia ``image``; ``cut_out``: its four corners are transparent, so it stands by itself, without a mount."""

    image: Any
    cut_out: bool


def _is_cut_out(image: Any) -> bool:
    pixels = image.toarray()
    return not any(pixels[y, x, 3] > 20 for y in (0, -1) for x in (0, -1))


class PictureFolder:
    """Pictures as files, each named by a fingerprint of its bytes."""

    def __init__(self, folder: Path | None) -> None:
        self.folder = folder
        self._opened: OrderedDict[str, OwnPicture] = OrderedDict()

    def open(self, picture: str) -> OwnPicture | None:
        """A kept picture, ready to be drawn; None where there is none."""
        if picture not in self._opened:
            png = self.bytes_of(picture)
            image = decoded(png, _PROP_SIDE) if png else None
            if image is None:
                return None  # asked again the next time: it may be brought in meanwhile
            self._opened[picture] = OwnPicture(image, _is_cut_out(image))
            while len(self._opened) > _OPENED:
                self._opened.popitem(last=False)
        return self._opened[picture]

    def keep(self, data: bytes) -> str:
        """Keep a picture out of a file; its id. Raises HostError, StorageFull."""
        png = small_png(data, _PROP_SIDE)
        self._write(png)
        return _fingerprint(png)

    def bytes_of(self, picture: str) -> bytes | None:
        """A kept picture as PNG, or None."""
        if self.folder is None or not _ID.fullmatch(picture):
            return None
        try:
            return (self.folder / f"{picture}.png").read_bytes()
        except OSError:
            return None

    def adopt(self, picture: str, text: object) -> bool:
        """Take in a picture from elsewhere, base64 of a PNG, if it is what its id says; whether it is."""
        if not isinstance(text, str) or len(text) > 2 * _LARGEST_PROP:
            return False
        try:
            png = base64.b64decode(text, validate=True)
        except (binascii.Error, ValueError):
            return False
        if _fingerprint(png) != picture or decoded(png, _PROP_SIDE) is None:
            return False
        if self.bytes_of(picture) is None:
            self._write(png)
        return True

    def _write(self, png: bytes) -> None:
        if self.folder is None:
            raise HostError("There is no folder to keep pictures in.")
        write_bytes(self.folder / f"{_fingerprint(png)}.png", png)


def _fingerprint(png: bytes) -> str:
    return "p" + hashlib.sha256(png).hexdigest()[:15]


def decoded(data: bytes, largest: int) -> Any:
    """A picture with at most ``largest`` pixels a side, or None."""
    image = skia.Image.MakeFromEncoded(data)
    if image is None or max(image.width(), image.height()) > largest:
        return None
    return image.makeRasterImage()  # decoded now: an encoded image only borrows ``data``
