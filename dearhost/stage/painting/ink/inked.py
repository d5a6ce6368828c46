"""A panel's content drawn before one's eyes by a hand or a pen, then coloured; the camera goes along if asked."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import Any

import skia

from dearhost.drawing.colours import paint, rgb
from dearhost.drawing.outlines import polygon
from dearhost.drawing.paper import Box, Paper
from dearhost.drawing.recorded import recorded
from dearhost.drawing.tracing import Outline, TracedPaper
from dearhost.stage.painting.entrances import smooth
from dearhost.stage.painting.ink.pens import PENS
from dearhost.stage.painting.ink.plan import Begins, DrawnLine, DrawnThing, is_hurried, planned
from dearhost.timebase import Span

_WEIGHT = 4.4
"""Units: the pen's."""
_AWAY = 0.45
"""Seconds in which the hand comes and goes."""
_PATIENCE = 1.4
"""Seconds without a line after which the hand leaves."""
_NEAR, _ZOOMS, _LOOKS = 1.34, 0.9, 0.55
"""How near the camera goes, seconds in which it does, seconds before and after over which it evens its way."""
_WHERE_DRAWN = skia.Paint(BlendMode=skia.BlendMode.kSrcIn)
_EDGE = 34.0
"""Units about a thing that its shadow takes up."""


@dataclass(frozen=True)
class Board:
    """What is drawn on: the ``window`` in pixels, a ``unit``, the colour of the ``ground`` and of the ``ink``."""

    window: Box
    unit: float
    ground: str
    ink: str


class Inked:
    """What ``draw`` draws, line by line within ``span``; ``pen`` is a name of PENS or "", ``follows`` moves the camera.

    ``begins`` tells of a thing, by its box and number, when its word is said.
    """

    def __init__(self, draw: Callable[[Paper], None], board: Board, span: Span, leaves: float,
                 begins: Begins, *, pen: str = "", follows: bool = False) -> None:  # fmt: skip
        self._board, self._span = board, span
        traced = TracedPaper(board.unit)
        draw(traced)
        self._picture = recorded(draw, board.unit)
        self.things = planned(traced.lines, board.unit, span, begins, leaves)
        self._lines = [line for thing in self.things for line in thing.lines]
        self._pen = None if is_hurried(self.things, board.unit) else PENS.get(pen)
        self._follows = follows
        self._stroke = _stroke(board.ink, _WEIGHT * board.unit)
        self._busy = _busy(self._lines)
        self.drawn_at = self._lines[-1].span.end if self._lines else span.start
        last_wash = max((thing.wash.end for thing in self.things), default=span.start)
        self._ends = max(last_wash, self.drawn_at + max(_AWAY, _ZOOMS if follows else 0.0))
        self._moves = self._moving()

    def _moving(self) -> list[tuple[float, float]]:
        """From when to when something changes: the pen, colours that come, the camera on its way."""
        if self._follows:
            return [(self._span.start, self._ends)]
        busy = [(start - _AWAY, end + _AWAY) for start, end in self._busy]
        return [*busy, *((thing.wash.start, thing.wash.end) for thing in self.things)]

    def state(self, moment: float) -> float:
        """Equal states give equal pixels: while a word is waited for, nothing changes."""
        if moment >= self._ends:
            return -1.0
        if any(start < moment < end for start, end in self._moves):
            return round(moment, 4)
        return round(max((end for _, end in self._moves if end <= moment), default=self._span.start), 4)

    def draw(self, canvas: Any, moment: float) -> None:
        """What is there at ``moment`` of the scene."""
        if moment >= self._ends:
            canvas.drawPicture(self._picture)
            return
        canvas.save()
        canvas.clipRect(skia.Rect.MakeLTRB(*self._board.window))
        near, about = self._camera(moment)
        if near != 1.0:
            canvas.translate(about.real * (1 - near), about.imag * (1 - near))
            canvas.scale(near, near)
        washed = [self._washed(thing, moment) for thing in self.things]
        self._draw_coloured(canvas, washed)
        for thing, part in zip(self.things, washed, strict=True):
            if thing.washed(moment) < 1.0 or not thing.is_coloured:
                self._draw_lines(canvas, thing, part, moment)
        canvas.restore()
        self._draw_pen(canvas, moment, near, about)

    def _draw_coloured(self, canvas: Any, washed: list[Any]) -> None:
        """The colours of things as far as they have come."""
        region = skia.Path()
        for part in washed:
            if part is not None:
                region.addPath(part)
        if region.countPoints():
            canvas.save()
            canvas.clipPath(region, skia.ClipOp.kIntersect, True)
            canvas.drawPicture(self._picture)
            canvas.restore()

    def _washed(self, thing: DrawnThing, moment: float) -> Any | None:
        """Where a thing has its colours, with a ragged edge; None for nowhere."""
        done = thing.washed(moment)
        if done <= 0 or not thing.is_coloured:
            return None
        edge = _EDGE * self._board.unit
        left, top, right, bottom = thing.box
        box = left - edge, top - edge, right + edge, bottom + edge
        return _ragged(box, smooth(done), self._board.unit)

    def _draw_lines(self, canvas: Any, thing: DrawnThing, washed: Any | None, moment: float) -> None:
        """The lines of a thing as far as they are drawn, but where it has its colours."""
        canvas.save()
        if washed is not None:
            canvas.clipPath(washed, skia.ClipOp.kDifference, True)
        for line in thing.lines:
            done = line.done(moment)
            if done <= 0:
                break
            if isinstance(line.line, Outline):
                self._draw_outline(canvas, line, line.line, done)
            else:
                _uncover(canvas, line, line.line.draw, done, self._board.unit)
        canvas.restore()

    def _draw_outline(self, canvas: Any, line: DrawnLine, outline: Outline, done: float) -> None:
        if done >= 1.0 and outline.closed:
            canvas.drawPath(outline.path, paint(self._board.ground))  # what lies under it is hidden
        paths = [outline.path] if done >= 1.0 else [path for path, _ in line.drawn_part(done)]
        for path in paths:
            canvas.drawPath(path, self._stroke)

    def _camera(self, moment: float) -> tuple[float, complex]:
        """How near it is, and about which point."""
        if not (self._follows and self._lines):
            return 1.0, 0j
        coming = _smooth((moment - self._span.start) / _ZOOMS)
        going = _smooth((self.drawn_at + _ZOOMS - moment) / _ZOOMS)
        near = 1 + (_NEAR - 1) * min(coming, going)
        seen = [self._tip(moment + _LOOKS * step / 4) for step in range(-4, 5)]
        return near, sum(seen) / len(seen)

    def _tip(self, moment: float) -> complex:
        """Where the pen is at ``moment``, on its way from line to line too."""
        before = None
        for line in self._lines:
            if moment < line.span.start:
                if before is None:
                    return line.tip(line.span.start)
                gap = line.span.start - before.span.end
                part = _smooth((moment - before.span.end) / gap) if gap > 1e-6 else 1.0
                start, end = before.tip(before.span.end), line.tip(line.span.start)
                return start + (end - start) * part
            if moment <= line.span.end:
                return line.tip(moment)
            before = line
        return before.tip(before.span.end) if before else 0j

    def _draw_pen(self, canvas: Any, moment: float, near: float, about: complex) -> None:
        """The hand, which comes and goes from below."""
        if self._pen is None or not self._lines or (there := self._there(moment)) <= 0:
            return
        tip = self._tip(moment)
        tip = about * (1 - near) + tip * near
        away = (1 - there) * 620 * self._board.unit
        canvas.save()
        canvas.translate(tip.real + away * 0.55, tip.imag + away)
        canvas.scale(self._board.unit, self._board.unit)
        self._pen(Paper(canvas, self._board.unit), self._board.ink)
        canvas.restore()

    def _there(self, moment: float) -> float:
        """How far the hand is in the picture: 1 while it draws, 0 long before and after a line."""
        return _smooth(max(_nearness(moment, start, end) for start, end in self._busy))


