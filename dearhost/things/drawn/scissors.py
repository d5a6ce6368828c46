"""What most drawings of things begin with: shaded pieces, rings, arrows."""

from __future__ import annotations

from typing import Any

from dearhost.drawing.colours import darker
from dearhost.drawing.outlines import polygon, turned
from dearhost.drawing.paper import Paper


def cut(paper: Paper, path: Any, colour: str, crescent: tuple[float, float] = (4, 3), ink: float = 1.0) -> None:
    """A piece with its own darker shade."""
    paper.piece(path, colour, darker(colour), crescent=crescent, ink=ink)


def arrow(paper: Paper, start: complex, end: complex, width: float = 8, colour: str = "vermilion",
          bend: float = 0.0) -> None:  # fmt: skip
    """An arrow that grows towards its head; ``bend`` is how far it bows aside, of its length."""
    way = end - start
    length = abs(way)
    head = min(width * 2.2, length * 0.42)
    middle = (start + end) / 2 + way * 1j * bend * 2
    steps = 16

    def at(t: float) -> complex:
        return (1 - t) ** 2 * start + 2 * t * (1 - t) * middle + t * t * end

    line = [at(i / steps * (1 - head / length)) for i in range(steps + 1)]
    left, right = [], []
    along = way / length
    for i, point in enumerate(line):
        along = line[min(i + 1, steps)] - line[max(0, i - 1)]
        along /= abs(along)
        half = width * (0.34 + 0.16 * i / steps)
        left.append(point + along * 1j * half)
        right.append(point - along * 1j * half)
    tip = [line[-1] + along * 1j * width * 1.25, line[-1] + along * head, line[-1] - along * 1j * width * 1.25]
    cut(paper, polygon([*left, *tip, *right[::-1]]), colour, (2, 1.6), 0.9)


def ring(paper: Paper, x: float, y: float, radius: float, width: float, colour: str) -> None:
    """A ring with an ink edge."""
    line = [complex(x, y) + turned(a) * radius for a in range(0, 361, 15)]
    paper.brush([p + 1.2 + 1j for p in line], width, "ink", tip=1, tail=1)
    paper.brush(line, width, colour, tip=1, tail=1)
