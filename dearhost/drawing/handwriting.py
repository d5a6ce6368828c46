"""Words as a hand writes them: the lines a pen goes along, found in the shapes of their letters."""

from __future__ import annotations

import math
import unicodedata
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

import numpy as np
import skia
from numpy.typing import NDArray

from dearhost.drawing.fonts import Word

_HIGH, _EDGE = 44, 2
"""Pixels of a line of letters in which a pen's lines are looked for, and about it."""
_BELOW = 1.3
"""Of its ascent, how high a line is with what hangs below."""
_COVERS, _MORE = 1.3, 1.5
"""How much wider than the letter a pen is that uncovers it, and pixels on top of that."""
_SPUR = 1.15
"""Of half a stroke's width: a line that leaves another and is shorter goes but to a corner of it."""
_LOOKS_BACK = 5
"""Pixels by which a pen's direction is told."""
_EVENED = 2
"""Pixels on both sides over which a line is evened."""
_STRAIGHT = 0.7
"""Radians by which a line may turn where it crosses another."""
_BEYOND = tuple((y, x) for y in range(-3, 4) for x in range(-3, 4) if max(abs(y), abs(x)) > 1)
_EIGHT = tuple((y, x) for y in (-1, 0, 1) for x in (-1, 0, 1) if y or x)

Mask = NDArray[np.bool_]
Pixel = tuple[int, int]


@dataclass(frozen=True, slots=True)
class Stroke:
    """A line of a pen from where it is put down to where it is lifted, and how wide it is."""

    points: tuple[complex, ...]
    width: float


@lru_cache(maxsize=512)
def strokes_of(word: Word) -> tuple[Stroke, ...]:
    """The strokes of a word in the order they are written, in its own pixels from the left end of its baseline on;
    none where it has no letters."""
    high = word.ascent * _BELOW
    if high <= 0 or word.width <= 0:
        return ()
    scale = _HIGH / high
    found = strokes_in(_mask(word, scale), backwards=_from_the_right(word.text))
    corner = complex(_EDGE / scale, _EDGE / scale + word.ascent)
    return tuple(
        Stroke(tuple(point / scale - corner for point in stroke.points), stroke.width / scale) for stroke in found
    )


def strokes_in(mask: Mask, *, backwards: bool = False) -> list[Stroke]:
    """The strokes that cover a mask, letter by letter from the left, or from the right."""
    from scipy import ndimage  # noqa: PLC0415 - processes that draw load it where something is written by hand

    pieces, count = ndimage.label(mask, np.ones((3, 3)))
    near = ndimage.distance_transform_edt(np.pad(mask, 1))[1:-1, 1:-1]
    lines = thinned(mask)
    strokes: list[Stroke] = []
    for number in _in_order(ndimage.find_objects(pieces), count, backwards=backwards):
        piece = pieces == number
        line = lines & piece
        if not line.any():  # a small square is thinned to nothing
            line.flat[int(np.argmax(np.where(piece, near, 0)))] = True
        strokes += _walked(line, near, backwards=backwards)
    return strokes


def thinned(mask: Mask) -> Mask:
    """The lines in the middle of what is set, one pixel wide.

    The first method of Z. Guo and R. W. Hall, "Parallel thinning with two-subiteration algorithms", Communications of
    the ACM 32(3), 1989.
    """
    image = np.pad(mask, 1)
    changed = True
    while changed:
        changed = False
        for first in (True, False):
            n, e, s, w = image[:-2, 1:-1], image[1:-1, 2:], image[2:, 1:-1], image[1:-1, :-2]
            ne, se, sw, nw = image[:-2, 2:], image[2:, 2:], image[2:, :-2], image[:-2, :-2]
            pieces = _sum(~n & (ne | e), ~e & (se | s), ~s & (sw | w), ~w & (nw | n))
            neighbours = np.minimum(_sum(nw | n, ne | e, se | s, sw | w), _sum(n | ne, e | se, s | sw, w | nw))
            kept = (n | ne | ~se) & e if first else (s | sw | ~nw) & w
            gone = image[1:-1, 1:-1] & (pieces == 1) & (neighbours >= 2) & (neighbours <= 3) & ~kept
            if gone.any():
                image[1:-1, 1:-1] &= ~gone
                changed = True
    return image[1:-1, 1:-1]


def _sum(*masks: Mask) -> NDArray[np.int8]:
    """How many masks are set, pixel by pixel."""
    total: NDArray[np.int8] = np.sum(masks, axis=0, dtype=np.int8)
    return total


