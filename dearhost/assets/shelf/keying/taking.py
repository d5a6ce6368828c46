"""A thing of the shelf without its ground, as a thing of its own. Runs in a process with limits."""

from __future__ import annotations

import hashlib
import json
import shutil
from collections.abc import Callable, Sequence
from dataclasses import asdict, replace
from pathlib import Path
from typing import Any

import av
import numpy as np
import skia
from av.video.reformatter import ColorRange, Colorspace, Interpolation
from numpy.typing import NDArray

from dearhost.assets.shelf.clips import small_size
from dearhost.assets.shelf.footage import Footage, even
from dearhost.assets.shelf.item import CLIP, PICTURE, ShelfItem, item_id
from dearhost.assets.shelf.keying.ground import Ground, ground_of
from dearhost.assets.shelf.keying.key import PERSON, Keyed, KeySettings, keyed, near_ground
from dearhost.assets.shelf.keying.person import PersonKeyer
from dearhost.assets.shelf.mattes import matte_films
from dearhost.assets.shelf.own_film import WRITTEN_RATE, OwnFilm
from dearhost.assets.shelf.stills import thumbnail_jpg
from dearhost.errors import HostError
from dearhost.memory import LazyModule
from dearhost.storage import explained

_COLOUR = 18
"""Quality of the figure's colour (x264's crf)."""
_LOOKS = 5
"""Frames of a clip of which the one with most ground tells its colour."""
_CLOSE = 0.06
"""Part of the figure from which it is said that something on it is near the ground's colour."""
_CREAM = (255, 251, 239)
_PAPER = 231
"""Luma of what is left of a ground: nearly white, where a figure is shown without its matte."""
_COARSE = 4
ndimage, loops = LazyModule("scipy.ndimage"), LazyModule("dearhost.assets.shelf.keying.loops")
Tell = Callable[[float], None]
Keyer = Callable[[Any], Keyed]


def keyed_id(item: ShelfItem, settings: KeySettings) -> str:
    """The id of what comes of a thing with these settings."""
    told = json.dumps([item.id, asdict(settings)], sort_keys=True)
    return item_id(PICTURE if item.kind == PICTURE else CLIP, hashlib.sha256(told.encode()).hexdigest())


def key_thing(item: ShelfItem, source: Path, folder: Path, settings: KeySettings, tell: Tell) -> ShelfItem:
    """Write ``item``, whose files lie in ``source``, into ``folder`` without its ground.

    Raises HostError, and StorageFull when the disk has no room for it.
    """
    made = _key_picture if item.kind == PICTURE else _key_clip
    try:
        notes = made(source, folder, settings, tell)
    except OSError as error:
        raise explained(error, folder) from error
    size = sum(path.stat().st_size for path in folder.iterdir())
    name = f"{Path(item.name).stem}-cut-out{Path(item.name).suffix}"
    return replace(
        item, id=keyed_id(item, settings), name=name, transparent=True, notes=(*item.notes, *notes), bytes=size
    )  # fmt: skip


def key_still(item: ShelfItem, source: Path, settings: KeySettings, moment: float, side: int) -> NDArray[np.uint8]:
    """A picture of what comes of it, at most ``side`` pixels wide or high: BGRA, premultiplied. Raises HostError."""
    frame = _still_frame(item, source, moment)
    scale = min(1.0, side / max(frame.width, frame.height))
    size = {"width": even(frame.width * scale), "height": even(frame.height * scale)}
    small = frame.reformat(**size, interpolation=Interpolation.AREA)
    return premultiplied(_keyer([small], settings)(small))


def _still_frame(item: ShelfItem, source: Path, moment: float) -> Any:
    if item.kind == PICTURE:
        return _frame_of(_picture(source))
    footage = Footage(source / "small.mp4", source / "times.npy")
    try:
        return footage.frame(footage.number_at(moment))
    finally:
        footage.close()


def _keyer(looks: Sequence[Any], settings: KeySettings) -> Keyer:
    """What takes the ground away; ``looks``: frames that tell its colour."""
    if settings.ground == PERSON:
        return PersonKeyer(settings)
    ground = _found(looks, settings)
    return lambda frame: keyed(frame, ground, settings)


def _found(looks: Sequence[Any], settings: KeySettings) -> Ground:
    """The ground of the frame that shows most of it."""
    found = [ground for frame in looks if (ground := ground_of(frame, settings.colour))]
    ground = max(found, key=lambda one: one.cover, default=None)
    if ground is None:
        raise HostError(
            "No ground of one colour is seen about the edges. Choose its colour in the picture, or take one before "
            "green or blue."
        )
    return ground


def _picture(folder: Path) -> Any:
    path = next(path for path in (folder / "picture.png", folder / "picture.jpg") if path.exists())
    image = skia.Image.MakeFromEncoded(skia.Data.MakeWithCopy(path.read_bytes()))
    if image is None:
        raise HostError("This picture cannot be read any more. Bring its file in again.")
    return image


def _frame_of(image: Any) -> Any:
    """A picture as a frame, chroma at full size, its sides even."""
    width, height = image.width() // 2 * 2, image.height() // 2 * 2
    pixels = image.toarray(colorType=skia.kBGRA_8888_ColorType)[:height, :width]
    frame = av.VideoFrame.from_ndarray(np.ascontiguousarray(pixels), format="bgra")
    return frame.reformat(format="yuv444p", dst_colorspace=Colorspace.ITU709, dst_color_range=ColorRange.MPEG)


