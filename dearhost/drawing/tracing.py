"""A drawing as a pen would follow it: the outlines of its pieces in the order they are cut, its words, and the photos
it goes over to and fro."""

from __future__ import annotations

import itertools
import math
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Any

import skia

from dearhost.drawing.fonts import Word
from dearhost.drawing.handwriting import strokes_of
from dearhost.drawing.outlines import Points, cut, disc
from dearhost.drawing.paper import Box, Paper
from dearhost.drawing.recorded import EVERYTHING

_FAINT = 0.5
"""Below this alpha what is filled is a shadow or a shine, and nobody draws its edge."""
_TIMES, _OVERLAPS = 12, 1.12
"""How many lines cross a square photo from corner to corner, half of them each way, and how much they overlap."""
_DOT = 0.01
_LEAST = 2.0
"""Pixels: what is smaller both ways has no outline."""


@dataclass(frozen=True)
class Outline:
    """A line to draw, in pixels; what is ``closed`` hides what was drawn under it."""

    path: Any
    closed: bool
    box: Box


@dataclass(frozen=True)
class Written:
    """A word or a line of them with the left end of its baseline at (``x``, ``y``) under a ``matrix``."""

    word: Word
    x: float
    y: float
    matrix: Any
    box: Box
    """In pixels."""

    def strokes(self) -> list[tuple[Any, float]]:
        """The lines of the pen that writes it, each with its width, in pixels."""
        scale = self.matrix.mapRadius(1.0)
        found = []
        for stroke in strokes_of(self.word):
            line = _line(stroke.points)
            line.offset(self.x, self.y)
            line.transform(self.matrix)
            found.append((line, stroke.width * scale))
        return found

    def draw(self, canvas: Any) -> None:
        """The word, whole."""
        canvas.save()
        canvas.concat(self.matrix)
        self.word.draw(canvas, self.x, self.y)
        canvas.restore()


@dataclass(frozen=True)
class Hatched:
    """A photo that a pen uncovers, going over it to and fro along ``path``; all in pixels."""

    path: Any
    width: float
    image: Any
    part: Box
    place: Box
    scaling: Any
    matrix: Any
    box: Box

    def strokes(self) -> list[tuple[Any, float]]:
        """The line of the pen, with its width."""
        return [(self.path, self.width)]

    def draw(self, canvas: Any) -> None:
        """The photo, whole."""
        canvas.save()
        canvas.concat(self.matrix)
        Paper(canvas, 1.0).photo(self.image, self.part, self.place, self.scaling)
        canvas.restore()


class TracedPaper(Paper):
    """Paper on which nothing is drawn: ``lines`` are what a pen would follow."""

    def __init__(self, scale: float) -> None:
        self._recorder = skia.PictureRecorder()
        super().__init__(self._recorder.beginRecording(EVERYTHING), scale)
        self._windows: list[Any] = []
        self.lines: list[Outline | Written | Hatched] = []

    @contextmanager
    def clipped(self, path: Any, *, needed: bool = True, outside: bool = False) -> Iterator[None]:
        """Lines inside ``path`` only; those ``outside`` one are followed whole."""
        window = needed and not outside
        if window:
            self._windows.append(self._in_pixels(path))
        try:
            yield
        finally:
            if window:
                self._windows.pop()

    def flat(self, path: Any, colour: str, alpha: float = 1.0) -> None:
        """Its edge, unless it is faint."""
        if alpha > _FAINT:
            self._follow(path)

    def piece(self, path: Any, base: str, shade: str | None = None, *, ink: float = 1.0,
              crescent: tuple[float, float] = (5.0, 4.0), rim: bool = True, lit: Any = None) -> None:  # fmt: skip
        """Its edge."""
        self._follow(path)

    def ink_edge(self, path: Any, weight: float = 1.0) -> None:
        """Nothing: the piece itself is followed."""

    def cast(self, onto: Any, caster: Any, dx: float = 4.0, dy: float = 6.0, colour: str = "ink",
             alpha: float = 0.16) -> None:  # fmt: skip
        """Nothing: a shadow has no line."""

    def dot(self, centre: complex, radius: float, colour: str) -> None:
        """Its edge."""
        self._follow(disc(centre, radius))

    def brush(self, pts: Points, width: float, colour: str = "ink", *, tip: float = 0.15, tail: float = 0.15,
              peak: float = 0.5, alpha: float = 1.0, steps: int = 0, within: Any = None) -> None:  # fmt: skip
        """The line that the brush goes along."""
        path = skia.Path()
        path.moveTo(pts[0].real, pts[0].imag)
        for before, after in itertools.pairwise(pts[1:]):  # smooth: corners are handles of the curve between them
            middle = (before + after) / 2
            path.quadTo(before.real, before.imag, middle.real, middle.imag)
        path.lineTo(pts[-1].real, pts[-1].imag)
        self._follow(path, closed=False)

    def write(self, word: Word, x: float, y: float) -> None:
        """The word itself."""
        matrix = self.canvas.getTotalMatrix()
        corners = skia.Rect.MakeXYWH(x, y - word.ascent, word.width, word.ascent * 1.3)
        self.lines.append(Written(word, x, y, matrix, _box(matrix.mapRect(corners))))

    def photo(self, image: Any, part: Box, place: Box, scaling: Any) -> None:
        """The way to and fro across it."""
        left, top, right, bottom = place
        width = (right - left + bottom - top) / 2 / _TIMES
        matrix, path = self.canvas.getTotalMatrix(), self._in_pixels(_line(_to_and_fro(place, width)))
        box = _box(matrix.mapRect(skia.Rect.MakeLTRB(*place)))
        broad = width * _OVERLAPS * matrix.mapRadius(1.0)
        self.lines.append(Hatched(path, broad, image, part, place, scaling, matrix, box))

    def _in_pixels(self, path: Any) -> Any:
        found = skia.Path(path)
        found.transform(self.canvas.getTotalMatrix())
        return found

    def _follow(self, path: Any, *, closed: bool = True) -> None:
        line = self._in_pixels(path)
        for window in self._windows if closed else ():
            inside = cut(line, window, skia.PathOp.kIntersect_PathOp)
            line = inside if inside is not None else line
        left, top, right, bottom = box = _box(line.getBounds())
        if max(right - left, bottom - top) >= _LEAST:
            self.lines.append(Outline(line, closed, box))


def _to_and_fro(place: Box, step: float) -> list[complex]:
    """A way aslant over a box from its upper left, and back between the lines it left; lines a ``step`` apart."""
    left, top, right, bottom = place
    wide, high = right - left, bottom - top
    count = math.ceil((wide + high) / step)
    points: list[complex] = []
    for turn, number in enumerate([*range(0, count, 2), *sorted(range(1, count, 2), reverse=True)]):
        along = (number + 0.5) * step  # where a line from the lower left to the upper right crosses the sides
        low = complex(left + max(0.0, along - high), top + min(along, high))
        up = complex(left + min(along, wide), top + max(0.0, along - wide))
        points += [low, up] if turn % 2 else [up, low]
    return points


def _line(points: Sequence[complex]) -> Any:
    """A line through points; a dot where there is but one."""
    path = skia.Path()
    path.moveTo(points[0].real, points[0].imag)
    for point in points[1:] or [points[0] + _DOT]:
        path.lineTo(point.real, point.imag)
    return path


def _box(rect: Any) -> Box:
    return rect.left(), rect.top(), rect.right(), rect.bottom()