def _mask(word: Word, scale: float) -> Mask:
    """Where the letters of a word are, ``scale`` times as large."""
    surface = skia.Surface(math.ceil(word.width * scale) + 2 * _EDGE, _HIGH + 2 * _EDGE)
    canvas = surface.getCanvas()
    canvas.translate(_EDGE, _EDGE)
    canvas.scale(scale, scale)
    word.draw(canvas, 0, word.ascent)
    alpha: Mask = surface.toarray()[..., 3] > 127
    return alpha


def _from_the_right(text: str) -> bool:
    """Whether a text is written from the right to the left, by its first letter (Unicode Annex 9, rule P2)."""
    strong = (unicodedata.bidirectional(letter) for letter in text)
    return next((kind for kind in strong if kind in ("L", "R", "AL")), "L") != "L"


def _in_order(boxes: list[Any], count: int, *, backwards: bool) -> list[int]:
    """The numbers of pieces, letter by letter: a dot or an accent comes after the letter it stands over."""
    spans = [(box[1].start, box[1].stop, (box[0].stop - box[0].start) * (box[1].stop - box[1].start)) for box in boxes]
    letters: list[list[int]] = []
    for index in sorted(range(count), key=lambda one: -spans[one][2]):
        left, right, _ = spans[index]
        middle = (left + right) / 2
        over = next((group for group in letters if spans[group[0]][0] <= middle < spans[group[0]][1]), None)
        if over is None:
            letters.append([index])
        else:
            over.append(index)
    letters.sort(key=lambda group: -spans[group[0]][1] if backwards else spans[group[0]][0])
    return [index + 1 for group in letters for index in group]


def _walked(lines: Mask, near: NDArray[np.float64], *, backwards: bool) -> list[Stroke]:
    """The lines of a letter as a pen goes along them, straight on where they cross."""
    left: set[Pixel] = {(int(y), int(x)) for y, x in np.argwhere(lines)}
    strokes: list[Stroke] = []
    while left:
        path = [_begin(left, -1 if backwards else 1)]
        left.discard(path[0])
        while (following := _straight_on(path, left)) is not None:
            path.append(following)
            left.discard(following)
        reach = max(float(near[pixel]) for pixel in path)
        if strokes and len(path) < _SPUR * reach:
            continue
        points = [complex(x + 0.5, y + 0.5) for y, x in path]
        if len(path) > 2 and _beside(path[0], path[-1]):
            points.append(points[0])
        strokes.append(Stroke(tuple(_evened(points)), 2 * reach * _COVERS + _MORE))
    return strokes


def _begin(left: set[Pixel], way: int) -> Pixel:
    """Where a pen is put down: at the end of a line, at the upper left, or right where it goes that ``way``; of a ring
    anywhere."""
    ends = [pixel for pixel in left if sum((pixel[0] + y, pixel[1] + x) in left for y, x in _EIGHT) <= 1]
    return min(ends or left, key=lambda pixel: (pixel[0] * 0.7 + way * pixel[1], pixel))


def _straight_on(path: list[Pixel], left: set[Pixel]) -> Pixel | None:
    """The next pixel of a line: the one that goes on as the pen goes, across another line if need be."""
    y, x = path[-1]
    around = [(y + dy, x + dx) for dy, dx in _EIGHT if (y + dy, x + dx) in left]
    if len(path) == 1:
        return min(around, key=lambda pixel: (abs(pixel[0] - y) + abs(pixel[1] - x), pixel), default=None)
    before = path[max(0, len(path) - 1 - _LOOKS_BACK)]
    way = complex(x - before[1], y - before[0])

    def turned(pixel: Pixel) -> float:
        step = complex(pixel[1] - x, pixel[0] - y)
        return abs(math.remainder(_angle(step) - _angle(way), 2 * math.pi))

    if around:
        return min(around, key=turned)
    beyond = [(y + dy, x + dx) for dy, dx in _BEYOND if (y + dy, x + dx) in left]
    straight = [pixel for pixel in beyond if turned(pixel) < _STRAIGHT]
    return min(straight, key=lambda pixel: (math.hypot(pixel[0] - y, pixel[1] - x), turned(pixel)), default=None)


def _angle(step: complex) -> float:
    return math.atan2(step.imag, step.real)


def _beside(one: Pixel, other: Pixel) -> bool:
    return max(abs(one[0] - other[0]), abs(one[1] - other[1])) <= 1


def _evened(points: list[complex]) -> list[complex]:
    """A line without the steps of its pixels, every other point of it; its ends stay."""
    count = len(points)
    even = [points[0]]
    for index in range(1, count - 1, 2):
        some = points[max(0, index - _EVENED) : index + _EVENED + 1]
        even.append(sum(some) / len(some))
    if count > 1:
        even.append(points[-1])
    return even
