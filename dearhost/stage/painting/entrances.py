"""How what is shown comes and goes: transforms of a canvas on which it is drawn as it is when it is there."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator, Mapping
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Any

import skia

from dearhost.drawing.outlines import polygon
from dearhost.production.shown_cues import INK
from dearhost.timebase import Span

Box = tuple[float, float, float, float]


@dataclass(frozen=True)
class Coming:
    """Something in a ``box`` of pixels that is ``done`` (0 to 1) coming, in a picture of ``size``; ``unit`` is the
    stage's."""

    canvas: Any
    box: Box
    size: tuple[int, int]
    unit: float
    done: float


@dataclass(frozen=True, slots=True)
class Entrance:
    """``seconds`` it takes; what ``fades`` is seen through until it is there."""

    seconds: float
    transform: Callable[[Coming], None]
    fades: bool = False


def back_out(t: float, over: float) -> float:
    """Goes a little beyond its end and comes back (Penner 2002)."""
    t -= 1
    return t * t * ((over + 1) * t + over) + 1


def smooth(t: float) -> float:
    """Slow at both ends."""
    return t * t * (3 - 2 * t)


def _slides(come: Coming) -> None:
    left, top, right, bottom = come.box
    away = 1 - back_out(come.done, 0.7)
    from_right = (left + right) / 2 >= come.size[0] / 2
    come.canvas.translate((come.size[0] - left if from_right else -right) * away, 0)
    come.canvas.rotate(3.5 * away * (1 if from_right else -1), (left + right) / 2, (top + bottom) / 2)


def _unfolds(come: Coming) -> None:
    _, top, _, _ = come.box
    come.canvas.translate(0, top)
    come.canvas.scale(1, max(0.02, back_out(come.done, 0.6)))
    come.canvas.translate(0, -top)


def _pops(come: Coming) -> None:
    left, top, right, bottom = come.box
    grown = back_out(come.done, 1.6)
    come.canvas.translate((left + right) / 2, (top + bottom) / 2)
    come.canvas.scale(0.55 + 0.45 * grown, 0.55 + 0.45 * grown)
    come.canvas.rotate(-7 * (1 - grown))
    come.canvas.translate(-(left + right) / 2, -(top + bottom) / 2)


def _turns(come: Coming) -> None:
    left = come.box[0]
    come.canvas.translate(left, 0)
    come.canvas.scale(max(0.02, 1 - (1 - come.done) ** 3), 1)
    come.canvas.translate(-left, 0)


def _drawn(come: Coming) -> None:
    """A ragged edge goes over it from the left, as ink."""
    left, top, right, bottom = come.box
    edge = left - 60 + (right - left + 120) * smooth(come.done)
    steps = 7
    ragged = [complex(left - 60, top - 60), complex(edge, top - 60)]
    ragged += [
        complex(edge + (14 if i % 2 else -10) * come.unit, top - 60 + (bottom - top + 120) * i / steps)
        for i in range(steps + 1)
    ]
    ragged.append(complex(left - 60, bottom + 60))
    come.canvas.clipPath(polygon(ragged), skia.ClipOp.kIntersect, True)


def _rises(come: Coming) -> None:
    come.canvas.translate(0, (come.size[1] - come.box[1]) * 0.5 * (1 - back_out(come.done, 0.6)))


def _drops(come: Coming) -> None:
    come.canvas.translate(0, -come.box[3] * 0.5 * (1 - back_out(come.done, 0.6)))


ENTRANCES: Mapping[str, Entrance] = {
    "slides": Entrance(0.46, _slides),
    "unfolds": Entrance(0.52, _unfolds),
    "pops": Entrance(0.34, _pops),
    "turns": Entrance(0.50, _turns),
    "drawn": Entrance(0.80, _drawn),
    "rises": Entrance(0.46, _rises),
    "drops": Entrance(0.46, _drops),
    "fades": Entrance(0.50, lambda come: None, fades=True),
    INK: Entrance(0.30, lambda come: None, fades=True),
}
"""By the names of ``production.cue_kinds.COMES``."""


LEAVING = 0.7
"""Of the time of coming that going takes."""


def arrived(way: str, span: Span, moment: float) -> float:
    """How far something is in at ``moment``: 0 not yet or gone, 1 there."""
    seconds = ENTRANCES[way].seconds
    coming = (moment - span.start) / seconds
    going = (span.end - moment) / (seconds * LEAVING)
    return round(min(1.0, max(0.0, min(coming, going))), 4)


@contextmanager
def coming(way: str, come: Coming) -> Iterator[None]:
    """Draw inside as if it were there; nothing is seen of what has not come."""
    come.canvas.save()
    if come.done < 1:
        ENTRANCES[way].transform(come)
        solid = 1.0 if ENTRANCES[way].fades else 0.3  # from here on it is not seen through
        if way != "drawn" and come.done < solid:
            left, top, right, bottom = come.box
            edge = 60 * come.unit
            bounds = skia.Rect.MakeLTRB(left - edge, top - edge, right + edge, bottom + edge)
            come.canvas.saveLayerAlpha(bounds, round(255 * math.sqrt(come.done / solid)))
            try:
                yield
            finally:
                come.canvas.restore()
                come.canvas.restore()
            return
    try:
        yield
    finally:
        come.canvas.restore()
