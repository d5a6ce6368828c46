"""A list whose rows fall on their words; the row that is spoken about is marked."""

from __future__ import annotations

from typing import Any

from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.paper import Paper
from dearhost.hosts import draw_thing
from dearhost.stage.layout.shapes import Picture
from dearhost.stage.painting.entrances import Box
from dearhost.stage.painting.panels.panel import Panel
from dearhost.stage.painting.text_blocks import TextBlock, fitted
from dearhost.stage.timeline import Shown

_FALL = 0.30
"""Seconds in which a row falls."""


class ListPanel(Panel):
    """All rows in one size."""

    def __init__(self, shown: Shown, picture: Picture, fonts: Fonts) -> None:
        super().__init__(shown, picture, fonts)
        left, top, right, bottom = self.inside
        width, height = right - left, bottom - top
        size = picture.layout.list_text * picture.height
        self._pad = 0.7 * size
        self._title: TextBlock | None = None
        if title := shown.text("title").strip():
            room = width - 2 * self._pad, height * 0.24
            self._title = fitted(fonts, title, room, (size * 1.12, size * 0.6), self.face(), 2)
        self._top = top + self._pad + (self._title.height + 0.4 * size if self._title else 0)
        self._row = (bottom - self._pad * 0.6 - self._top) / max(1, len(shown.rows))
        self._row = min(self._row, size * 3.4)
        self._icon = min(self._row * 0.80, 1.9 * size)
        text_width = width - 2 * self._pad - self._icon - 0.6 * size
        smallest, face = size, self.face("sans", "regular")
        for own in shown.rows:
            block = fitted(fonts, own.text, (text_width, self._row * 0.94), (size, size * 0.5), face, 2)
            smallest = min(smallest, block.size)
        self._rows = [
            fitted(fonts, own.text, (text_width, self._row), (smallest, smallest), face, 3) for own in shown.rows
        ]

    def state(self, moment: float) -> Any:
        """How far each row has fallen, and which is marked."""
        fallen = tuple(round(min(1.0, max(0.0, (moment - row.at) / _FALL)), 3) for row in self.shown.rows)
        return fallen, sum(moment >= row.at for row in self.shown.rows) - 1

    def draw_content(self, paper: Paper, moment: float) -> None:
        """Heading and rows."""
        left, top, right, _ = self.inside
        u, size = self.unit, self._rows[0].size if self._rows else 1.0
        if self._title:
            self._title.draw(paper, left + self._pad, top + self._pad)
        fallen, current = self.state(moment)
        if self.inked:  # rows are not marked while they are written
            current = -1
        for number, (row, done) in enumerate(zip(self._rows, fallen, strict=True)):
            if done <= 0:
                continue
            y = self._top + number * self._row
            slide = (1 - done) ** 3 * 0.05 * self.picture.width
            paper.canvas.save()
            paper.canvas.translate(slide, 0)
            if done < 1:
                paper.canvas.saveLayerAlpha(None, round(255 * min(1.0, done * 1.6)))
            if number == current:
                mark = cut_rect(left + 0.4 * self._pad, y + self._row * 0.03, right - left - 0.8 * self._pad,
                                self._row * 0.94, 2 * u)  # fmt: skip
                paper.flat(mark, self.colours.row)
            middle = y + self._row / 2
            x = left + self._pad + self._icon / 2
            if thing := self.shown.rows[number].thing:
                draw_thing(paper, thing, x, middle, self._icon)
            else:
                self._draw_number(paper, number + 1, x, middle)
            row.draw(paper, left + self._pad + self._icon + 0.6 * size, middle - row.height / 2)
            if done < 1:
                paper.canvas.restore()
            paper.canvas.restore()

    def begins(self, box: Box, number: int) -> float | None:
        """The moment of the row a drawn thing or line lies in."""
        row = int(((box[1] + box[3]) / 2 - self._top) // self._row)
        return self.shown.rows[row].at if 0 <= row < len(self.shown.rows) else None

    def _draw_number(self, paper: Paper, number: int, x: float, y: float) -> None:
        """A row's number, where no thing goes with it."""
        paper.dot(complex(x, y), self._icon * 0.42, self.colours.dot)
        word = self.fonts.word(str(number), self._icon * 0.5, face="serif", colour=self.colours.on_dot)
        paper.write(word, x - word.width / 2, y + self._icon * 0.18)
