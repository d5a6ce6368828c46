"""A number, large, with what it counts and what it says."""

from __future__ import annotations

import re

from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.paper import Paper
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.panels.panel import Panel
from dearhost.stage.painting.text_blocks import fitted
from dearhost.stage.timeline import Shown

_NUMBER = re.compile(r"[£$€]?\d[\d.,]*\s?%?")


class NumberPanel(Panel):
    """The number given, or the first that is said."""

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts) -> None:
        super().__init__(shown, picture, fonts)
        found = _NUMBER.search(shown.said)
        number = shown.text("number").strip() or (found.group().strip().rstrip(".,") if found else shown.said)
        unit, text = shown.text("unit").strip(), shown.text("text").strip()
        left, top, right, bottom = self.inside
        width, height = (right - left) * 0.86, bottom - top
        size = picture.layout.number_text * picture.height
        small = picture.layout.list_text * picture.height
        self._unit = fitted(fonts, unit, (width * 0.55, height * 0.2), (small * 1.3, small * 0.6),
                            self.face("serif", "regular"), 2) if unit else None  # fmt: skip
        taken = self._unit.width + 0.3 * small if self._unit and len(number) < 5 else 0.0
        share = 0.50 if text or unit else 0.8
        self._number = fitted(
            fonts,
            number or "?",
            (width - taken, height * share),
            (size, small),
            self.face("serif", "bold", self.colours.accent_ink, 1.0),
            1,
        )
        self._beside = bool(taken)
        self._text = fitted(fonts, text, (width, height * 0.30), (small * 0.95, small * 0.5),
                            self.quiet(1.28), 3) if text else None  # fmt: skip

    def draw_content(self, paper: Paper, moment: float) -> None:
        """Number, unit, a rule, and the text under it."""
        left, top, right, bottom = self.inside
        width, height = right - left, bottom - top
        x = left + width * 0.07
        if self.whole:  # nothing stands beside it: in the middle
            widest = max(self._number.width + (self._unit.width if self._unit else 0), width * 0.5)
            x = left + (width - min(widest, width * 0.86)) / 2
            width = min(widest, width * 0.86) / 0.86
        parts = [self._number.height * 0.92]
        if self._unit and not self._beside:
            parts.append(self._unit.height)
        if self._text:
            parts.append(self._text.height + 0.09 * height)
        y = top + (height - sum(parts)) / 2
        self._number.draw(paper, x, y)
        foot = y + self._number.size * 0.86 + (len(self._number.rows) - 1) * self._number.size
        if self._unit and self._beside:
            self._unit.draw(
                paper, x + self._number.width + 0.04 * width, foot - self._unit.height + self._unit.size * 0.3
            )
        y = foot + 0.05 * height
        if self._unit and not self._beside:
            self._unit.draw(paper, x, y)
            y += self._unit.height + 0.02 * height
        if self._text:
            paper.flat(cut_rect(x, y, width * 0.86, 4 * self.unit, 1), self.colours.ink)
            self._text.draw(paper, x, y + 0.04 * height)
