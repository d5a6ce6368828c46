"""The painter: any frame of a timeline, for stills, proofs and films alike."""

from __future__ import annotations

from dearhost.production import Resources
from dearhost.stage.backdrops import Scenery, backdrop_for
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.area import Area
from dearhost.stage.painting.layers import SceneLayers
from dearhost.stage.painting.passing import Passing
from dearhost.stage.painting.scene_painters import MovingPainter, ScenePainter
from dearhost.stage.painting.sheet import Pixels, Sheet
from dearhost.stage.painting.transitions import DISSOLVE, KINDS
from dearhost.stage.timeline import SceneTimeline, Timeline


class Painter:
    """Paints any frame of a timeline at one picture size. Same timeline, same frame: same picture."""

    def __init__(
        self, timeline: Timeline, picture: Picture, resources: Resources, *, transparent: bool = False
    ) -> None:
        """``transparent``: without the sets, over nothing."""
        self.timeline, self.picture = timeline, picture
        self.resources, self._transparent = resources, transparent
        self.sheet = Sheet(picture, transparent=transparent)
        self._scenes: dict[int, ScenePainter | MovingPainter] = {}
        self._shown: tuple[int, bool] | None = None  # the scene on the sheet, and whether it is still coming
        self._passing: Passing | None = None

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
        transition = scene.choices.transition
        if self._transparent and transition in KINDS:
            transition = DISSOLVE  # the others need a ground
        kind = KINDS.get(transition) if index else None
        coming = kind is not None and since < kind.seconds
        if (index, coming) != self._shown:
            self._shown, self._passing = (index, coming), None
            for painter in self._scenes.values():
                painter.forget()
        if kind is None or not coming:
            return self._painter(index).paint(own, self.sheet)
        before = self.timeline.scenes[index - 1]
        if self._passing is None:
            self._passing = Passing(
                transition, self._painter(index - 1), self._painter(index), self.picture,
                (self._focus(before, before.duration), self._focus(scene, 0.0)), transparent=self._transparent,
            )  # fmt: skip
        return self._passing.paint(self._scene_frame(before, frame), own, since / kind.seconds, self.sheet)

    def _focus(self, scene: SceneTimeline, moment: float) -> complex:
        """The pixel between those who are seen at a moment of a scene, or the middle of the picture."""
        hosts = scene.shots[scene.shot_at(moment)].hosts
        x = sum(host.x for host in hosts) / len(hosts) if hosts else 0.5
        y = sum(host.y for host in hosts) / len(hosts) if hosts else 0.4
        return complex(x * self.picture.width, y * self.picture.height)

    def _scene_frame(self, scene: SceneTimeline, frame: int) -> int:
        """The frame's number within its scene."""
        return frame - first_frame(self.timeline, scene)

    def _painter(self, index: int) -> ScenePainter | MovingPainter:
        if index not in self._scenes:
            for other in [i for i in self._scenes if i < index - 1 or i > index + 1]:
                del self._scenes[other]
            scene, rate = self.timeline.scenes[index], self.timeline.frame_rate
            scenery = Scenery("") if self._transparent else Scenery.of(scene.choices)
            if scene.choices.camera == "still":
                shelf = self.resources.shelf
                layers = SceneLayers(scene, scenery.on_hosts(shelf), self.picture, rate, self.resources)
                backdrop = backdrop_for(scenery, self.picture, rate, shelf)
                self._scenes[index] = ScenePainter(layers.layers, backdrop, self.picture)
            else:
                self._scenes[index] = MovingPainter(scene, scenery, self.picture, rate, self.resources)
        return self._scenes[index]


def first_frame(timeline: Timeline, scene: SceneTimeline) -> int:
    """The first frame of the film that shows ``scene``."""
    return timeline.frame_rate.frames_in(scene.start)
