"""Pictures of strangers into our own: upright, in sRGB, no larger than films need. Runs in a process with limits."""

from __future__ import annotations

import io
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

import av
import numpy as np
import skia

from dearhost.assets.shelf.clips import OPENING
from dearhost.assets.shelf.heif import looks_like_heif, read_heif
from dearhost.assets.shelf.item import Light
from dearhost.assets.shelf.measuring import light_of
from dearhost.assets.shelf.rights import Rights, rights_of_picture
from dearhost.assets.shelf.svg import looks_like_svg, safe_svg
from dearhost.errors import HostError

LARGEST_SIDE = 2880
"""Pixels of the longer side that are kept: a film of 2160 lines shows about as many of a picture that fills it."""
_MOST_PIXELS = 120_000_000
_SVG_SIDE = 2000
_SMOOTH = skia.SamplingOptions(skia.FilterMode.kLinear, skia.MipmapMode.kLinear)
_QUALITY = 95
_DAMAGED = "This picture is damaged. Save it again and choose it once more."


@dataclass(slots=True)
class TakenPicture:
    """What came of a picture; ``file`` is its name in the folder."""

    file: str
    width: int
    height: int
    transparent: bool
    rights: Rights
    light: Light
    notes: list[str] = field(default_factory=list)


def take_picture(data: bytes, folder: Path) -> TakenPicture | None:
    """Read a picture and write it anew into ``folder``; None for what is no picture. Raises HostError for one that is
    too large or damaged."""
    notes: list[str] = []
    if looks_like_svg(data):
        image, rights = _drawn(safe_svg(data)), Rights()
    elif looks_like_heif(data):
        image, rights = _telephones(data)
    else:
        image, rights = _decoded(data, notes), rights_of_picture(data)
    if image is None:
        return None
    image = _within(image, LARGEST_SIDE)
    transparent = bool((image.toarray()[..., 3] < 250).any())
    name = "picture.png" if transparent else "picture.jpg"
    kept = image.encodeToData(skia.kPNG, 100) if transparent else image.encodeToData(skia.kJPEG, _QUALITY)
    (folder / name).write_bytes(bytes(kept))
    small = _sized(image, 64, 64).toarray(colorType=skia.kBGRA_8888_ColorType)
    return TakenPicture(name, image.width(), image.height(), transparent, rights, light_of(np.asarray(small)), notes)


def thumbnail_jpg(image: Any, width: int = 240, height: int = 135) -> bytes:
    """A small picture of an image, whole, on a paper ground."""
    surface = skia.Surface(width, height)
    canvas = surface.getCanvas()
    canvas.clear(0xFFF1EADB)
    scale = min(width / image.width(), height / image.height())
    wide, high = image.width() * scale, image.height() * scale
    place = skia.Rect.MakeXYWH((width - wide) / 2, (height - high) / 2, wide, high)
    canvas.drawImageRect(image, place, _SMOOTH)
    return bytes(surface.makeImageSnapshot().encodeToData(skia.kJPEG, 88))


def _decoded(data: bytes, notes: list[str]) -> Any:
    codec = codec_of(data)
    if codec is None:
        return _by_ffmpeg(data)
    info = codec.getInfo()
    if info.width() * info.height() > _MOST_PIXELS:
        raise HostError(
            f"This picture has {info.width() * info.height() / 1e6:.0f} megapixels; at most 120 can be read. "
            "Save it smaller and choose it again."
        )
    try:
        image = skia.Image.MakeFromEncoded(skia.Data.MakeWithCopy(data))
        pixels = _in_srgb(image).toarray(colorType=skia.kRGBA_8888_ColorType)
    except (RuntimeError, ValueError, AttributeError) as error:
        raise HostError(_DAMAGED) from error
    if data[:2] == b"\xff\xd8" and b"\xff\xd9" not in data[-64:]:
        notes.append("The file is cut off: a part of the picture is missing.")
    return skia.Image.fromarray(np.ascontiguousarray(pixels), colorType=skia.kRGBA_8888_ColorType)


def _telephones(data: bytes) -> tuple[Any, Rights]:
    read = read_heif(data, _MOST_PIXELS)
    if read is not None:
        return skia.Image.fromarray(read[0], colorType=skia.kRGBA_8888_ColorType), rights_of_picture(b"", read[1])
    image = _by_ffmpeg(data)  # the general brands may hold AV1
    if image is None:
        raise HostError(_DAMAGED)
    return image, Rights()


def _in_srgb(image: Any) -> Any:
    """An image whose profile says wider colours, such as a telephone's, in those of a screen."""
    own = image.colorSpace()
    return image if own is None or own.isSRGB() else image.makeColorSpace(skia.ColorSpace.MakeSRGB())


def codec_of(data: bytes) -> Any:
    """What decodes a picture for the canvas, or None for a kind it does not know."""
    try:
        codec = skia.Codec.MakeFromData(skia.Data.MakeWithCopy(data))
    except RuntimeError:
        return None
    return codec[0] if isinstance(codec, tuple) else codec


def _by_ffmpeg(data: bytes) -> Any:
    """A picture of a kind the canvas does not read: TIFF, AVIF. None where it is none, or several."""
    try:
        with av.open(io.BytesIO(data), options=OPENING) as container:
            if not container.streams.video or container.streams.audio:
                return None
            context = container.streams.video[0].codec_context
            if context.width * context.height > _MOST_PIXELS:
                raise HostError("This picture has more than 120 megapixels. Save it smaller and choose it again.")
            frames = container.decode(video=0)
            frame = next(frames)
            if next(frames, None) is not None:
                return None
            pixels = frame.to_ndarray(format="rgba")
    except (OSError, ValueError, LookupError, StopIteration, av.FFmpegError):
        return None
    return skia.Image.fromarray(np.ascontiguousarray(pixels), colorType=skia.kRGBA_8888_ColorType)


def _drawn(svg: bytes) -> Any:
    dom = skia.SVGDOM.MakeFromStream(skia.MemoryStream(svg))
    if dom is None:
        raise HostError("This drawing cannot be drawn. Save it as PNG and choose it again.")
    size = dom.containerSize()
    width, height = float(size.width()), float(size.height())
    if not (width > 0 and height > 0):
        width = height = float(_SVG_SIDE)
    scale = min(_SVG_SIDE / max(width, height), 40.0)
    surface = skia.Surface(max(1, round(width * scale)), max(1, round(height * scale)))
    canvas = surface.getCanvas()
    canvas.clear(skia.ColorTRANSPARENT)
    dom.setContainerSize(skia.Size(width, height))
    canvas.scale(scale, scale)
    dom.render(canvas)
    return surface.makeImageSnapshot()


def _within(image: Any, side: int) -> Any:
    scale = min(1.0, side / max(image.width(), image.height()))
    if scale == 1.0:
        return image
    return _sized(image, max(1, round(image.width() * scale)), max(1, round(image.height() * scale)))


def _sized(image: Any, width: int, height: int) -> Any:
    surface = skia.Surface(width, height)
    canvas = surface.getCanvas()
    canvas.clear(skia.ColorTRANSPARENT)
    canvas.drawImageRect(image, skia.Rect.MakeWH(width, height), _SMOOTH)
    return surface.makeImageSnapshot()
