"""A word or a few, large, with a brush stroke under them."""

from __future__ import annotations

from dearhost.drawing.fonts import Fonts
from dearhost.drawing.paper import Paper
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.panels.panel import Panel
from dearhost.stage.painting.text_blocks import fitted
from dearhost.stage.timeline import Shown


class LargeWordsPanel(Panel):
    """The words given, or those of the stretch."""

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts) -> None:
        super().__init__(shown, picture, fonts)
        text = shown.text("text").strip() or shown.said.strip(" ,.;:")
        left, top, right, bottom = self.inside
        size = picture.layout.number_text * picture.height * 0.62
        box = ((right - left) * 0.84, (bottom - top) * 0.70)
        self._text = fitted(
            fonts,
            text[:1].upper() + text[1:] or "…",
            box,
            (size, size * 0.25),
            self.face(lead=1.1),
            3,
        )

    def draw_content(self, paper: Paper, moment: float) -> None:
        """The words in the middle."""
        left, top, right, bottom = self.inside
        middle, y = (left + right) / 2, (top + bottom - self._text.height) / 2 - 0.1 * self._text.size
        self._text.draw(paper, middle, y, 0.5)
        half, foot = self._text.width / 2, y + self._text.height + 0.10 * self._text.size
        stroke = [
            complex(middle - half, foot + 6 * self.unit),
            complex(middle, foot),
            complex(middle + half, foot + 8 * self.unit),
        ]
        paper.brush(stroke, max(6 * self.unit, 0.11 * self._text.size), self.colours.accent, tip=0.3, tail=0.2)
