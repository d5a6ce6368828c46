"""The painter: any frame of a timeline, for stills, proofs and films alike.

Every layer is kept as pixels until it changes. Only where something changed from the frame before is the
picture put together again, and ``paint`` says where that was.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence
from functools import lru_cache
from pathlib import Path
from typing import Any

import numpy as np
import skia
from numpy.typing import NDArray

from dearhost.stage.camera import larger, window
from dearhost.stage.fonts import Fonts
from dearhost.stage.layer import Layer, PixelBox, evened
from dearhost.stage.layers import LetteringLayers, SceneLayers
from dearhost.stage.sets import draw_set
from dearhost.stage.shapes import Picture
from dearhost.stage.stamps import Stamps, mix
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

    def take(self, other: Sheet, box: PixelBox) -> None:
        """Copy a box from another sheet."""
        left, top, right, bottom = box
        self.words[top:bottom, left:right] = other.words[top:bottom, left:right]


@lru_cache(maxsize=4)
def _set_sheet(set_id: str, picture: Picture) -> Sheet:
    """The set, "" for none: everything is transparent."""
    sheet = Sheet(picture, transparent=not set_id)
    if set_id:
        draw_set(sheet.canvas, set_id, picture)
    return sheet


_REPLACING = skia.Paint(BlendMode=skia.BlendMode.kSrc)


def _joined(a: PixelBox, b: PixelBox) -> PixelBox:
    return min(a[0], b[0]), min(a[1], b[1]), max(a[2], b[2]), max(a[3], b[3])


def _area(box: PixelBox) -> int:
    return (box[2] - box[0]) * (box[3] - box[1])


def _merged(boxes: Sequence[PixelBox]) -> list[PixelBox]:
    """Boxes put together where one costs less than the two."""
    merged: list[PixelBox] = []
    for box in boxes:
        while True:
            hit = next((m for m in merged if _area(_joined(m, box)) <= _area(m) + _area(box)), None)
            if hit is None:
                break
            merged.remove(hit)
            box = _joined(hit, box)
        merged.append(box)
    return merged


_Laid = tuple[Any, tuple[int, int], PixelBox]
"""A layer as it lies in the picture: its key, its place and where it is seen."""


class ScenePainter:
    """Paints the frames of one scene onto ``sheet``: ``layers_at`` a frame over its set."""

    def __init__(self, layers_at: Callable[[int], list[Layer]], set_id: str, picture: Picture, sheet: Sheet) -> None:
        self._layers_at, self.sheet = layers_at, sheet
        self._set = _set_sheet(set_id, picture)
        self._stamps = Stamps()
        self._whole: PixelBox = (0, 0, picture.width, picture.height)
        self._before: dict[str, _Laid] | None = None
        self._frame = -1

    def forget(self) -> None:
        """Draw everything at the next frame: somebody else drew on the sheet."""
        self._before = None
        self._frame = -1

    def paint(self, frame: int) -> list[PixelBox]:
        """Bring the sheet to ``frame`` of the scene; returns the boxes that changed."""
        if frame == self._frame:
            return []
        layers = [layer for layer in self._layers_at(frame) if _area(layer.box) > 0]
        seen = self._stamps.draw(layers)
        now = {layer.name: (layer.key, layer.place, box) for layer, box in zip(layers, seen, strict=True)}
        changed = [self._whole] if self._before is None else _changed(self._before, now)
        for box in changed:
            self.sheet.take(self._set, box)
            self._stamps.lay(layers, seen, self.sheet, box)
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
        self._picture = picture
        xs = [host.x for host in scene.shots[0].hosts]
        self._focus = (sum(xs) / len(xs), 0.42)

    def forget(self) -> None:
        """Nothing is kept from frame to frame but the larger picture."""

    def paint(self, frame: int) -> list[PixelBox]:
        """Bring the sheet to ``frame`` of the scene; everything changes."""
        self._painter.paint(frame)
        part = self._rate.start_of(frame) / max(0.1, self._scene.duration)
        seen = window(self._scene.camera, min(1.0, part), self._world, self._focus)
        width, height = self._picture.width, self._picture.height
        self._sheet.canvas.drawImageRect(
            self._painter.sheet.image(), skia.Rect.MakeXYWH(seen.left, seen.top, seen.width, seen.height),
            skia.Rect.MakeWH(width, height), skia.SamplingOptions(skia.FilterMode.kLinear), _REPLACING,
        )  # fmt: skip
        layers = self._lettering.layers(frame)
        whole = (0, 0, width, height)
        self._stamps.lay(layers, self._stamps.draw(layers), self._sheet, whole)
        return [whole]


def _changed(before: Mapping[str, _Laid], now: Mapping[str, _Laid]) -> list[PixelBox]:
    """Boxes where layers came, went or changed; all layers of a changed order count."""
    boxes = []
    for name in dict.fromkeys([*before, *now]):
        a, b = before.get(name), now.get(name)
        if a != b:
            boxes += [laid[2] for laid in (a, b) if laid is not None]
    if [n for n in before if n in now] != [n for n in now if n in before]:
        boxes += [laid[2] for laid in (*before.values(), *now.values())]
    return _merged([evened(box) for box in boxes if _area(box) > 0])


class Painter:
    """Paints any frame of a timeline at one picture size. Same timeline, same frame: same picture."""

    def __init__(self, timeline: Timeline, picture: Picture, fonts_folder: Path, *, transparent: bool = False) -> None:
        """``transparent``: without the sets, over nothing."""
        self.timeline, self.picture = timeline, picture
        self._fonts, self._transparent = Fonts.at(fonts_folder), transparent
        self.sheet = Sheet(picture, transparent=transparent)
        self._scenes: dict[int, ScenePainter | MovingPainter] = {}
        self._current = -1
        self._whole: PixelBox = (0, 0, picture.width, picture.height)

    def forget(self) -> None:
        """Draw everything at the next frame, as a fresh painter would."""
        self._current = -1

    @property
    def pixels(self) -> Pixels:
        """The finished frame, shape (height, width, 4), BGRA."""
        return self.sheet.pixels

    def paint(self, frame: int) -> list[PixelBox]:
        """Bring ``pixels`` to ``frame`` of the film; returns the boxes that changed since the last call."""
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
