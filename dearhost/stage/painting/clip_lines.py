"""A clip over the whole picture, while somebody speaks in it."""

from __future__ import annotations

from typing import Any

from dearhost.assets.shelf import Footage, Shelf
from dearhost.stage.backdrops.footage import LaidFootage
from dearhost.stage.backdrops.placing import Placing
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.entrances import Box
from dearhost.stage.timeline import ClipPart, Shown

_FADE = 0.1
"""Seconds in which one part of a clip goes over into the next, where the cut is not seen as one."""
_EYES = 0.42
"""How far down in the picture faces are, towards which it moves."""


class ClipDrawing:
    """Draws the parts of a clip one after another."""

    def __init__(self, shown: Shown, picture: Picture, shelf: Shelf) -> None:
        self._shown = shown
        self.box: Box = (0.0, 0.0, float(picture.width), float(picture.height))
        item = shown.text("item")
        self._footage: Footage | None = shelf.footage(item, min(picture.width, picture.height))
        self._laid = LaidFootage(Placing(item, shown.text("fit"), y=_EYES, tone="own"), picture)

    def _seen(self, moment: float) -> tuple[ClipPart, float, ClipPart | None, float, float]:
        """The part that is seen and the second of it; the part before with its own, and how far this one has come."""
        parts = self._shown.parts
        index = max((i for i, part in enumerate(parts) if part.at <= moment + 1e-6), default=0)
        part = parts[index]
        source, into = part.source + moment - part.at, (moment - part.at) / _FADE
        if part.faded and index and into < 1:
            before = parts[index - 1]
            return part, source, before, before.source + moment - before.at, into
        return part, source, None, 0.0, 1.0

    def key(self, moment: float) -> Any:
        """Equal keys give equal pixels."""
        if self._footage is None or not self._shown.parts:
            return None
        part, source, before, behind, come = self._seen(moment)
        numbers = self._footage.number_at(source), self._footage.number_at(behind) if before else -1
        return numbers, part.zoom, round(come, 3)

    def draw(self, canvas: Any, moment: float) -> None:
        """Draw at ``moment`` of the scene."""
        if self._footage is None or not self._shown.parts:
            return
        part, source, before, behind, come = self._seen(moment)
        if before:
            number = self._footage.number_at(behind)
            self._laid.lay(self._footage.frame(number), before.zoom)
            self._laid.mix_in(self._footage.frame(self._footage.number_at(source)), come, part.zoom)
        else:
            self._laid.lay(self._footage.frame(self._footage.number_at(source)), part.zoom)
        canvas.drawImage(self._laid.sheet.image(), 0, 0)
