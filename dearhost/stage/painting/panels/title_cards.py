"""A scene's number and heading on a card that is the whole picture."""

from __future__ import annotations

from dearhost.drawing.fonts import Fonts
from dearhost.drawing.paper import Paper
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.entrances import Box
from dearhost.stage.painting.panels.panel import Panel
from dearhost.stage.painting.text_blocks import fitted
from dearhost.stage.timeline import Shown

_COMES = 0.55
"""Seconds in which its words come to rest and its stroke is drawn; the scene cuts in after it."""


class TitleCardPanel(Panel):
    """In the colours of slips; its words are there at once."""

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts) -> None:
        super().__init__(shown, picture, fonts)
        left, top, right, bottom = picture.pixels(picture.layout.title_safe)
        width, height = right - left, bottom - top
        size = picture.layout.title_text * picture.height * 1.9
        self._text = fitted(fonts, shown.text("text"), (width * 0.86, height * 0.6), (size, size * 0.3), self.face(), 4)
        number = shown.text("number")
        face = self.face("serif", "regular", self.colours.accent_ink)
        self._number = fitted(fonts, number, (width * 0.5, height * 0.2), (size * 0.9, size * 0.4), face, 1)

    def _reach(self) -> Box:
        return 0.0, 0.0, float(self.picture.width), float(self.picture.height)

    def key(self, moment: float) -> float:
        """How far its words have come to rest."""
        return round(min(1.0, max(0.0, (moment - self.shown.span.start) / _COMES)), 3)

    def ground(self) -> str:
        """Paper."""
        return self.colours.paper

    def draw(self, canvas: object, moment: float) -> None:
        """Draw at ``moment`` of the scene; nothing outside its span."""
        if not self.shown.span.start <= moment < self.shown.span.end:
            return
        paper = Paper(canvas, self.unit)
        self.draw_mount(paper)
        self.draw_content(paper, moment)

    def draw_content(self, paper: Paper, moment: float) -> None:
        """The number, a stroke and the heading, in the middle of the height."""
        left, top, right, bottom = self.picture.pixels(self.picture.layout.title_safe)
        done, u, gap = self.key(moment), self.unit, 0.32 * self._text.size
        taken = self._number.height + gap + self._text.height
        x, y = left + (right - left) * 0.07, top + (bottom - top - taken) / 2
        rise = (1 - done) ** 3 * 26 * u
        self._number.draw(paper, x, y - rise)
        self._text.draw(paper, x, y + self._number.height + gap + rise)
        length = (right - left) * 0.24 * (1 - (1 - done) ** 3)
        if length > 1:
            line = y + self._number.height + gap * 0.62
            stroke = [complex(x, line + 3 * u), complex(x + length / 2, line), complex(x + length, line + 4 * u)]
            paper.brush(stroke, 10 * u, self.colours.accent, tip=0.35, tail=0.2)
