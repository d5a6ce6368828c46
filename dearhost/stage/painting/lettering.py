"""Captions and titles as they are drawn: ink on opaque paper, so contrast never depends on the picture."""

from __future__ import annotations

import unicodedata
from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from dearhost.drawing.colours import paint
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.fonts import Fonts, Word, balanced_lines
from dearhost.drawing.outlines import moved
from dearhost.drawing.paper import Paper
from dearhost.script import words_of
from dearhost.stage.captions import Caption
from dearhost.stage.layout.shapes import Picture

CAPTION_PAPER, CAPTION_INK = "#FFFDF4", "#1E2B35"
LABEL_PAPER, LABEL_INK = "#14676B", "#FFFFFF"
_LABEL = 0.74
HIGHLIGHT, HIGHLIGHT_RULE = "#F0C659", "#B4321C"

PixelBox = tuple[float, float, float, float]


def _is_rtl(text: str) -> bool:
    return any(unicodedata.bidirectional(c) in ("R", "AL") for c in text)


@dataclass(frozen=True)
class _Placed:
    word: Word
    x: float
    baseline: float
    core_width: float


def sign_lettering(fonts: Fonts) -> Callable[[Paper, str, float, float], None]:
    """Words in the middle of a sign: in as few lines as let them be large."""

    def draw(paper: Paper, text: str, width: float, height: float) -> None:
        words = text.split()
        if not words:
            return
        best: tuple[float, list[str]] = (0.0, [])
        for lines in range(1, min(4, len(words)) + 1):
            widths = [fonts.word(word, 10).width for word in words]
            measure = max(*widths, (sum(widths) + 3 * len(words)) / lines * 1.15) if len(words) > 1 else widths[0]
            rows = [" ".join(words[a:b]) for a, b in balanced_lines(widths, 3, measure)]
            broad = max(fonts.word(row, 10).width for row in rows)
            best = max(best, (min(10 * width / broad, height / len(rows) / 1.15), rows))
        size, rows = best
        for number, row in enumerate(rows):
            word = fonts.word(row, size, colour="#1E2B35")
            baseline = (number - len(rows) / 2 + 0.82) * size * 1.15
            word.draw(paper.canvas, -word.width / 2, baseline)

    return draw


class CaptionDrawing:
    """A caption laid out for a picture: strips, words, and the block behind the spoken one."""

    def __init__(self, caption: Caption, picture: Picture, fonts: Fonts) -> None:
        left, _, right, bottom = picture.pixels(picture.layout.captions)
        size = picture.layout.caption_text * picture.height
        self.unit = picture.unit
        widest = right - left - 1.5 * size
        rows = [[fonts.word(w.text, size) for w in caption.words[a:b]] for a, b in caption.lines]
        space = fonts.word(" x", size).width - fonts.word("x", size).width
        broad = max(sum(w.width for w in row) + space * (len(row) - 1) for row in rows)
        if broad > widest:
            size *= widest / broad
            rows = [[fonts.word(w.text, size) for w in caption.words[a:b]] for a, b in caption.lines]
            space = fonts.word(" x", size).width - fonts.word("x", size).width
        self.size = size
        height = size * 1.62
        middle = (left + right) / 2
        top = bottom - len(rows) * height
        self.strips: list[PixelBox] = []
        self.words: list[_Placed] = []
        for number, (row, (first, last)) in enumerate(zip(rows, caption.lines, strict=True)):
            width = sum(w.width for w in row) + space * (len(row) - 1) + 1.5 * size
            y = top + number * height
            self.strips.append((middle - width / 2, y, middle + width / 2, y + height))
            x = middle - width / 2 + 0.75 * size
            backwards = _is_rtl("".join(w.text for w in caption.words[first:last]))
            placed = []
            for word, shown in zip(row[::-1] if backwards else row,
                                   caption.words[first:last][::-1] if backwards else caption.words[first:last],
                                   strict=True):  # fmt: skip
                cores = words_of(shown.text)
                core = fonts.word(shown.text.rstrip('.,;:?!"”'), size).width if cores else word.width
                placed.append(_Placed(word, x, y + 1.13 * size, core))
                x += word.width + space
            self.words += placed[::-1] if backwards else placed
        self.label = self._label(caption.label, fonts) if caption.label else None
        edge = 8 * self.unit
        boxes = [*self.strips, *([self.label[0]] if self.label else [])]
        self.box: PixelBox = (
            min(s[0] for s in boxes) - edge, min(s[1] for s in boxes) - edge, max(s[2] for s in boxes) + edge,
            bottom + edge,
        )  # fmt: skip

    def _label(self, name: str, fonts: Fonts) -> tuple[PixelBox, Word]:
        """The speaker's name on a small strip at the upper left of the caption."""
        size = self.size * _LABEL
        word = fonts.word(name, size, colour=LABEL_INK)
        left, top = self.strips[0][0], self.strips[0][1]
        return (left, top - 1.5 * size, left + word.width + 1.2 * size, top), word

    def draw(self, canvas: Any, current: int) -> None:
        """Draw with word ``current`` marked; -1 marks none."""
        u = self.unit
        for left, top, right, bottom in self.strips:
            strip = cut_rect(left, top, right - left, bottom - top, 2 * u)
            canvas.drawPath(moved(strip, 4 * u, 5 * u), paint("ink", 0.30))
        for left, top, right, bottom in self.strips:
            overlap = 0 if bottom == self.strips[-1][3] else 2
            canvas.drawPath(cut_rect(left, top, right - left, bottom - top + overlap, 2 * u), paint(CAPTION_PAPER))
        if self.label:
            (left, top, right, bottom), word = self.label
            canvas.drawPath(cut_rect(left, top, right - left, bottom - top, 2 * u), paint(LABEL_PAPER))
            size = self.size * _LABEL
            word.draw(canvas, left + 0.6 * size, top + 1.08 * size)
        if 0 <= current < len(self.words):
            self._mark(canvas, self.words[current])
        for placed in self.words:
            placed.word.draw(canvas, placed.x, placed.baseline)

    def _mark(self, canvas: Any, placed: _Placed) -> None:
        size, u = self.size, self.unit
        left, top = placed.x - 0.16 * size, placed.baseline - 0.93 * size
        width = placed.core_width + 0.32 * size
        canvas.drawPath(cut_rect(left, top, width, 1.22 * size, 2 * u), paint(HIGHLIGHT))
        canvas.drawPath(cut_rect(left, top + 1.14 * size, width, 0.10 * size, 0.5), paint(HIGHLIGHT_RULE))
