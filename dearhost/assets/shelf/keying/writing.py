"""A figure without its ground as a file for other programs."""

from __future__ import annotations

from fractions import Fraction
from pathlib import Path
from typing import Any

import av
import numpy as np

from dearhost.assets.shelf.footage import alpha_of
from dearhost.assets.shelf.item import PICTURE, ShelfItem
from dearhost.assets.shelf.shelf import Shelf
from dearhost.errors import HostError
from dearhost.storage import write_whole

_TICKS = 90_000
"""A second, in the time base of moving pictures (ISO/IEC 13818-1)."""


def write_clear(shelf: Shelf, item: ShelfItem, path: Path) -> None:
    """Write a picture as PNG, or a clip as ProRes 4444 with its alpha. Raises HostError for another ending."""
    wanted = ".png" if item.kind == PICTURE else ".mov"
    if path.suffix.lower() != wanted:
        raise HostError(f"A {item.kind} with clear parts is written as {wanted}, not as '{path.suffix}'.")
    if item.kind == PICTURE:
        write_whole(path, lambda part: _copy_picture(shelf, item, part))
        return
    write_whole(path, lambda part: _write_film(shelf, item, part))


def _copy_picture(shelf: Shelf, item: ShelfItem, part: Path) -> None:
    picture = shelf.file(item.id, "picture")
    if picture is None:
        raise HostError("This picture is not on the shelf any more. Bring its file in again.")
    part.write_bytes(picture.read_bytes())


def _write_film(shelf: Shelf, item: ShelfItem, part: Path) -> None:
    footage, matte = shelf.footage(item.id, item.height), shelf.matte(item.id, item.height)
    if footage is None or matte is None:
        raise HostError("This clip has no clear parts.")
    with av.open(str(part), "w", format="mov") as container:
        stream: Any = container.add_stream("prores_ks", rate=max(1, round(item.rate)))
        stream.width, stream.height, stream.pix_fmt = item.width, item.height, "yuva444p10le"
        stream.options = {"profile": "4444", "vendor": "apl0", "alpha_bits": "16"}
        stream.codec_context.time_base = Fraction(1, _TICKS)
        for number, begins in enumerate(footage.times):
            rgba = footage.frame(number).to_ndarray(format="rgba")
            rgba[..., 3] = alpha_of(matte.frame(number), item.width, item.height)
            frame: Any = av.VideoFrame.from_ndarray(np.ascontiguousarray(rgba), format="rgba")
            frame.pts, frame.time_base = round(float(begins) * _TICKS), Fraction(1, _TICKS)
            container.mux(stream.encode(frame))
        container.mux(stream.encode())
