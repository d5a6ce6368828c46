"""The painter: any frame of a timeline, for stills, proofs and films alike.

Every layer is kept as pixels until it changes. Only where something changed from the frame before is the
picture put together again, and ``paint`` says where that was.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping
from functools import lru_cache
from pathlib import Path
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
from dearhost.stage.stamps import Laid, Stamps, mix
from dearhost.stage.timeline import DISSOLVE, SceneTimeline, Timeline
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
    """Paints the frames of one scene onto ``sheet``: ``layers_at`` a frame over its set."""

    def __init__(self, layers_at: Callable[[int], list[Layer]], set_id: str, picture: Picture, sheet: Sheet) -> None:
        self._layers_at, self.sheet = layers_at, sheet
        self._set = _set_sheet(set_id, picture)
        self._stamps = Stamps()
        self._whole = _whole(picture)
        self._before: Mapping[str, Laid] | None = None
        self._frame = -1

    def forget(self) -> None:
        """Draw everything at the next frame: somebody else drew on the sheet."""
        self._before = None
        self._frame = -1

    def paint(self, frame: int) -> list[Area]:
        """Bring the sheet to ``frame`` of the scene; returns the areas that changed."""
        if frame == self._frame:
            return []
        now = self._stamps.draw([layer for layer in self._layers_at(frame) if size(layer.box) > 0])
        changed = [self._whole] if self._before is None else _changed(self._before, now, len(self.sheet.words))
        for area in changed:
            self._stamps.lay(now, self.sheet, area, self._set.words)
        self._before, self._frame = now, frame
        return changed


class MovingPainter:
    """Paints a scene over which the camera moves: a window of a larger picture, then the lettering over it."""

    def __init__(self, scene: SceneTimeline, set_id: str, picture: Picture, rate: FrameRate, fonts: Fonts,
                 sheet: Sheet) -> None:  # fmt: skip
        self._scene, self._rate, self._sheet = scene, rate, sheet
        self._world, self._lettering = larger(picture), LetteringLayers(scene, picture, rate, fonts)
        seen = SceneLayers(scene, self._world, rate, fonts)
        self._painter = ScenePainter(seen.seen, set_id, self._world, Sheet(self._world, transparent=not set_id))
        self._stamps = Stamps()
        self._picture, self._whole = picture, _whole(picture)
        xs = [host.x for host in scene.shots[0].hosts]
        self._focus = (sum(xs) / len(xs), 0.42)

    def forget(self) -> None:
        """Nothing is kept from frame to frame but the larger picture."""

    def paint(self, frame: int) -> list[Area]:
        """Bring the sheet to ``frame`` of the scene; everything changes."""
        self._painter.paint(frame)
        part = self._rate.start_of(frame) / max(0.1, self._scene.duration)
        seen = window(self._scene.camera, min(1.0, part), self._world, self._focus)
        width, height = self._picture.width, self._picture.height
        self._sheet.canvas.drawImageRect(
            self._painter.sheet.image(), skia.Rect.MakeXYWH(seen.left, seen.top, seen.width, seen.height),
            skia.Rect.MakeWH(width, height), skia.SamplingOptions(skia.FilterMode.kLinear), _REPLACING,
        )  # fmt: skip
        self._stamps.lay(self._stamps.draw(self._lettering.layers(frame)), self._sheet, self._whole)
        return [self._whole]


def _whole(picture: Picture) -> Area:
    box = (0, 0, picture.width, picture.height)
    return Area(box, picture.height).fill(box)


def _changed(before: Mapping[str, Laid], now: Mapping[str, Laid], height: int) -> list[Area]:
    """Where layers came, went or changed; all layers of a changed order count."""
    moved = [name for name in dict.fromkeys([*before, *now]) if name not in now or not now[name].same(before.get(name))]
    if [name for name in before if name in now] != [name for name in now if name in before]:
        moved = list(dict.fromkeys([*before, *now]))
    found = [laid for name in moved for laid in (before.get(name), now.get(name)) if laid and size(laid.box) > 0]
    areas = []
    for box, held in grouped([evened(laid.box) for laid in found]):
        area = Area(box, height)
        for index in held:
            found[index].add_to(area)
        areas.append(area)
    return areas


class Painter:
    """Paints any frame of a timeline at one picture size. Same timeline, same frame: same picture."""

    def __init__(self, timeline: Timeline, picture: Picture, fonts_folder: Path, *, transparent: bool = False) -> None:
        """``transparent``: without the sets, over nothing."""
        self.timeline, self.picture = timeline, picture
        self._fonts, self._transparent = Fonts.at(fonts_folder), transparent
        self.sheet = Sheet(picture, transparent=transparent)
        self._scenes: dict[int, ScenePainter | MovingPainter] = {}
        self._current = -1
        self._whole = _whole(picture)

    def forget(self) -> None:
        """Draw everything at the next frame, as a fresh painter would."""
        self._current = -1

    @property
    def pixels(self) -> Pixels:
        """The finished frame, shape (height, width, 4), BGRA."""
        return self.sheet.pixels

    def paint(self, frame: int) -> list[Area]:
        """Bring ``pixels`` to ``frame`` of the film; returns the areas that changed since the last call."""
        moment = self.timeline.frame_rate.start_of(frame)
        index = self.timeline.scene_index_at(moment)
        scene = self.timeline.scenes[index]
        own = self._scene_frame(scene, frame)
        painter = self._painter(index)
        since = own / float(self.timeline.frame_rate.value)
        dissolving = index > 0 and scene.transition == "dissolve" and since < DISSOLVE
        if index != self._current or dissolving:
            painter.forget()
        self._current = index
        changed = painter.paint(own)
        if dissolving:
            self._dissolve(index, frame, since / DISSOLVE)
            painter.forget()
            return [self._whole]
        return changed

    def _scene_frame(self, scene: SceneTimeline, frame: int) -> int:
        """The frame's number within its scene."""
        return frame - first_frame(self.timeline, scene)

    def _painter(self, index: int) -> ScenePainter | MovingPainter:
        if index not in self._scenes:
            for other in [i for i in self._scenes if i < index - 1 or i > index + 1]:
                del self._scenes[other]
            scene, rate = self.timeline.scenes[index], self.timeline.frame_rate
            set_id = "" if self._transparent else scene.set
            if scene.camera == "still":
                layers = SceneLayers(scene, self.picture, rate, self._fonts)
                self._scenes[index] = ScenePainter(layers.layers, set_id, self.picture, self.sheet)
            else:
                self._scenes[index] = MovingPainter(scene, set_id, self.picture, rate, self._fonts, self.sheet)
        return self._scenes[index]

    def _dissolve(self, index: int, frame: int, progress: float) -> None:
        """Lay what is left of the scene before, which goes on moving, over the new one."""
        arriving = self.sheet.words.copy()
        before = self._painter(index - 1)
        before.forget()
        before.paint(self._scene_frame(self.timeline.scenes[index - 1], frame))
        before.forget()
        part = progress * progress * (3 - 2 * progress)
        mix(self.sheet.words, arriving, round(part * 256))


def first_frame(timeline: Timeline, scene: SceneTimeline) -> int:
    """The first frame of the film that shows ``scene``."""
    return timeline.frame_rate.frames_in(scene.start)
