"""How one scene goes over to the next."""

from __future__ import annotations

from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.area import Area
from dearhost.stage.painting.layer_cache import mix
from dearhost.stage.painting.scene_painters import MovingPainter, ScenePainter, areas_of, whole_area
from dearhost.stage.painting.sheet import Sheet

DISSOLVE = 0.40
"""Seconds a dissolve takes at the start of the later scene."""


class Dissolve:
    """What is left of a scene, which goes on moving, over the one that arrives: each painted on a sheet of its own."""

    def __init__(
        self,
        leaving: ScenePainter | MovingPainter,
        arriving: ScenePainter | MovingPainter,
        picture: Picture,
        *,
        transparent: bool,
    ) -> None:
        self._leaving, self._arriving = leaving, arriving
        self._sheets = Sheet(picture, transparent=transparent), Sheet(picture, transparent=transparent)
        self._whole, self._begun = whole_area(picture), False

    def paint(self, leaving_frame: int, frame: int, weight: int, sheet: Sheet) -> list[Area]:
        """Mix both on the ``sheet``, ``weight`` of 256 of the arriving one; returns the areas that changed.

        Where both show the same set it stays as it is.
        """
        changed = self._leaving.paint(leaving_frame, self._sheets[0]) + self._arriving.paint(frame, self._sheets[1])
        same_set = self._leaving.backdrop is not None and self._leaving.backdrop is self._arriving.backdrop
        areas = [self._whole]
        if self._begun and same_set:
            areas = [*changed, *areas_of([*self._leaving.lying, *self._arriving.lying], len(sheet.words))]
        for area in areas:
            mix(sheet.words, self._sheets[0].words, self._sheets[1].words, weight, area)
        self._begun = True
        return areas
