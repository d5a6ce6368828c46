"""A sheet of paper in its region of the picture, that comes and goes."""

from __future__ import annotations

from typing import Any

from dearhost.drawing.colours import darker, paint
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.outlines import moved
from dearhost.drawing.paper import Paper
from dearhost.stage.layout.shapes import Picture, panel_box
from dearhost.stage.painting.entrances import Box, Coming, arrived, coming
from dearhost.stage.timeline import Shown

MOUNT, GROUND, QUIET_INK = "#FFFDF4", "#E2E9DD", "#3E4C54"
_MARGIN = 60
"""Units about a panel that its shadow and its coming take up."""


def reach(way: str, box: Box, picture: Picture) -> Box:
    """What of the picture something in ``box`` takes up while it comes and goes."""
    left, top, right, bottom = box
    if way == "slides":
        left, right = 0.0, float(picture.width)
    elif way in ("rises", "drops"):
        top, bottom = 0.0, float(picture.height)
    return max(0.0, left), max(0.0, top), min(float(picture.width), right), min(float(picture.height), bottom)


class Panel:
    """Shown in ``box`` pixels; what it says is drawn by ``draw_content`` of a subclass."""

    mount = MOUNT

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts) -> None:
        self.shown, self.picture, self.fonts = shown, picture, fonts
        self.whole = shown.region == "whole"
        self.panel: Box = picture.pixels(panel_box(picture.shape, shown.region or "right"))
        self.unit = picture.unit
        edge = _MARGIN * self.unit
        left, top, right, bottom = self.panel
        self.box: Box = reach(shown.text("comes"), (left - edge, top - edge, right + edge, bottom + edge), picture)

    @property
    def inside(self) -> Box:
        """Where the panel says something: what of the whole picture is free of captions and edges."""
        if not self.whole:
            return self.panel
        left, top, right, _ = self.picture.pixels(self.picture.layout.title_safe)
        return left, top, right, self.picture.layout.captions[1] * self.picture.height - 24 * self.unit

    def state(self, moment: float) -> Any:
        """What else changes while it is there."""
        return None

    def key(self, moment: float) -> Any:
        """Equal keys give equal pixels."""
        return arrived(self.shown.text("comes"), self.shown.span, moment), self.state(moment)

    def draw(self, canvas: Any, moment: float) -> None:
        """Draw at ``moment`` of the scene; nothing outside its span."""
        done = arrived(self.shown.text("comes"), self.shown.span, moment)
        if done <= 0:
            return
        size = self.picture.width, self.picture.height
        with coming(self.shown.text("comes"), Coming(canvas, self.panel, size, self.unit, done)):
            paper = Paper(canvas, self.unit)
            self.draw_mount(paper)
            self.draw_content(paper, moment)

    def draw_mount(self, paper: Paper) -> None:
        """The sheet itself."""
        left, top, right, bottom = self.panel
        u = self.unit
        if self.whole:
            paper.flat(cut_rect(left - 9, top - 9, right - left + 18, bottom - top + 18, 0), self.ground())
            return
        sheet = cut_rect(left, top, right - left, bottom - top, 3 * u)
        paper.canvas.drawPath(moved(sheet, 9 * u, 12 * u), paint("ink", 0.20))
        paper.piece(sheet, self.mount, darker(self.mount, 0.10), crescent=(5 * u, 4 * u))

    def ground(self) -> str:
        """The colour of the whole picture."""
        return self.mount if self.mount != MOUNT else GROUND

    def draw_content(self, paper: Paper, moment: float) -> None:
        """What it says."""
        raise NotImplementedError
