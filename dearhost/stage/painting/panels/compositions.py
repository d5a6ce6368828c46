"""Things composed in a box: how each of the templates of ``cue_kinds.TEMPLATES`` places them."""

from __future__ import annotations

import itertools
import math
from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field

from dearhost.drawing.cut_shapes import cut_disc
from dearhost.drawing.fonts import Fonts
from dearhost.drawing.outlines import polygon, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.hosts import THINGS, draw_thing
from dearhost.things.drawn.scissors import arrow

Box = tuple[float, float, float, float]


@dataclass(frozen=True)
class _Sheet:
    """A box with things to place; ``short`` is its shorter side, ``u`` a unit for lines."""

    paper: Paper
    box: Box
    things: Sequence[str]
    count: int
    fonts: Fonts
    placed: list[tuple[str, Box]] = field(default_factory=list)

    @property
    def width(self) -> float:
        return self.box[2] - self.box[0]

    @property
    def height(self) -> float:
        return self.box[3] - self.box[1]

    @property
    def short(self) -> float:
        return min(self.width, self.height)

    @property
    def u(self) -> float:
        return math.sqrt(self.width * self.height / (960 * 540))

    @property
    def tall(self) -> bool:
        return self.height > self.width * 1.15

    def at(self, x: float, y: float) -> complex:
        """A point by fractions of the box."""
        return complex(self.box[0] + x * self.width, self.box[1] + y * self.height)

    def put(self, middle: complex, name: str, size: float) -> None:
        """A thing with a shadow under it, unless it hangs in the air."""
        x, y, half = middle.real, middle.imag, size / 2
        self.placed.append((name, (x - half, y - half, x + half, y + half)))
        if not THINGS[name].floats:
            foot, around = middle + complex(0, size * 0.46), [turned(i * 36) for i in range(10)]
            shadow = [foot + complex(way.real * size * 0.44, way.imag * size * 0.055) for way in around]
            self.paper.flat(spline(shadow, tension=0.3), "ink", 0.13)
        draw_thing(self.paper, name, middle.real, middle.imag, size)

    def arrow(self, start: complex, end: complex, width: float, colour: str = "vermilion", bend: float = 0.0) -> None:
        with self.paper.placed(0, 0):
            arrow(self.paper, start, end, width, colour, bend)


def compose(
    paper: Paper, box: Box, things: Sequence[str], template: str, count: int, fonts: Fonts
) -> list[tuple[str, Box]]:
    """Draw ``things`` in ``box`` pixels by a template; one that needs more things than there are shows them alone.

    Returns where each was put.
    """
    if not things:
        return []
    if len(things) == 1 and template in ("pair", "trio", "sequence", "pull", "versus"):
        template = "solo"
    sheet = _Sheet(paper, box, things, count, fonts)
    _TEMPLATES[template](sheet)
    return sheet.placed


def _solo(sheet: _Sheet) -> None:
    sheet.put(sheet.at(0.5, 0.49), sheet.things[0], sheet.short * 0.66)


def _pair(sheet: _Sheet) -> None:
    if sheet.tall:
        size = min(sheet.width * 0.66, sheet.height * 0.36)
        places = ((0.5, 0.29, size), (0.5, 0.71, size))
    else:
        size = min(sheet.short * 0.56, sheet.width * 0.38)
        places = ((0.29, 0.46, size), (0.70, 0.54, size * 0.92))
    for name, (x, y, own) in zip(sheet.things, places, strict=False):
        sheet.put(sheet.at(x, y), name, own)


def _row(sheet: _Sheet) -> list[tuple[complex, float]]:
    """Places and sizes of up to three things in a row, or a column in tall boxes."""
    count = min(3, len(sheet.things))
    if sheet.tall:
        size = min(sheet.width * 0.62, sheet.height / count * 0.62)
        return [(sheet.at(0.5, (i + 0.5) / count), size) for i in range(count)]
    step = 0.42 if count == 2 else 0.31
    size = min(sheet.short * (0.52 if count == 2 else 0.42), sheet.width * (step - 0.09))
    return [(sheet.at(0.5 + (i - (count - 1) / 2) * step, 0.49), size) for i in range(count)]


def _trio(sheet: _Sheet) -> None:
    for name, (place, size) in zip(sheet.things, _row(sheet), strict=False):
        sheet.put(place, name, size)


def _sequence(sheet: _Sheet) -> None:
    _trio(sheet)
    row = _row(sheet)
    for (a, size), (b, _) in itertools.pairwise(row):
        way = (b - a) / abs(b - a)
        gap = abs(b - a) - size
        sheet.arrow(a + way * (size / 2 + gap * 0.08), b - way * (size / 2 + gap * 0.08), min(24 * sheet.u, gap * 0.34))


