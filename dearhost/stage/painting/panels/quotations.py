"""A quotation on dark paper, and who says it."""

from __future__ import annotations

from dearhost.drawing.fonts import Fonts
from dearhost.drawing.paper import Paper
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.panels.panel import Panel
from dearhost.stage.painting.text_blocks import fitted
from dearhost.stage.timeline import Shown


class QuotationPanel(Panel):
    """The words given, or those of the stretch."""

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts) -> None:
        super().__init__(shown, picture, fonts)
        text = (shown.text("text").strip() or shown.said).strip("“”\"'„«»")
        left, top, right, bottom = self.inside
        width, height = right - left, bottom - top
        size, label = (
            share * picture.height * (1.35 if self.whole else 1.0)
            for share in (picture.layout.quotation_text, picture.layout.label_text)
        )
        self._who = fitted(fonts, shown.text("who").strip(), (width * 0.76, height * 0.14), (label, label * 0.6),
                           self.face("sans", "regular", self.colours.card_mark), 1)  # fmt: skip
        room = width * 0.76, height * (0.56 if self._who.rows else 0.66)
        face = self.face("serif", "regular", self.colours.on_card, 1.24)
        self._text = fitted(fonts, text or "…", room, (size, size * 0.4), face, 5)
        self._mark = fonts.word(
            "“", min(self._text.size * 3, height * 0.5), face="serif", colour=self.colours.card_mark
        )
        self._mark_size = min(self._text.size * 3, height * 0.5)

    def mount(self) -> str:
        """A card of its own colour."""
        return self.colours.card

    def ground(self) -> str:
        """The same."""
        return self.colours.card

    def draw_content(self, paper: Paper, moment: float) -> None:
        """Mark, words and name."""
        left, top, right, bottom = self.inside
        width, height = right - left, bottom - top
        x = left + width * 0.12
        taken = self._text.height + (self._who.height + 0.5 * self._text.size if self._who.rows else 0)
        y = top + max(height * 0.20, (height - taken) * 0.58)
        y = min(y, bottom - taken - height * 0.06)
        paper.write(self._mark, left + width * 0.045, top + self._mark_size * 0.78)
        self._text.draw(paper, x, y)
        self._who.draw(paper, x, y + self._text.height + 0.5 * self._text.size)
