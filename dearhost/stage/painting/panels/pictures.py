"""A picture of one thing or several, as they stand to each other."""

from __future__ import annotations

import zlib
from collections.abc import Sequence
from typing import Any

from dearhost.drawing.colours import mix
from dearhost.drawing.cut_shapes import cut_disc, cut_rect
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.paper import Paper
from dearhost.production.shown_cues import things_named
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.entrances import Box
from dearhost.stage.painting.panels.compositions import compose
from dearhost.stage.painting.panels.panel import Panel
from dearhost.stage.timeline import Shown

_FIELDS = ("#DCE7DD", "#EADBC0", "#E9CFC0", "#CFDEE4", "#E2DDB9", "#E0D3DA")


def field_of(things: Sequence[str]) -> str:
    """The colour behind things: the same for the same ones."""
    return _FIELDS[zlib.crc32(" ".join(things).encode()) % len(_FIELDS)]


class PicturePanel(Panel):
    """On a mount, or over the whole picture."""

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts) -> None:
        super().__init__(shown, picture, fonts)
        self._things = things_named(shown.text("shows"), shown.text("also"))
        self._field = field_of(self._things)
        self._placed: list[tuple[str, Box]] = []

    def ground(self) -> str:
        """The field of the picture, unless it is drawn."""
        return super().ground() if self.inked else self._field

    def begins(self, box: Box, number: int) -> float | None:
        """When the thing is named."""
        x, y = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
        here = (name for name, (left, top, right, bottom) in self._placed if left <= x <= right and top <= y <= bottom)
        thing = next(here, "")
        return next((row.at for row in self.shown.rows if row.thing == thing), None)

    def draw_mount(self, paper: Paper) -> None:
        """The mount with its field, tilted a little."""
        if not (self.whole or self.board):
            left, top, right, bottom = self.panel
            paper.canvas.rotate(-0.9, (left + right) / 2, (top + bottom) / 2)
        super().draw_mount(paper)

    def draw_content(self, paper: Paper, moment: float) -> None:
        """The things on their field."""
        edge = 0 if self.whole else 18 * self.unit
        left, top, right, bottom = self.inside if self.whole else self.panel
        box = left + edge, top + edge, right - edge, bottom - edge
        width, height = box[2] - box[0], box[3] - box[1]
        window: Any = cut_rect(box[0], box[1], width, height, 2 * self.unit)
        if not (self.whole or self.inked):
            paper.flat(window, self._field)
        with paper.clipped(window, needed=not (self.whole or self.inked)):
            if not self.inked:
                blob = cut_disc(box[0] + width / 2, box[1] + height * 0.49, min(height * 0.47, width * 0.47), 0.03, 11)
                paper.flat(blob, mix(self._field, "#FFFDF2", 0.55))
            count = round(float(self.shown.parameters.get("count") or 3))
            self._placed = compose(paper, box, self._things, self.shown.text("how") or "solo", count, self.fonts)
