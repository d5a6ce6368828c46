"""Painters of transitions: both scenes go on while one gives way to the other, each painted on a sheet of its own."""

from __future__ import annotations

from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.area import Area
from dearhost.stage.painting.layer_cache import mix
from dearhost.stage.painting.scene_painters import MovingPainter, ScenePainter, areas_of, whole_area
from dearhost.stage.painting.sheet import Sheet
from dearhost.stage.painting.transitions import DISSOLVE, KINDS, Frame, eased

OneScene = ScenePainter | MovingPainter


class Passing:
    """A transition ``kind`` from the scene that is ``leaving`` to the one that is ``arriving``."""

    def __init__(
        self, kind: str, leaving: OneScene, arriving: OneScene, picture: Picture, focus: tuple[complex, complex], *,
        transparent: bool,
    ) -> None:  # fmt: skip
        """``focus``: pixels where each of the scenes has who is seen."""
        self.kind, self._leaving, self._arriving, self._focus, self._picture = kind, leaving, arriving, focus, picture
        self._sheets = Sheet(picture, transparent=transparent), Sheet(picture, transparent=transparent)
        self._whole, self._begun = whole_area(picture), False

    def paint(self, leaving_frame: int, frame: int, part: float, sheet: Sheet) -> list[Area]:
        """Bring the ``sheet`` to ``part`` (0 to 1) of the way; returns the areas that changed."""
        changed = self._leaving.paint(leaving_frame, self._sheets[0]) + self._arriving.paint(frame, self._sheets[1])
        draw = KINDS[self.kind].draw
        if self.kind != DISSOLVE and draw:
            images = self._sheets[0].image(), self._sheets[1].image()
            draw(Frame(sheet.canvas, *images, part, self._picture, self._focus))
            return [self._whole]
        same_set = self._leaving.backdrop is not None and self._leaving.backdrop is self._arriving.backdrop
        areas = [self._whole]
        if self._begun and same_set:  # where both show the same set it stays as it is
            areas = [*changed, *areas_of([*self._leaving.lying, *self._arriving.lying], len(sheet.words))]
        weight = round(eased(part) * 256)
        for area in areas:
            mix(sheet.words, self._sheets[0].words, self._sheets[1].words, weight, area)
        self._begun = True
        return areas
