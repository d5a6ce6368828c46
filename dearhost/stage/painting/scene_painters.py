"""Painters of single scenes: layers over a set, and a camera that moves over them.

Every layer is kept as pixels until it changes. Only where something changed from the frame before is the
picture put together again, and ``paint`` says where that was.
"""

from __future__ import annotations

from collections.abc import Callable, Mapping, Sequence

import skia

from dearhost.production import Resources
from dearhost.stage.backdrops import Backdrop, Scenery, backdrop_for
from dearhost.stage.layout.camera import larger, window
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.area import Area, grouped, size
from dearhost.stage.painting.layer import Layer, evened
from dearhost.stage.painting.layer_cache import Laid, LayerCache
from dearhost.stage.painting.layers import SceneLayers
from dearhost.stage.painting.sheet import Sheet
from dearhost.stage.timeline import SceneTimeline
from dearhost.timebase import FrameRate

_REPLACING = skia.Paint(BlendMode=skia.BlendMode.kSrc)


class ScenePainter:
    """Paints the frames of one scene: ``layers_at`` a frame over its backdrop."""

    def __init__(self, layers_at: Callable[[int], list[Layer]], backdrop: Backdrop, picture: Picture) -> None:
        self._layers_at = layers_at
        self.backdrop: Backdrop | None = backdrop
        self._cache = LayerCache()
        self._whole = whole_area(picture)
        self._before: Mapping[str, Laid] | None = None
        self._frame = -1
        self._sheet: Sheet | None = None

    def forget(self) -> None:
        """Draw everything at the next frame: somebody else drew on the sheet."""
        self._before, self._frame, self._sheet = None, -1, None

    @property
    def lying(self) -> list[Laid]:
        """What lies over the backdrop in the frame that was painted last."""
        return list((self._before or {}).values())

    def paint(self, frame: int, sheet: Sheet) -> list[Area]:
        """Bring the sheet to ``frame`` of the scene; returns the areas that changed since this painted on it."""
        if sheet is not self._sheet:
            self.forget()
            self._sheet = sheet
        if frame == self._frame:
            return []
        ground, moved = self.backdrop.frame(frame) if self.backdrop else (None, None)
        now = self._cache.draw([layer for layer in self._layers_at(frame) if size(layer.box) > 0])
        if self._before is None:
            changed = [self._whole]
        else:
            changed = _changed(self._before, now, len(sheet.words))
            if moved is not None:
                changed = [moved] if moved.box == self._whole.box else [*changed, moved]
        for area in changed:
            self._cache.lay(now, sheet, area, ground)
        self._before, self._frame = now, frame
        return changed


class MovingPainter:
    """Paints a scene over which the camera moves: a window of a larger picture, then the lettering over it."""

    def __init__(self, scene: SceneTimeline, scenery: Scenery, picture: Picture, rate: FrameRate,
                 resources: Resources) -> None:  # fmt: skip
        self._scene, self._rate = scene, rate
        self.backdrop: Backdrop | None = None
        self.lying: list[Laid] = []
        self._world = larger(picture)
        seen = SceneLayers(scene, scenery.on_hosts(resources.shelf), self._world, rate, resources, picture)
        self._lettering = seen.lettering
        backdrop = backdrop_for(scenery, self._world, rate, resources.shelf)
        self._painter = ScenePainter(seen.seen, backdrop, self._world)
        self._larger = Sheet(self._world, transparent=not scenery.set_id)
        self._cache = LayerCache()
        self._picture, self._whole = picture, whole_area(picture)
        xs = [host.x for host in scene.shots[0].hosts]
        self._focus = (sum(xs) / len(xs) if xs else 0.5, 0.42)

    def forget(self) -> None:
        """Nothing is kept from frame to frame but the larger picture."""

    def paint(self, frame: int, sheet: Sheet) -> list[Area]:
        """Bring the sheet to ``frame`` of the scene; everything changes."""
        self._painter.paint(frame, self._larger)
        part = self._rate.start_of(frame) / max(0.1, self._scene.duration)
        seen = window(self._scene.choices.camera, min(1.0, part), self._world, self._focus)
        width, height = self._picture.width, self._picture.height
        sheet.canvas.drawImageRect(
            self._larger.image(), skia.Rect.MakeXYWH(seen.left, seen.top, seen.width, seen.height),
            skia.Rect.MakeWH(width, height), skia.SamplingOptions(skia.FilterMode.kLinear), _REPLACING,
        )  # fmt: skip
        self._cache.lay(self._cache.draw(self._lettering.layers(frame)), sheet, self._whole)
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
