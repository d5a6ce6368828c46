"""Two things side by side, or one above the other in tall pictures."""

from __future__ import annotations

from typing import Any

from dearhost.drawing.colours import darker, paint
from dearhost.drawing.cut_shapes import cut_disc, cut_rect
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.outlines import moved
from dearhost.drawing.paper import Paper
from dearhost.hosts import draw_thing
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.entrances import Box
from dearhost.stage.painting.panels.panel import Panel
from dearhost.stage.painting.text_blocks import TextBlock, fitted
from dearhost.stage.timeline import Shown

_FIELDS = ("#CFE0DC", "#EAD9B7")


class ComparisonPanel(Panel):
    """Each on a mount of its own, with its name under it."""

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts) -> None:
        super().__init__(shown, picture, fonts)
        left, top, right, bottom = self.inside
        gap = 26 * self.unit
        if right - left > (bottom - top) * 0.95:
            middle = (left + right) / 2
            self._cards: tuple[Box, Box] = (
                (left, top, middle - gap / 2, bottom),
                (middle + gap / 2, top, right, bottom),
            )
            self._between = complex(middle, (top + bottom) / 2)
        else:
            middle = (top + bottom) / 2
            self._cards = ((left, top, right, middle - gap / 2), (left, middle + gap / 2, right, bottom))
            self._between = complex(right - 84 * self.unit, middle)  # clear of the upper name
        self._things = shown.text("shows"), shown.text("against")
        size = picture.layout.label_text * picture.height
        self._names: list[TextBlock] = [
            fitted(fonts, shown.text(name).strip(), ((card[2] - card[0]) * 0.88, (card[3] - card[1]) * 0.24),
                   (size, size * 0.55), self.face(), 2)
            for name, card in zip(("says", "says_against"), self._cards, strict=True)
        ]  # fmt: skip

    def draw_mount(self, paper: Paper) -> None:
        """Nothing but a board or the ground of a whole picture: each has a mount of its own."""
        if self.whole or self.board:
            super().draw_mount(paper)

    def draw_content(self, paper: Paper, moment: float) -> None:
        """Both cards, and what stands between them."""
        for card, thing, name, field, tilt in zip(
            self._cards, self._things, self._names, _FIELDS, (-0.7, 0.7), strict=True
        ):
            self._draw_card(paper, card, thing, name, field, tilt)
        word = self.shown.text("between")
        if word != "nothing":
            radius = 54 * self.unit
            paper.flat(cut_disc(self._between.real, self._between.imag, radius, 0.02), "ink")
            label = self.fonts.word(word, radius * 0.78, face="serif", weight="regular", colour="#FBF5E8")
            paper.write(label, self._between.real - label.width / 2, self._between.imag + radius * 0.25)

    def _draw_card(self, paper: Paper, card: Box, thing: str, name: TextBlock, field: str, tilt: float) -> None:
        left, top, right, bottom = card
        u, canvas = self.unit, paper.canvas
        edge, foot = 16 * u, (name.height + 20 * u if name.rows else 16 * u)
        canvas.save()
        canvas.rotate(0 if self.board else tilt, (left + right) / 2, (top + bottom) / 2)
        window = left + edge, top + edge, right - edge, bottom - foot
        if not self.board:
            sheet: Any = cut_rect(left, top, right - left, bottom - top, 3 * u)
            canvas.drawPath(moved(sheet, 9 * u, 12 * u), paint("ink", 0.20))
            paper.piece(sheet, self.colours.paper, darker(self.colours.paper, 0.10), crescent=(5 * u, 4 * u))
            paper.flat(cut_rect(window[0], window[1], window[2] - window[0], window[3] - window[1], 2 * u), field)
        size = min(window[2] - window[0], window[3] - window[1]) * 0.72
        draw_thing(paper, thing, (window[0] + window[2]) / 2, (window[1] + window[3]) / 2, size)
        name.draw(paper, (left + right) / 2, bottom - foot + 8 * u, 0.5)
        canvas.restore()