def _busy(lines: Sequence[DrawnLine]) -> list[tuple[float, float]]:
    """From when to when a hand draws without leaving."""
    spans: list[tuple[float, float]] = []
    for line in lines:
        if spans and line.span.start - spans[-1][1] < _PATIENCE:
            spans[-1] = spans[-1][0], line.span.end
        else:
            spans.append((line.span.start, line.span.end))
    return spans


def _nearness(moment: float, start: float, end: float) -> float:
    return min(1.0, 1 - max(start - moment, moment - end, 0.0) / _AWAY)


def _smooth(part: float) -> float:
    return smooth(min(1.0, max(0.0, part)))


def _ragged(box: Box, done: float, unit: float) -> Any:
    """The left part of a box that is ``done``, its right side as a brush leaves it."""
    left, top, right, bottom = box
    if done >= 1.0:
        return polygon([complex(left, top), complex(right, top), complex(right, bottom), complex(left, bottom)])
    slant = 0.18 * (bottom - top)
    edge = left + (right - left + 2 * slant) * done - slant
    steps = 8
    side = [
        complex(edge + slant * (0.5 - i / steps) * 2 + (9 if i % 2 else -7) * unit, top + (bottom - top) * i / steps)
        for i in range(steps + 1)
    ]
    inside = [complex(min(right, max(left, point.real)), point.imag) for point in side]
    return polygon([complex(left, top), *inside, complex(left, bottom)])


def _uncover(canvas: Any, line: DrawnLine, draw: Callable[[Any], None], done: float, unit: float) -> None:
    """What is written or shaded, where the pen has been."""
    if done >= 1.0:
        draw(canvas)
        return
    left, top, right, bottom = line.line.box
    edge = 6 * unit
    canvas.saveLayer(skia.Rect.MakeLTRB(left - edge, top - edge, right + edge, bottom + edge))
    for path, width in line.drawn_part(done):
        canvas.drawPath(path, _stroke("ink", width))
    canvas.saveLayer(None, _WHERE_DRAWN)
    draw(canvas)
    canvas.restore()
    canvas.restore()


def _stroke(colour: str, weight: float) -> Any:
    return skia.Paint(
        AntiAlias=True, Style=skia.Paint.kStroke_Style, StrokeWidth=weight, StrokeCap=skia.Paint.kRound_Cap,
        StrokeJoin=skia.Paint.kRound_Join, Color=skia.Color(*rgb(colour)),
    )  # fmt: skip
