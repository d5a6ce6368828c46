"""A sheet of paper in its region of the picture, that comes and goes."""

from __future__ import annotations

import math
from functools import cached_property
from typing import Any

from dearhost.drawing.colours import darker, paint
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.outlines import moved
from dearhost.drawing.paper import Paper
from dearhost.production.shown_cues import INK
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.entrances import ENTRANCES, LEAVING, Box, Coming, arrived, coming
from dearhost.stage.painting.ink import Board, Inked
from dearhost.stage.painting.text_blocks import LEAD, Face
from dearhost.stage.timeline import Shown
from dearhost.timebase import Span

_FRAMES = {"white": "#B9C1C2", "dark": "#A67C4B"}
"""Of boards."""
_AGES = 10.0
"""Seconds, longer than anything takes to come or go."""
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

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts) -> None:
        self.shown, self.picture, self.fonts = shown, picture, fonts
        self.colours = shown.colours
        self.whole = shown.region == "whole"
        self.panel: Box = picture.pixels(shown.box_in(picture.shape))
        self.unit = picture.unit
        self.board = shown.text("board")
        self.inked = shown.text("comes") == INK
        self.box: Box = self._reach()

    def _reach(self) -> Box:
        """What of the picture it takes up; a hand that draws may be anywhere."""
        if self.inked:
            return 0.0, 0.0, float(self.picture.width), float(self.picture.height)
        edge = _MARGIN * self.unit
        left, top, right, bottom = self.panel
        box = left - edge, top - edge, right + edge, bottom + edge
        return reach(self.shown.text("comes"), box, self.picture)

    def face(self, name: str = "serif", weight: str = "bold", colour: str = "", lead: float = LEAD) -> Face:
        """A way to set text, in the ink of the sheet unless another colour is given."""
        return Face(name, weight, colour or self.colours.ink, lead)

    def quiet(self, lead: float) -> Face:
        """How what matters less is set."""
        return self.face("sans", "regular", self.colours.quiet_ink, lead)

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

    def begins(self, box: Box, number: int) -> float | None:
        """When the word of a drawn thing is said, by its box and number; None where it has none of its own."""
        return None

    @cached_property
    def _ink(self) -> Inked:
        """How it is drawn, where it is drawn before one's eyes."""
        ground = self.ground() if self.whole else self.mount()
        board = Board(self.panel, self.unit, ground, self.colours.ink)
        leaves = ENTRANCES[INK].seconds * LEAVING
        return Inked(
            lambda paper: self.draw_content(paper, math.inf), board, self.shown.span, leaves, self.begins,
            pen=self.shown.text("pen"), follows=self.shown.text("follows") == "yes",
        )  # fmt: skip

    def _come(self, moment: float) -> float:
        """How far it is in; a board that was there before, or stays for what is drawn next, is there at once."""
        span = self.shown.span
        if self.shown.text("board") and not span.start <= moment < span.end:
            return 0.0
        before = _AGES if self.shown.text("was_there") else 0.0
        after = _AGES if self.shown.text("stays") else 0.0
        return arrived(self.shown.text("comes"), Span(span.start - before, span.end + after), moment)

    def key(self, moment: float) -> Any:
        """Equal keys give equal pixels."""
        return self._come(moment), self._ink.state(moment) if self.inked else self.state(moment)

    def draw(self, canvas: Any, moment: float) -> None:
        """Draw at ``moment`` of the scene; nothing outside its span."""
        done = self._come(moment)
        if done <= 0:
            return
        size = self.picture.width, self.picture.height
        with coming(self.shown.text("comes"), Coming(canvas, self.panel, size, self.unit, done)):
            paper = Paper(canvas, self.unit)
            self.draw_mount(paper)
            if self.inked:
                self._ink.draw(canvas, moment)
            else:
                self.draw_content(paper, moment)

    def draw_mount(self, paper: Paper) -> None:
        """The sheet itself."""
        left, top, right, bottom = self.panel
        u = self.unit
        if self.whole:
            paper.flat(cut_rect(left - 9, top - 9, right - left + 18, bottom - top + 18, 0), self.ground())
            return
        if self.board:
            edge = 15 * u
            frame = cut_rect(left - edge, top - edge, right - left + 2 * edge, bottom - top + 2 * edge, 2 * u)
            paper.canvas.drawPath(moved(frame, 9 * u, 12 * u), paint("ink", 0.20))
            paper.piece(frame, _FRAMES[self.board], darker(_FRAMES[self.board], 0.18), crescent=(4 * u, 4 * u))
            paper.flat(cut_rect(left, top, right - left, bottom - top, 0), self.mount())
            return
        sheet = cut_rect(left, top, right - left, bottom - top, 3 * u)
        paper.canvas.drawPath(moved(sheet, 9 * u, 12 * u), paint("ink", 0.20))
        mount = self.mount()
        paper.piece(sheet, mount, darker(mount, 0.10), crescent=(5 * u, 4 * u))

    def mount(self) -> str:
        """The colour of the sheet."""
        return self.colours.paper

    def ground(self) -> str:
        """The colour of the whole picture."""
        return self.colours.whole

    def draw_content(self, paper: Paper, moment: float) -> None:
        """What it says."""
        raise NotImplementedError
