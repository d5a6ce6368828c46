"""A clip over the whole picture, while somebody speaks in it."""

from __future__ import annotations

from typing import Any

from dearhost.assets.shelf import Footage, Shelf
from dearhost.stage.backdrops.footage import LaidFootage
from dearhost.stage.backdrops.placing import Placing
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.nearing import middle_of, part_of, seen_at
from dearhost.stage.painting.entrances import Box
from dearhost.stage.painting.pointer_ring import draw_ring
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
        near = max((nearing.near for nearing in shown.nearings), default=1.0)
        self._footage: Footage | None = shelf.footage(item, min(picture.width, picture.height) * near)
        self._shelf, self._item, self._unit = shelf, item, picture.unit
        known = shelf.item(item)
        self._size = (known.width, known.height) if known else (1, 1)
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
        return numbers, part.zoom, round(come, 3), self._gone_to(moment, part.zoom)

    def _gone_to(self, moment: float, zoom: float) -> Box | None:
        """What of the clip's pictures is seen while a place of it is gone to; None where all is."""
        if not self._shown.nearings or self._shown.nearings[0].at > moment:
            return None
        base = self._laid.base(self._size, zoom)
        seen = part_of(base, self._size, seen_at(self._shown.nearings, moment, middle_of(base, self._size)))
        return None if seen == base else seen

    def draw(self, canvas: Any, moment: float) -> None:
        """Draw at ``moment`` of the scene."""
        if self._footage is None or not self._shown.parts:
            return
        part, source, before, behind, come = self._seen(moment)
        number, seen = self._footage.number_at(source), self._gone_to(moment, part.zoom)
        if before:
            self._laid.lay(self._footage.frame(self._footage.number_at(behind)), before.zoom, seen)
            self._laid.mix_in(self._footage.frame(number), come, part.zoom, seen)
        else:
            self._laid.lay(self._footage.frame(number), part.zoom, seen)
        canvas.drawImage(self._laid.sheet.image(), 0, 0)
        happening = self._shelf.happening(self._item) if self._shown.text("pointer") == "ringed" else None
        if happening:
            pointer = happening.pointer_at(float(self._footage.times[number]))
            left, top, wide, high = self._laid.place(self._size)
            place = left, top, left + wide, top + high
            draw_ring(canvas, pointer, self._size, seen or self._laid.base(self._size, part.zoom), place, self._unit)
