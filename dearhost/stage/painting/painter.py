"""The painter: any frame of a timeline, for stills, proofs and films alike."""

from __future__ import annotations

from dearhost.production import Resources
from dearhost.stage.backdrops import backdrop_for
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.area import Area
from dearhost.stage.painting.layers import SceneLayers
from dearhost.stage.painting.scene_painters import MovingPainter, ScenePainter
from dearhost.stage.painting.sheet import Pixels, Sheet
from dearhost.stage.painting.transitions import DISSOLVE, Dissolve
from dearhost.stage.timeline import SceneTimeline, Timeline


class Painter:
    """Paints any frame of a timeline at one picture size. Same timeline, same frame: same picture."""

    def __init__(
        self, timeline: Timeline, picture: Picture, resources: Resources, *, transparent: bool = False
    ) -> None:
        """``transparent``: without the sets, over nothing."""
        self.timeline, self.picture = timeline, picture
        self._resources, self._transparent = resources, transparent
        self.sheet = Sheet(picture, transparent=transparent)
        self._scenes: dict[int, ScenePainter | MovingPainter] = {}
        self._shown: tuple[int, bool] | None = None  # the scene on the sheet, and whether that is the dissolve to it
        self._dissolve: Dissolve | None = None

    def forget(self) -> None:
        """Draw everything at the next frame, as a fresh painter would."""
        self._shown = None

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
        since = own / float(self.timeline.frame_rate.value)
        dissolving = index > 0 and scene.choices.transition == "dissolve" and since < DISSOLVE
        if (index, dissolving) != self._shown:
            self._shown, self._dissolve = (index, dissolving), None
            for painter in self._scenes.values():
                painter.forget()
        if not dissolving:
            return self._painter(index).paint(own, self.sheet)
        if self._dissolve is None:
            self._dissolve = Dissolve(
                self._painter(index - 1), self._painter(index), self.picture, transparent=self._transparent
            )
        leaving = self._scene_frame(self.timeline.scenes[index - 1], frame)
        part = since / DISSOLVE
        return self._dissolve.paint(leaving, own, round(part * part * (3 - 2 * part) * 256), self.sheet)

    def _scene_frame(self, scene: SceneTimeline, frame: int) -> int:
        """The frame's number within its scene."""
        return frame - first_frame(self.timeline, scene)

    def _painter(self, index: int) -> ScenePainter | MovingPainter:
        if index not in self._scenes:
            for other in [i for i in self._scenes if i < index - 1 or i > index + 1]:
                del self._scenes[other]
            scene, rate = self.timeline.scenes[index], self.timeline.frame_rate
            set_id = "" if self._transparent else scene.choices.set
            if scene.choices.camera == "still":
                layers = SceneLayers(scene, self.picture, rate, self._resources)
                self._scenes[index] = ScenePainter(layers.layers, backdrop_for(set_id, self.picture), self.picture)
            else:
                self._scenes[index] = MovingPainter(scene, set_id, self.picture, rate, self._resources)
        return self._scenes[index]


def first_frame(timeline: Timeline, scene: SceneTimeline) -> int:
    """The first frame of the film that shows ``scene``."""
    return timeline.frame_rate.frames_in(scene.start)