def premultiplied(found: Keyed) -> NDArray[np.uint8]:
    """A figure as BGRA pixels (ITU-R BT.709, limited range, to full)."""
    luma = found.luma * np.float32(255 / 219)
    blue, red = found.blue * np.float32(255 / 224), found.red * np.float32(255 / 224)
    colours = np.stack([luma + 1.8556 * blue, luma - 0.1873 * blue - 0.4681 * red, luma + 1.5748 * red], -1)
    pixels = np.empty((*found.alpha.shape, 4), np.uint8)
    pixels[..., :3] = np.rint(np.clip(colours, 0, 255) * found.alpha[..., None])
    pixels[..., 3] = np.rint(found.alpha * 255)
    return pixels


def _key_picture(source: Path, folder: Path, settings: KeySettings, tell: Tell) -> list[str]:
    frame = _frame_of(_picture(source))
    found = _keyer([frame], settings)(frame)
    image = skia.Image.fromarray(
        premultiplied(found), colorType=skia.kBGRA_8888_ColorType, alphaType=skia.kPremul_AlphaType
    )
    (folder / "picture.png").write_bytes(bytes(image.encodeToData()))
    (folder / "thumbnail.jpg").write_bytes(_thumbnail(image))
    tell(1.0)
    return _notes([near_ground(found)], settings)


def _thumbnail(image: Any) -> bytes:
    surface = skia.Surface(image.width(), image.height())
    surface.getCanvas().clear(skia.Color(*_CREAM))
    surface.getCanvas().drawImage(image, 0, 0)
    return thumbnail_jpg(surface.makeImageSnapshot())


def _notes(close: list[float], settings: KeySettings) -> list[str]:
    if max(close, default=0.0) < _CLOSE:
        return []
    if settings.ground == PERSON:
        return ["Parts of the figure are in doubt: look at it in motion, or take somebody before green or blue."]
    return ["Something on the figure is near the ground's colour: where it looks thin, take less strength."]


def _key_clip(source: Path, folder: Path, settings: KeySettings, tell: Tell) -> list[str]:
    for name in ("times.npy", "sound.flac"):
        if (source / name).exists():
            shutil.copyfile(source / name, folder / name)
    keyer = _keyer(_looks(Footage(source / "small.mp4", source / "times.npy")), settings)
    footage = Footage(source / "full.mp4", source / "times.npy")
    films = None
    close: list[float] = []
    for number in range(len(footage.times)):
        frame = footage.frame(number)
        found = keyer(frame)
        if films is None:
            films = _Films(folder, frame.width, frame.height, len(footage.times))
            image = skia.Image.fromarray(premultiplied(found), colorType=skia.kBGRA_8888_ColorType)
            (folder / "thumbnail.jpg").write_bytes(_thumbnail(image))
        films.add(found)
        if number % WRITTEN_RATE == 0:
            close.append(near_ground(found))
            tell(min(0.99, number / len(footage.times)))
    assert films is not None, "a clip has a frame"
    films.close()
    return _notes(close, settings)


def _looks(footage: Footage) -> list[Any]:
    """Frames from all over a clip."""
    count = len(footage.times)
    return [footage.frame(count * look // _LOOKS) for look in range(_LOOKS)]


def _far_from(alpha: NDArray[np.float32]) -> NDArray[np.bool_]:
    """Where nothing of a figure is near: what was behind it there is not kept."""
    height, width = alpha.shape
    near = ndimage.maximum_filter((alpha[::_COARSE, ::_COARSE] > 0).astype(np.uint8), 7)
    far: NDArray[np.bool_] = near.repeat(_COARSE, 0).repeat(_COARSE, 1)[:height, :width] == 0
    return far


class _Films:
    """The figure's colour and its matte, at full size and small."""

    def __init__(self, folder: Path, width: int, height: int, count: int) -> None:
        size = width, height
        matte, small_matte = matte_films(folder, size, count)
        full = OwnFilm(folder / "full.mp4", *size, _COLOUR, count)
        small = OwnFilm(folder / "small.mp4", *small_size(size), _COLOUR, count)
        self._films = full, matte, small, small_matte
        self._size = width, height

    def add(self, found: Keyed) -> None:
        width, height = self._size
        planes = np.empty((height * 3 // 2, width), np.uint8)
        far = _far_from(found.alpha)
        planes[:height] = np.where(far, np.uint8(_PAPER), np.rint(found.luma) + 16)
        halves = planes[height:].reshape(2, height // 2, width // 2)
        for chroma, half in zip((found.blue, found.red), halves, strict=True):
            loops.halved(np.where(far, np.float32(0), chroma), found.alpha, half)
        matte = np.full_like(planes, 128)
        matte[:height] = np.rint(found.alpha * 219) + 16
        for film, own in zip(self._films, (planes, matte, planes, matte), strict=True):
            film.add(av.VideoFrame.from_ndarray(own, format="yuv420p"))

    def close(self) -> None:
        for film in self._films:
            film.close()