def _pull(sheet: _Sheet) -> None:
    size = min(sheet.short * 0.52, sheet.width * 0.36)
    far, near = (
        (sheet.at(0.5, 0.22), sheet.at(0.5, 0.73)) if sheet.tall else (sheet.at(0.76, 0.27), sheet.at(0.33, 0.64))
    )
    sheet.put(far, sheet.things[0], size * 0.74)
    sheet.put(near, sheet.things[1], size * 1.12)
    way = (far - near) / abs(far - near)
    sheet.arrow(near + way * size * 0.50, far - way * size * 0.44, 20 * sheet.u, "vermilion", 0.09)


def _versus(sheet: _Sheet) -> None:
    paper, a, b = sheet.paper, sheet.at, sheet.things
    if sheet.tall:
        paper.flat(polygon([a(0, 0), a(1, 0), a(1, 0.44), a(0, 0.56)]), "tide", 0.22)
        places = (a(0.5, 0.25), a(0.5, 0.76))
    else:
        paper.flat(polygon([a(0, 0), a(0.56, 0), a(0.44, 1), a(0, 1)]), "tide", 0.22)
        places = (a(0.25, 0.5), a(0.75, 0.5))
    for name, place in zip(b, places, strict=False):
        sheet.put(place, name, min(sheet.short * 0.54, sheet.width * 0.40))
    middle, radius = a(0.5, 0.5), 44 * sheet.u
    paper.flat(cut_disc(middle.real, middle.imag, radius, 0.02), "ink")
    word = sheet.fonts.word("or", radius * 0.95, face="serif", weight="regular", colour="#FBF5E8")
    paper.write(word, middle.real - word.width / 2, middle.imag + radius * 0.28)


def _negation(sheet: _Sheet) -> None:
    """The first thing is struck out; a second stands small beside it, whole."""
    middle, size = sheet.at(0.5 if len(sheet.things) < 2 else 0.42, 0.49), sheet.short * 0.60
    sheet.put(middle, sheet.things[0], size)
    reach = size * 0.58
    for offset, width, colour in ((0j, 36, "ink"), (-4 - 4j, 32, "vermilion")):
        line = [
            middle + offset + complex(-reach, reach * 0.9),
            middle + offset,
            middle + offset + complex(reach, -reach * 0.9),
        ]
        sheet.paper.brush(line, width * sheet.u, colour, tip=0.6, tail=0.5)
    if len(sheet.things) > 1:
        sheet.put(sheet.at(0.83, 0.74), sheet.things[1], sheet.short * 0.28)


def _badge(sheet: _Sheet) -> None:
    middle = sheet.at(0.46, 0.49)
    guards = next((name for name in sheet.things if name in ("lock", "shield", "umbrella", "key")), "")
    kept = next((name for name in sheet.things if name != guards), sheet.things[0])
    sheet.put(middle, kept, sheet.short * 0.62)
    sheet.put(middle + complex(sheet.short * 0.36, sheet.short * 0.20), guards or "shield", sheet.short * 0.32)


def _rises(sheet: _Sheet, up: float, colour: str) -> None:
    second = len(sheet.things) > 1
    total = 1.28 if second else 0.92
    size = min(sheet.height, sheet.width * 0.92 / total)
    left, middle = sheet.at(0.5, 0.5).real - total * size / 2, sheet.at(0.5, 0.5).imag
    sheet.put(complex(left + size * 0.30, middle), sheet.things[0], size * 0.56)
    x, reach = left + size * 0.74, min(sheet.height * 0.30, size * 0.34)
    sheet.arrow(
        complex(x, middle + up * reach), complex(x, middle - up * reach), min(34 * sheet.u, size * 0.09), colour
    )
    if second:
        sheet.put(complex(left + size * 1.08, middle), sheet.things[1], size * 0.36)


def _many(sheet: _Sheet) -> None:
    count = max(2, min(6, sheet.count))
    columns = count if count <= 3 and not sheet.tall else (2 if sheet.tall else 3)
    rows = -(-count // columns)
    size = min(sheet.width / (columns + 0.7), sheet.height / (rows + 0.5)) * 0.86
    for i in range(count):
        row, column = divmod(i, columns)
        across = min(columns, count - row * columns)
        middle = sheet.at(0.5, 0.49) + complex(
            (column - (across - 1) / 2) * size * 1.14, (row - (rows - 1) / 2) * size * 1.05
        )
        sheet.put(middle, sheet.things[0], size)


_TEMPLATES: Mapping[str, Callable[[_Sheet], None]] = {
    "solo": _solo,
    "pair": _pair,
    "trio": _trio,
    "sequence": _sequence,
    "pull": _pull,
    "versus": _versus,
    "negation": _negation,
    "badge": _badge,
    "up": lambda sheet: _rises(sheet, 1, "vermilion"),
    "down": lambda sheet: _rises(sheet, -1, "plum"),
    "many": _many,
}
