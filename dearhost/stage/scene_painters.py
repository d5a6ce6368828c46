"""Painters of single scenes: layers over a set, and a camera that moves over them.

Every layer is kept as pixels until it changes. Only where something changed from the frame before is the
picture put together again, and ``paint`` says where that was.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from functools import lru_cache
from typing import Any

import numpy as np
import skia
from numpy.typing import NDArray

from dearhost.stage.area import Area, grouped, size
from dearhost.stage.camera import larger, window
from dearhost.stage.fonts import Fonts
from dearhost.stage.layer import Layer, evened
from dearhost.stage.layers import LetteringLayers, SceneLayers
from dearhost.stage.sets import draw_set
from dearhost.stage.shapes import Picture
from dearhost.stage.stamps import Laid, Stamps, Words
from dearhost.stage.timeline import SceneTimeline
from dearhost.timebase import FrameRate

Pixels = NDArray[np.uint8]


class Sheet:
    """A canvas on a numpy array: ``pixels`` has shape (height, width, 4), BGRA, opaque or, when it is ``transparent``,
    premultiplied; ``words`` is the same memory with a pixel a word."""

    def __init__(self, picture: Picture, *, transparent: bool = False) -> None:
        self.pixels: Pixels = np.zeros((picture.height, picture.width, 4), np.uint8)
        self.words = self.pixels.view(np.uint32)[..., 0]
        alpha = skia.kPremul_AlphaType if transparent else skia.kOpaque_AlphaType
        info = skia.ImageInfo.Make(picture.width, picture.height, skia.kBGRA_8888_ColorType, alpha)
        self._surface = skia.Surface.MakeRasterDirect(info, self.pixels)
        self._pixmap = skia.Pixmap(info, self.pixels, self.pixels.strides[0])
        self.canvas: Any = self._surface.getCanvas()

    def image(self) -> Any:
        """What is on it, as an image; good until it is drawn on again."""
        return skia.Image.MakeFromRaster(self._pixmap)  # a snapshot would copy

    def straight(self) -> Pixels:
        """A copy of the pixels with straight alpha."""
        copy = np.empty_like(self.pixels)
        height, width, _ = copy.shape
        info = skia.ImageInfo.Make(width, height, skia.kBGRA_8888_ColorType, skia.kUnpremul_AlphaType)
        self._pixmap.readPixels(skia.Pixmap(info, copy, copy.strides[0]))
        return copy


@lru_cache(maxsize=4)
def _set_sheet(set_id: str, picture: Picture) -> Sheet:
    """The set, "" for none: everything is transparent."""
    sheet = Sheet(picture, transparent=not set_id)
    if set_id:
        draw_set(sheet.canvas, set_id, picture)
    return sheet


_REPLACING = skia.Paint(BlendMode=skia.BlendMode.kSrc)


class ScenePainter:
    """Paints the frames of one scene: ``layers_at`` a frame over its set."""

    def __init__(self, layers_at: Callable[[int], list[Layer]], set_id: str, picture: Picture) -> None:
        self._layers_at = layers_at
        self.ground: Words | None = _set_sheet(set_id, picture).words
        self._stamps = Stamps()
        self._whole = whole_area(picture)
        self._before: Mapping[str, Laid] | None = None
        self._frame = -1
        self._sheet: Sheet | None = None

    def forget(self) -> None:
        """Draw everything at the next frame: somebody else drew on the sheet."""
        self._before, self._frame, self._sheet = None, -1, None

    @property
    def lying(self) -> list[Laid]:
        """What lies over the set in the frame that was painted last."""
        return list((self._before or {}).values())

    def paint(self, frame: int, sheet: Sheet) -> list[Area]:
        """Bring the sheet to ``frame`` of the scene; returns the areas that changed since this painted on it."""
        if sheet is not self._sheet:
            self.forget()
            self._sheet = sheet
        if frame == self._frame:
            return []
        now = self._stamps.draw([layer for layer in self._layers_at(frame) if size(layer.box) > 0])
        changed = [self._whole] if self._before is None else _changed(self._before, now, len(sheet.words))
        for area in changed:
            self._stamps.lay(now, sheet, area, self.ground)
        self._before, self._frame = now, frame
        return changed


class MovingPainter:
    """Paints a scene over which the camera moves: a window of a larger picture, then the lettering over it."""

    def __init__(self, scene: SceneTimeline, set_id: str, picture: Picture, rate: FrameRate, fonts: Fonts) -> None:
        self._scene, self._rate = scene, rate
        self.ground: Words | None = None
        self.lying: list[Laid] = []
        self._world, self._lettering = larger(picture), LetteringLayers(scene, picture, rate, fonts)
        seen = SceneLayers(scene, self._world, rate, fonts)
        self._painter = ScenePainter(seen.seen, set_id, self._world)
        self._larger = Sheet(self._world, transparent=not set_id)
        self._stamps = Stamps()
        self._picture, self._whole = picture, whole_area(picture)
        xs = [host.x for host in scene.shots[0].hosts]
        self._focus = (sum(xs) / len(xs), 0.42)

    def forget(self) -> None:
        """Nothing is kept from frame to frame but the larger picture."""

    def paint(self, frame: int, sheet: Sheet) -> list[Area]:
        """Bring the sheet to ``frame`` of the scene; everything changes."""
        self._painter.paint(frame, self._larger)
        part = self._rate.start_of(frame) / max(0.1, self._scene.duration)
        seen = window(self._scene.camera, min(1.0, part), self._world, self._focus)
        width, height = self._picture.width, self._picture.height
        sheet.canvas.drawImageRect(
            self._larger.image(), skia.Rect.MakeXYWH(seen.left, seen.top, seen.width, seen.height),
            skia.Rect.MakeWH(width, height), skia.SamplingOptions(skia.FilterMode.kLinear), _REPLACING,
        )  # fmt: skip
        self._stamps.lay(self._stamps.draw(self._lettering.layers(frame)), sheet, self._whole)
        return [self._whole]


def whole_area(picture: Picture) -> Area:
    """All of the picture."""
    box = (0, 0, picture.width, picture.height)
    return Area(box, picture.height).fill(box)


def _changed(before: Mapping[str, Laid], now: Mapping[str, Laid], height: int) -> list[Area]:
    """Where layers came, went or changed; all layers of a changed order count."""
    moved = [name for name in dict.fromkeys([*before, *now]) if name not in now or not now[name].same(before.get(name))]
    if [name for name in before if name in now] != [name for name in now if name in before]:
        moved = list(dict.fromkeys([*before, *now]))
    return areas_of([laid for name in moved for laid in (before.get(name), now.get(name)) if laid], height)


def areas_of(laid: Sequence[Laid], height: int) -> list[Area]:
    """Where these lie in a picture of ``height``."""
    found, areas = [own for own in laid if size(own.box) > 0], []
    for box, held in grouped([evened(own.box) for own in found]):
        area = Area(box, height)
        for index in held:
            found[index].add_to(area)
        areas.append(area)
    return areas
