"""Where things happen in a recording of a screen: what changes from moment to moment, and where the pointer is."""

from __future__ import annotations

from collections import deque
from collections.abc import Iterable, Iterator
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from pydantic import TypeAdapter

from dearhost.memory import LazyModule

ndimage = LazyModule("scipy.ndimage")
Grey = NDArray[np.uint8]
Box = tuple[float, float, float, float]
Point = tuple[float, float]

STEP = 0.1
"""Seconds from one moment that is looked at to the next."""
WIDE = 960
"""Pixels a recording is looked at in, at most."""
_LAG = 3
"""Moments over which a change is looked for: what is typed within a third of a second is one change."""
_CHANGED = 14
"""Levels of grey, of 255."""
_CELL = 8
"""Pixels of a cell that has changed where one of its pixels has; writing on a screen is about as high."""
_ALL = 0.35
"""Of the picture: where more changes at once, it is another page."""
_APART = 0.03
"""Of the cells that changed, how many at each side are left out: what changes apart from the rest."""
_LEAST, _MOST = 3, 36
"""Pixels a pointer is wide and high."""
_GROWN = 2
_FAR, _NEAR = 0.25, 0.03
"""Of the width: how far a pointer goes in a moment, and as it comes to rest."""
_SPOT = 0.05
"""Of the width and height: as large as a pointer and its shadow."""
_RESTLESS = 0.2
"""Of a recording, how much of it may be all new: more is a film, not a screen."""


@dataclass(frozen=True, slots=True)
class Happening:
    """What happens every ``STEP`` seconds: the ``boxes`` that changed (left, top, right, bottom) and the ``pointers``,
    in parts of width and height; None where nothing did, and before a pointer was seen. A box of (0, 0, 1, 1) is a new
    page."""

    boxes: tuple[Box | None, ...]
    pointers: tuple[Point | None, ...]

    @property
    def is_screen(self) -> bool:
        """Whether it looks like a screen: films change everywhere all the time."""
        new = sum(box == WHOLE for box in self.boxes)
        return new <= _RESTLESS * len(self.boxes)

    def pointer_at(self, moment: float) -> Point | None:
        """Where the pointer is at a moment of the recording."""
        if not self.pointers:
            return None
        place = min(max(0.0, moment / STEP), len(self.pointers) - 1.0)
        index = int(place)
        here, there = self.pointers[index], self.pointers[min(index + 1, len(self.pointers) - 1)]
        if here is None or there is None:
            return here
        part = place - index
        return here[0] + (there[0] - here[0]) * part, here[1] + (there[1] - here[1]) * part


WHOLE: Box = (0.0, 0.0, 1.0, 1.0)
HAPPENING = TypeAdapter(Happening)
"""Reads and writes it."""


def happening_in(frames: Iterable[Grey]) -> Happening:
    """What happens in a recording, by its pictures in grey, one every ``STEP`` seconds."""
    boxes: list[Box | None] = []
    track = _Track()
    for long_before, before, now, after in _with_neighbours(frames):
        since, then = _differ(before, now), _differ(now, after)
        stays = since & ~then
        track.look(since & then, stays)
        if _cells(since).mean() > _ALL:
            boxes.append(WHOLE)
            continue
        # what a pointer lights up on its way goes on with it; what was going on before is nothing new
        box = _box_of(stays & ~_differ(long_before, before))
        boxes.append(None if box and track.left(box) else box)
    return Happening(tuple(boxes), tuple(track.points))


