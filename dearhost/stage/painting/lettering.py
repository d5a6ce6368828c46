"""Captions and signs as they are drawn: on opaque paper, or with a dark edge all round, so that contrast never depends
on the picture."""

from __future__ import annotations

import math
import unicodedata
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from dearhost.drawing.colours import paint
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.fonts import Fonts, Word, balanced_lines
from dearhost.drawing.outlines import moved
from dearhost.drawing.paper import Paper
from dearhost.production import Choices
from dearhost.production.colours import colours_of
from dearhost.script import words_of
from dearhost.stage.caption_styles import CAPTION_STYLES, FACES, caption_colours
from dearhost.stage.captions import Caption
from dearhost.stage.layout.caption_room import ROW, caption_box, caption_size
from dearhost.stage.layout.shapes import Picture

LABEL_PAPER, LABEL_INK = "#14676B", "#FFFFFF"
_LABEL = 0.74
_EDGE, _EDGE_STEPS = 0.062, 14
"""How far an outline reaches, of the size of the letters, and how many times it is laid."""

PixelBox = tuple[float, float, float, float]


def _is_rtl(text: str) -> bool:
    return any(unicodedata.bidirectional(c) in ("R", "AL") for c in text)


@dataclass(frozen=True)
class _Placed:
    text: str
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
    """A caption laid out for a picture in its style: what is behind its words, the words, how the spoken one is
    marked."""

    def __init__(self, caption: Caption, picture: Picture, fonts: Fonts, choices: Choices) -> None:
        style = CAPTION_STYLES[choices.caption_style].dressed(colours_of(choices))
        own = caption_colours(choices.caption_colour)
        self.style = style.coloured(own) if own else style
        self.unit, self._fonts = picture.unit, fonts
        self._face = FACES[choices.caption_type]
        self.paper, self.ink = self.style.colours(caption.turn)
        self._texts = [w.text.upper() if choices.caption_case == "capitals" else w.text for w in caption.words]
        left, top, right, bottom = picture.pixels(caption_box(picture.shape, choices.caption_place))
        self.size = caption_size(picture.shape, choices) * picture.height
        if self.style.shows == "one":
            self._alone((left, top, right, bottom), choices.caption_place)
        else:
            self._in_rows(caption, (left, top, right, bottom), choices.caption_place)
        self.label = self._label(caption.label, fonts) if caption.label and self.strips else None
        edge = 8 * self.unit + (self.size * _EDGE if self.style.edge else 0)
        boxes = [*self.strips, *([self.label[0]] if self.label else [])]
        self.box: PixelBox = (
            min(s[0] for s in boxes) - edge, min(s[1] for s in boxes) - edge, max(s[2] for s in boxes) + edge,
            max(s[3] for s in boxes) + edge,
        )  # fmt: skip

    def _in_rows(self, caption: Caption, room: PixelBox, place: str) -> None:
        """Rows of words in the room for captions, smaller where a row is too broad for it."""
        left, top, right, bottom = room
        size = self.size
        widest = right - left - 1.5 * size
        broad = max(self._breadth(first, last, size) for first, last in caption.lines)
        size *= min(1.0, widest / broad)
        self.size = size
        space = self._space(size)
        height, middle = size * ROW, (left + right) / 2
        begin = top if place == "top" else bottom - len(caption.lines) * height
        self.strips: list[PixelBox] = []
        self.words: list[_Placed] = []
        for number, (first, last) in enumerate(caption.lines):
            width = self._breadth(first, last, size) + 1.5 * size
            y = begin + number * height
            self.strips.append((middle - width / 2, y, middle + width / 2, y + height))
            x = middle - width / 2 + 0.75 * size
            backwards = _is_rtl("".join(self._texts[first:last]))
            placed = []
            for text in self._texts[first:last][:: -1 if backwards else 1]:
                placed.append(self._placed(text, x, y + 1.13 * size, size))
                x += placed[-1].word.width + space
            self.words += placed[::-1] if backwards else placed

    def _alone(self, room: PixelBox, place: str) -> None:
        """Each word by itself in the middle of the room, as large as fits."""
        left, top, right, bottom = room
        size = self.size
        broad = max(self._set(text, size).width for text in self._texts)
        size *= min(1.0, (right - left - size) / broad)
        self.size = size
        middle, height = (left + right) / 2, size * ROW
        y = top if place == "top" else bottom - height
        widest = max(self._set(text, size).width for text in self._texts) + size
        self.strips = [(middle - widest / 2, y, middle + widest / 2, y + height)]
        self.words = [
            self._placed(text, middle - self._set(text, size).width / 2, y + 1.13 * size, size) for text in self._texts
        ]

    def _set(self, text: str, size: float, colour: str = "ink") -> Word:
        face, weight = self._face
        return self._fonts.word(text, size, face=face, weight=weight, colour=colour)

    def _space(self, size: float) -> float:
        return self._set(" x", size).width - self._set("x", size).width

    def _breadth(self, first: int, last: int, size: float) -> float:
        widths = [self._set(text, size).width for text in self._texts[first:last]]
        return float(sum(widths) + self._space(size) * (len(widths) - 1))

    def _placed(self, text: str, x: float, baseline: float, size: float) -> _Placed:
        word = self._set(text, size, colour=self.ink)
        core = self._set(text.rstrip('.,;:?!"”'), size).width if words_of(text) else word.width
        return _Placed(text, word, x, baseline, core)

    def _label(self, name: str, fonts: Fonts) -> tuple[PixelBox, Word]:
        """The speaker's name on a small strip at the upper left of the caption."""
        size = self.size * _LABEL
        word = fonts.word(name, size, colour=LABEL_INK)
        left, top = self.strips[0][0], self.strips[0][1]
        return (left, top - 1.5 * size, left + word.width + 1.2 * size, top), word

    def draw(self, canvas: Any, current: int) -> None:
        """Draw with word ``current`` marked; -1 marks none."""
        _GROUNDS[self.style.ground](self, canvas, self._rows(current))
        if self.label:
            (left, top, right, bottom), word = self.label
            canvas.drawPath(cut_rect(left, top, right - left, bottom - top, 2 * self.unit), paint(LABEL_PAPER))
            size = self.size * _LABEL
            word.draw(canvas, left + 0.6 * size, top + 1.08 * size)
        for index, placed in enumerate(self.words):
            if self.style.shows == "one" and index != max(0, current):
                continue
            if self.style.shows == "said" and index > current:
                continue
            self._word(canvas, placed, marked=index == current and bool(self.style.mark))

    def _rows(self, current: int) -> list[PixelBox]:
        """The strips as far as words of theirs are there."""
        if self.style.shows != "said":
            return self.strips
        said = self.words[: max(0, current) + 1]
        rows = []
        for left, top, right, bottom in self.strips:
            there = [placed for placed in said if top < placed.baseline < bottom]
            if there:
                ends = [end for placed in there for end in (placed.x, placed.x + placed.word.width)]
                edge = 0.75 * self.size
                rows.append((max(left, min(ends) - edge), top, min(right, max(ends) + edge), bottom))
        return rows

    def _word(self, canvas: Any, placed: _Placed, *, marked: bool) -> None:
        block = marked and self.style.mark == "block"
        if block:
            self._mark(canvas, placed)
        elif self.style.edge:
            self._edge(canvas, placed)
        word = self._set(placed.text, self.size, colour=self.style.mark_ink) if marked else placed.word
        word.draw(canvas, placed.x, placed.baseline)

    def _edge(self, canvas: Any, placed: _Placed) -> None:
        """The letters' outline: the word in the edge's colour a little off to every side."""
        dark = self._set(placed.text, self.size, colour=self.style.edge)
        reach = self.size * _EDGE
        if self.style.shadow:
            dark.draw(canvas, placed.x + reach * 1.3, placed.baseline + reach * 1.6)
        for turn in range(_EDGE_STEPS):
            angle = 2 * math.pi * turn / _EDGE_STEPS
            dark.draw(canvas, placed.x + reach * math.cos(angle), placed.baseline + reach * math.sin(angle))

    def draw_strips(self, canvas: Any, rows: Sequence[PixelBox]) -> None:
        """A strip of paper behind each row."""
        u = self.unit
        for left, top, right, bottom in rows:
            strip = cut_rect(left, top, right - left, bottom - top, 2 * u)
            canvas.drawPath(moved(strip, 4 * u, 5 * u), paint("ink", 0.30))
        for left, top, right, bottom in rows:
            overlap = 0 if bottom == rows[-1][3] else 2
            canvas.drawPath(cut_rect(left, top, right - left, bottom - top + overlap, 2 * u), paint(self.paper))

    def draw_box(self, canvas: Any, rows: Sequence[PixelBox]) -> None:
        """One piece of dark paper behind all of it."""
        left, top = min(s[0] for s in rows), rows[0][1]
        right, bottom = max(s[2] for s in rows), rows[-1][3]
        canvas.drawPath(cut_rect(left, top, right - left, bottom - top, 2 * self.unit), paint(self.paper))

    def draw_nothing(self, canvas: Any, rows: Sequence[PixelBox]) -> None:
        """Letters alone."""

    def _mark(self, canvas: Any, placed: _Placed) -> None:
        size, u = self.size, self.unit
        left, top = placed.x - 0.16 * size, placed.baseline - 0.93 * size
        width = placed.core_width + 0.32 * size
        canvas.drawPath(cut_rect(left, top, width, 1.22 * size, 2 * u), paint(self.style.mark_paper))
        if self.style.ground == "strips":
            canvas.drawPath(cut_rect(left, top + 1.14 * size, width, 0.10 * size, 0.5), paint(self.style.rule))


_GROUNDS: Mapping[str, Callable[[CaptionDrawing, Any, Sequence[PixelBox]], None]] = {
    "strips": CaptionDrawing.draw_strips, "box": CaptionDrawing.draw_box, "": CaptionDrawing.draw_nothing,
}  # fmt: skip
