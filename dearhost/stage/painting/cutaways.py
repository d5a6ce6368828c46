"""Pictures shown beside or in place of the hosts, laid on the picture as cut paper."""

from __future__ import annotations

from typing import Any

from dearhost.drawing.colours import darker, paint
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.outlines import moved
from dearhost.drawing.paper import Paper
from dearhost.hosts import draw_thing
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.timeline import Shown

_GROUND, _MOUNT = "#E2E9DD", "#FFFDF4"
_WIDTH = {"16:9": 0.26, "1:1": 0.30, "9:16": 0.42}
"""Of the picture's width, for a card beside the host."""

PixelBox = tuple[float, float, float, float]


class CutawayDrawing:
    """A picture on a small mount that comes up from below, at the left or the right."""

    ENTER, LEAVE = 0.42, 0.30

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts) -> None:
        self._span, self._thing = shown.span, shown.text("shows")
        self.picture = picture
        width, height, unit = picture.width, picture.height, picture.unit
        left, top, right, _ = picture.pixels(picture.layout.title_safe)
        across = _WIDTH[picture.shape] * width
        down = across * 0.78
        x = left if shown.text("place") == "left" else right - across
        y = top + (0.02 if picture.shape == "16:9" else 0.0) * height
        self.card: PixelBox = (x, y, x + across, y + down)
        edge = 40 * unit
        self.box: PixelBox = (x - edge, y - edge, x + across + edge, min(height, y + down + edge + height * 0.12))

    def key(self, moment: float) -> float:
        """How far it is in: 0 out, 1 in place."""
        span = self._span
        entered = min(1.0, max(0.0, (moment - span.start) / self.ENTER))
        left = min(1.0, max(0.0, (span.end - moment) / self.LEAVE))
        eased = 1 + 1.7 * (entered - 1) ** 3 + 0.7 * (entered - 1) ** 2
        return round(min(eased, left * left * (3 - 2 * left) if left < 1 else eased), 4)

    def draw(self, canvas: Any, moment: float) -> None:
        """Draw at ``moment`` of the scene."""
        u = self.picture.unit
        left, top, right, bottom = self.card
        paper = Paper(canvas, u)
        arrived = self.key(moment)
        canvas.save()
        canvas.translate(0, (1 - arrived) * self.picture.height * 0.10)
        canvas.rotate(-2.0 + 2.0 * arrived - 1.2, (left + right) / 2, bottom)
        canvas.saveLayerAlpha(None, round(255 * min(1.0, max(0.0, arrived) * 1.6)))
        sheet = cut_rect(left, top, right - left, bottom - top, 3 * u)
        canvas.drawPath(moved(sheet, 9 * u, 12 * u), paint("ink", 0.22))
        paper.piece(sheet, _MOUNT, darker(_MOUNT, 0.10), crescent=(5 * u, 4 * u))
        edge = 20 * u
        inside = cut_rect(left + edge, top + edge, right - left - 2 * edge, bottom - top - 2 * edge, 2 * u)
        paper.flat(inside, _GROUND)
        size = (bottom - top - 2 * edge) * 0.84
        with paper.clipped(inside):
            draw_thing(paper, self._thing, (left + right) / 2, (top + bottom) / 2, size)
        canvas.restore()
        canvas.restore()
