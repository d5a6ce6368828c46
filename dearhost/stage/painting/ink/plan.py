"""When each line of a drawing is drawn: in order, no thing before its word, in the time there is."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import Any

import skia

from dearhost.drawing.paper import Box
from dearhost.drawing.tracing import Hatched, Outline, Written
from dearhost.stage.painting.entrances import smooth
from dearhost.timebase import Span

Line = Outline | Written | Hatched
Begins = Callable[[Box, int], float | None]
"""When the word of a thing is said, by its box and number; None where it has none."""
_LEAST, _POWER, _A_SECOND = 0.05, 0.6, 68.0
"""Seconds any line takes; long lines are drawn faster: their length to this power, in units, of which so many go by in
a second."""
_LIFTED, _SHADING = 0.5, 0.4
"""Of the time it would take to draw as far, what a pen takes that is lifted, and one that shades."""
_TRAVEL = 0.16
"""Seconds the pen takes from one thing to the next, at least."""
_WASH = 0.55
"""Seconds in which the colours of a thing come, once it is drawn."""
_SHARE = 0.64
"""Of the time something is shown that its drawing takes, where that is neither hasty nor slow."""
_SLOWEST, _QUICKEST = 1.7, 0.7
"""Of the usual time of a line: what it takes at most, and at least where there is any time: a hand that hurries
flickers."""
_SHARES = (1.0, 0.6, 0.4, 0.25, 0.15, 0.0)
"""Of a thing's lines, the longest, that are tried to be drawn; the others come with the colours."""
_HASTE = (1.0, 0.85, 0.72, 0.6, 0.5, 0.42, 0.36)
"""Factors that are tried on all times until the drawing is done before it goes."""
_PRESSED = (1.0, 0.8, 0.6, 0.35, 0.2, 0.1, 0.06)
"""The same where there is hardly any time: then nothing waits for its word."""
_GAP = 12.0
"""Units: things that lie nearer to each other are drawn as one."""


@dataclass(frozen=True)
class DrawnLine:
    """A line and its time."""

    line: Line
    span: Span

    def done(self, moment: float) -> float:
        """How far it is drawn, 0 to 1, quicker in the middle."""
        part = min(1.0, max(0.0, (moment - self.span.start) / max(1e-6, self.span.end - self.span.start)))
        return smooth(part)

    @cached_property
    def _legs(self) -> list[_Leg]:
        """What the pen goes along: contours of an outline, or the strokes that uncover what is written or hatched."""
        if isinstance(self.line, Outline):
            return _legs((contour, 0.0) for contour in _contours(self.line.path))
        return _legs(self.line.strokes(), lifted=_LIFTED)

    @cached_property
    def _whole(self) -> float:
        """How far the pen goes in all."""
        return sum(leg.before + leg.length for leg in self._legs)

    def drawn_part(self, done: float) -> list[tuple[Any, float]]:
        """What is drawn of it, each line with its width."""
        parts: list[tuple[Any, float]] = []
        left = done * self._whole
        for leg in self._legs:
            left -= leg.before
            if left < 0 or (left == 0 and parts):
                break
            parts.append((leg.drawn(left), leg.width))
            left -= leg.length
        return parts

    def tip(self, moment: float) -> complex:
        """Where the pen is."""
        done = self.done(moment)
        left, before = done * self._whole, None
        for leg in self._legs:
            if before and left < leg.before:  # lifted, on its way
                return before.end + (leg.begin - before.end) * (left / leg.before)
            left -= leg.before
            if left <= leg.length:
                return leg.point(left)
            left -= leg.length
            before = leg
        if before:
            return before.end
        left_side, top, right, bottom = self.line.box
        return complex(left_side + (right - left_side) * done, (top + bottom) / 2)


@dataclass(frozen=True)
class _Leg:
    """A line of the pen: how to go along it, where it begins and ends, how long and wide it is, and how far the pen
    goes ``before``, lifted, as if it drew."""

    path: Any
    measure: Any
    begin: complex
    end: complex
    length: float
    width: float
    before: float

    def point(self, along: float) -> complex:
        """Where the pen is after a part of its length."""
        return _point(self.measure, along)

    def drawn(self, along: float) -> Any:
        """What is drawn after a part of its length."""
        if along >= self.length:
            return self.path
        part = skia.Path()
        self.measure.getSegment(0, along, part, True)
        return part


def _legs(lines: Iterable[tuple[Any, float]], lifted: float = 0.0) -> list[_Leg]:
    """Legs along lines with their widths; a pen that is ``lifted`` goes by that part of the time it would draw."""
    legs: list[_Leg] = []
    for path, width in lines:
        measure = skia.PathMeasure(path, False)
        length = measure.getLength()
        begin, end = _point(measure, 0.0), _point(measure, length)
        before = abs(begin - legs[-1].end) * lifted if legs else 0.0
        legs.append(_Leg(path, measure, begin, end, length, width, before))
    return legs


@dataclass(frozen=True)
class DrawnThing:
    """Lines that belong together, and when their colours come."""

    lines: tuple[DrawnLine, ...]
    box: Box
    wash: Span

    @cached_property
    def is_coloured(self) -> bool:
        """Whether it has colours that come once it is drawn: what is written or shaded has its own at once."""
        return any(isinstance(line.line, Outline) for line in self.lines)

    def washed(self, moment: float) -> float:
        """How far its colours are there, 0 to 1."""
        return min(1.0, max(0.0, (moment - self.wash.start) / max(1e-6, self.wash.end - self.wash.start)))


