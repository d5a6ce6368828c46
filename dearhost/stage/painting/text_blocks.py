"""Text fitted into a box: as large as it may be, in balanced lines, broken where Unicode allows it (UAX #14)."""

from __future__ import annotations

import re
from dataclasses import dataclass
from functools import lru_cache
from typing import Any

from uniseg.linebreak import line_break_units

from dearhost.drawing.fonts import Fonts, Word, balanced_lines
from dearhost.drawing.paper import Paper

_STEP = 0.955
_PLAIN = re.compile(r"[\"'(]*[A-Za-z0-9']+[.,;:!?)\"']*")
LEAD = 1.18
"""Line height, of the size."""


@dataclass(frozen=True)
class Face:
    """A way to set text: ``name`` is "serif" or "sans"."""

    name: str = "serif"
    weight: str = "bold"
    colour: str = "ink"
    lead: float = LEAD


@dataclass(frozen=True)
class TextBlock:
    """Lines of one size; ``width`` and ``height`` in pixels are what they take up."""

    rows: tuple[Word, ...]
    size: float
    lead: float

    @property
    def width(self) -> float:
        """Of the widest line."""
        return max((row.width for row in self.rows), default=0.0)

    @property
    def height(self) -> float:
        """From the top of the first line to the foot of the last."""
        return len(self.rows) * self.size * self.lead

    def draw(self, paper: Paper, x: float, y: float, align: float = 0.0) -> None:
        """Draw with the upper edge at ``y``; lines begin (``align`` 0), are centred (.5) or end (1) at ``x``."""
        for number, row in enumerate(self.rows):
            paper.write(row, x - row.width * align, y + self.size * (0.86 + number * self.lead))


def fitted(fonts: Fonts, text: str, box: tuple[float, float], sizes: tuple[float, float], face: Face,
           most_lines: int = 4) -> TextBlock:  # fmt: skip
    """``text`` in a ``box`` of (width, height) pixels, in the largest of ``sizes`` (largest, smallest) that fits.

    Where even the smallest does not, words are broken within, and below it sizes go on falling: nothing is cut off.
    """
    width, height = box
    size, smallest = sizes
    text = " ".join(text.split())
    while True:
        rows = _lines(fonts, text, size, width, face, within=size <= smallest)
        block = TextBlock(rows, size, face.lead)
        enough = block.width <= width + 0.5 and block.height <= height + 0.5 and len(rows) <= max(most_lines, 1)
        if size <= smallest:
            enough = block.width <= width + 0.5 and block.height <= height + 0.5
        if enough or size < 4:
            return block
        size *= _STEP


def _lines(fonts: Fonts, text: str, size: float, width: float, face: Face, *, within: bool) -> tuple[Word, ...]:
    """Balanced lines of ``text``; units that are too wide are broken ``within`` when that is allowed."""

    def word(part: str) -> Word:
        return fonts.word(part, size, face=face.name, weight=face.weight, colour=face.colour)

    units: list[str] = []
    for unit in _break_units(text):
        if within and word(unit.rstrip()).width > width:
            units += _pieces(unit, lambda part: word(part).width <= width)
        else:
            units.append(unit)
    # what stands between units, a space or nothing, is a part of the unit before it
    widths = [word(unit).width if unit.strip() == unit else word(unit.rstrip() + "\u00a0").width for unit in units]
    lines = balanced_lines(widths, 0.0, width)
    return tuple(word("".join(units[a:b]).strip()) for a, b in lines)


@lru_cache(maxsize=256)
def _break_units(text: str) -> tuple[str, ...]:
    """What of a text no line may break within, by UAX #14. Words with nothing inside them but letters break at their
    spaces only, and are told apart at once: the general way takes half a millisecond a character."""
    if all(_PLAIN.fullmatch(word) for word in text.split(" ")):
        return tuple(re.findall(r"\S+ ?", text))
    return tuple(line_break_units(text))


def _pieces(unit: str, fits: Any) -> list[str]:
    """A long unit in the longest pieces that fit, a character at least each."""
    pieces, start = [], 0
    while start < len(unit):
        end = start + 1
        while end < len(unit) and fits(unit[start : end + 1]):
            end += 1
        pieces.append(unit[start:end])
        start = end
    return pieces