class _Track:
    """Where a pointer goes."""

    def __init__(self) -> None:
        self.points: list[Point | None] = []
        self._moved = -_LAG
        """When it was last seen to move."""

    def look(self, passing: NDArray[np.bool_], stays: NDArray[np.bool_]) -> None:
        """Look at the next moment: at what is there at this moment only, which a moving pointer is, and at what has
        come and stays, which one that arrives is."""
        last, index = self.points[-1] if self.points else None, len(self.points)
        found = _nearest(_small_things(passing), last, _FAR)
        if found:
            self._moved = index
        elif last and index - self._moved <= _LAG:
            found = _nearest(_small_things(stays), last, _NEAR)
        self.points.append(found or last)

    def left(self, box: Box) -> bool:
        """Whether a change is no more than that the pointer has gone away from there."""
        moves = len(self.points) - self._moved <= _LAG
        if not moves or box[2] - box[0] > _SPOT or box[3] - box[1] > _SPOT:
            return False
        spot = (box[0] + box[2]) / 2, (box[1] + box[3]) / 2
        return any(point is None or _apart(point, spot) < _SPOT for point in self.points[-2 * _LAG :])


def _with_neighbours(frames: Iterable[Grey]) -> Iterator[tuple[Grey, Grey, Grey, Grey]]:
    """Each picture after those twice and once ``_LAG`` moments before it, and before the one after it; beyond the ends
    the first and the last stay."""
    held: deque[Grey] = deque(maxlen=3 * _LAG + 1)
    for frame in frames:
        held.extend([frame] * (1 if held else 2 * _LAG + 1))
        if len(held) == held.maxlen:
            yield held[0], held[_LAG], held[2 * _LAG], held[-1]
    for _ in range(_LAG if held else 0):
        held.append(held[-1])
        if len(held) == held.maxlen:
            yield held[0], held[_LAG], held[2 * _LAG], held[-1]


def _differ(one: Grey, other: Grey) -> NDArray[np.bool_]:
    differ: NDArray[np.bool_] = np.abs(one.astype(np.int16) - other) > _CHANGED
    return differ


def _cells(changed: NDArray[np.bool_]) -> NDArray[np.bool_]:
    """The cells of a picture in which something changed."""
    height, width = changed.shape
    rows, columns = -(-height // _CELL), -(-width // _CELL)
    padded = np.zeros((rows * _CELL, columns * _CELL), np.bool_)
    padded[:height, :width] = changed
    cells: NDArray[np.bool_] = np.any(padded.reshape(rows, _CELL, columns, _CELL), axis=(1, 3))
    return cells


def _box_of(changed: NDArray[np.bool_]) -> Box | None:
    """The box of what changed, without what changed apart from it here and there."""
    cells = _cells(changed)
    if not cells.any():
        return None
    rows, columns = cells.shape
    (top, bottom), (left, right) = (_ends(places) for places in np.nonzero(cells))
    return left / columns, top / rows, min(1.0, (right + 1) / columns), min(1.0, (bottom + 1) / rows)


def _ends(places: NDArray[np.intp]) -> tuple[int, int]:
    """From where to where most of them are."""
    apart = int(_APART * (len(places) - 1))
    in_order = np.sort(places)
    return int(in_order[apart]), int(in_order[-1 - apart])


def _small_things(seen: NDArray[np.bool_]) -> list[Point]:
    """What is as large as a pointer, each by a place a little inside its upper left corner."""
    if not seen.any():
        return []
    height, width = seen.shape
    # an outline of a pointer and what is in it are one
    labels, _ = ndimage.label(ndimage.binary_dilation(seen, iterations=_GROWN))
    found: list[Point] = []
    for down, across in ndimage.find_objects(labels):
        high, wide = down.stop - down.start - 2 * _GROWN, across.stop - across.start - 2 * _GROWN
        if _LEAST <= high <= _MOST and _LEAST <= wide <= _MOST:
            left, top = across.start + _GROWN, down.start + _GROWN
            found.append(((left + 0.25 * wide) / width, (top + 0.25 * high) / height))
    return found


def _nearest(found: list[Point], last: Point | None, far: float) -> Point | None:
    """What is nearest to where something was ``last``, if it is not too ``far``; before that, the only one."""
    if last is None:
        return found[0] if len(found) == 1 else None
    nearest = min(found, key=lambda point: _apart(point, last), default=None)
    return nearest if nearest and _apart(nearest, last) <= far else None


def _apart(one: Point, other: Point) -> float:
    return float(np.hypot(one[0] - other[0], one[1] - other[1]))