def planned(lines: Sequence[Line], unit: float, span: Span, begins: Begins,
            leaves: float) -> tuple[DrawnThing, ...]:  # fmt: skip
    """Things in the order they are drawn, from ``span`` on, all done before it ends but for ``leaves`` seconds.

    ``begins`` tells of a thing, by its box and number, the moment of its word, None where it has none.
    """
    groups = _together(lines, _GAP * unit)
    boxes = [_around(group) for group in groups]
    wanted = [begins(box, number) for number, box in enumerate(boxes)]
    seconds = [[_seconds(line, unit) for line in group] for group in groups]
    latest = span.end - leaves - _WASH
    things: list[DrawnThing] = []
    for share in _SHARES:
        drawn = [_longest(group, times, share) for group, times in zip(groups, seconds, strict=True)]
        natural = sum(time for group in drawn for _, time in group) or 1.0
        pace = min(_SLOWEST, _SHARE * (span.end - span.start) / natural)
        paces: list[tuple[float, Sequence[float | None]]] = [
            (pace * haste, wanted) for haste in _HASTE if pace * haste >= _QUICKEST
        ]
        if share == 0:
            paces += [(min(pace, 1.0) * haste, [None] * len(groups)) for haste in _PRESSED]
        for quick, words in paces:
            things = _timed(drawn, boxes, words, span.start, quick)
            if not things or things[-1].lines[-1].span.end <= latest:
                return tuple(things)
    return tuple(things)


def is_hurried(things: Sequence[DrawnThing], unit: float) -> bool:
    """Whether lines go by quicker than a hand could be looked at."""
    lines = [line for thing in things for line in thing.lines]
    usual = sum(_seconds(line.line, unit) for line in lines)
    return sum(line.span.end - line.span.start for line in lines) < _QUICKEST * 0.98 * usual


def _longest(lines: Sequence[Line], seconds: Sequence[float], share: float) -> list[tuple[Line, float]]:
    """The ``share`` of lines that take longest, in order, one at least; words and photos are always among them."""
    kept = sorted(seconds, reverse=True)[max(0, min(len(seconds) - 1, round(share * len(seconds)) - 1))]
    return [(line, time) for line, time in zip(lines, seconds, strict=True)
            if time >= kept or not isinstance(line, Outline)]  # fmt: skip


def _timed(groups: Sequence[Sequence[tuple[Line, float]]], boxes: Sequence[Box], wanted: Sequence[float | None],
           start: float, pace: float) -> list[DrawnThing]:  # fmt: skip
    now = start
    things: list[DrawnThing] = []
    for group, box, word in zip(groups, boxes, wanted, strict=True):
        now = max(now + (_TRAVEL * min(1.0, pace) if things else 0.0), word or 0.0)
        drawn = []
        for line, time in group:
            drawn.append(DrawnLine(line, Span(now, now + time * pace)))
            now += time * pace
        things.append(DrawnThing(tuple(drawn), box, Span(now, now + _WASH * min(1.0, pace))))
    return things


def _seconds(line: Line, unit: float) -> float:
    left, _, right, _ = line.box
    if isinstance(line, Written):  # a letter is about .55 of its height wide and takes a few strokes
        length = (right - left) * 2.2
    elif isinstance(line, Hatched):  # a hand that shades is quick
        length = skia.PathMeasure(line.path, False).getLength() * _SHADING
    else:
        length = sum(skia.PathMeasure(contour, False).getLength() for contour in _contours(line.path))
    return _LEAST + float((length / unit) ** _POWER) / _A_SECOND


def _together(lines: Sequence[Line], gap: float) -> list[list[Line]]:
    """Lines in order, those that touch things drawn before as a part of these; words only where they lie in one."""
    groups: list[tuple[list[Line], Box]] = []
    for line in lines:
        touched = [i for i, (_, box) in enumerate(groups) if _touch(box, line.box, gap)]
        if isinstance(line, Written):
            touched = [i for i in touched if _within(line.box, groups[i][1])]
        if not touched:
            groups.append(([line], line.box))
            continue
        joined = [groups[i] for i in touched]
        box = line.box
        for _, other in joined:
            box = _joined(box, other)
        groups[touched[0]] = [*(one for group, _ in joined for one in group), line], box
        groups = [group for i, group in enumerate(groups) if i not in touched[1:]]
    return [group for group, _ in groups]


def _touch(a: Box, b: Box, gap: float) -> bool:
    return a[0] < b[2] + gap and b[0] < a[2] + gap and a[1] < b[3] + gap and b[1] < a[3] + gap


def _within(inner: Box, outer: Box) -> bool:
    x, y = (inner[0] + inner[2]) / 2, (inner[1] + inner[3]) / 2
    return outer[0] <= x <= outer[2] and outer[1] <= y <= outer[3]


def _joined(a: Box, b: Box) -> Box:
    return min(a[0], b[0]), min(a[1], b[1]), max(a[2], b[2]), max(a[3], b[3])


def _around(lines: Sequence[Line]) -> Box:
    box = lines[0].box
    for line in lines[1:]:
        box = _joined(box, line.box)
    return box


def _contours(path: Any) -> list[Any]:
    """Each contour of a path as a path of its own."""
    found: list[Any] = []
    for verb, points in path:
        if verb == skia.Path.kMove_Verb:
            found.append(skia.Path())
            found[-1].moveTo(points[0])
        elif verb == skia.Path.kLine_Verb:
            found[-1].lineTo(points[1])
        elif verb == skia.Path.kQuad_Verb or verb == skia.Path.kConic_Verb:
            found[-1].quadTo(points[1], points[2])
        elif verb == skia.Path.kCubic_Verb:
            found[-1].cubicTo(points[1], points[2], points[3])
        elif verb == skia.Path.kClose_Verb:
            found[-1].close()
    return found


def _point(measure: Any, along: float) -> complex:
    point = measure.getPosTan(along)
    point = point[0] if isinstance(point, tuple) else point
    return complex(point.x(), point.y())
