"""Sets that are no place: a sweep, a pattern, cut shapes, a wall of charts, a stage with a curtain, one colour."""

from __future__ import annotations

from dataclasses import dataclass

from dearhost.drawing.colours import darker, mix
from dearhost.drawing.cut_shapes import cut_disc, cut_rect, wave_band
from dearhost.drawing.outlines import points, polygon, spline, turned
from dearhost.stage.backdrops.set_sheet import SetSheet

_PATTERN = (
    polygon(points((-22, 20), (0, -22), (22, 20))), cut_disc(0, 0, 18, 0.05, 9),
    spline(points((-28, 8), (0, -16), (28, 8), (0, 2)), corners=(0, 2)), cut_rect(-17, -17, 34, 34, 2),
)  # fmt: skip
_SCRAPS = ((0.16, 0.34), (0.26, 0.12), (0.80, 0.42), (0.88, 0.62), (0.12, 0.66), (0.70, 0.10), (0.34, 0.93))
_LINE = (0.44, 0.36, 0.40, 0.28, 0.24, 0.26, 0.15, 0.09)


@dataclass(frozen=True, slots=True)
class Sweep:
    """A curved sweep of paper with one large disc; ``base`` is its colour, that of the palette's wall where ""."""

    base: str = ""

    def draw(self, sheet: SetSheet) -> None:
        """The whole set."""
        paper, u, width, height = sheet.paper, sheet.u, sheet.width, sheet.height
        base, accents = self.base or sheet.palette.wall, sheet.palette.accents
        with sheet.lit(0.7):
            paper.flat(cut_rect(0, 0, width, height, 0), base)
            floor = wave_band(height * 0.80, 10 * u, 2600 * u, -500 * u, width + 2600 * u, height + 20)
            paper.flat(floor, mix(base, "#23203A", 0.10))
            x, y, _ = sheet.picture.layout.host
            radius = min(width * 0.40, height * 0.36)
            disc = cut_disc(x * width, y * height + radius * 0.10, radius, 0.004, 16)
            paper.piece(disc, mix(accents[1], "cream", 0.35), ink=1.2)
            for side, tall, colour in ((-1, 1.0, accents[0]), (1, 0.8, accents[2])):
                left, top = width * (0.5 + side * 0.40) - 90 * u, height * 0.92 - 360 * u * tall
                block = cut_rect(left, top, 180 * u, 360 * u * tall, 4)
                paper.piece(block, colour, darker(colour, 0.2), crescent=(26 * u, 0))


@dataclass(frozen=True, slots=True)
class Pattern:
    """Small cut pieces all over."""

    def draw(self, sheet: SetSheet) -> None:
        """The whole set."""
        size, base = 190 * sheet.u, sheet.palette.wall
        with sheet.lit(0.7) as paper:
            paper.flat(cut_rect(0, 0, sheet.width, sheet.height, 0), base)
            for j in range(int(sheet.height / size) + 3):
                for i in range(int(sheet.width / size) + 2):
                    with paper.placed((i + 0.5 * (j % 2)) * size, j * size * 0.86, sheet.u * 1.9):
                        paper.canvas.rotate((i * 37 + j * 53) % 4 * 90)
                        paper.flat(_PATTERN[(i * 5 + j * 3) % 4], mix(base, sheet.palette.wood, 0.13))


@dataclass(frozen=True, slots=True)
class CutShapes:
    """Large loose shapes in the corners, scraps between them."""

    def draw(self, sheet: SetSheet) -> None:
        """The whole set."""
        paper, u, width, height, dice = sheet.paper, sheet.u, sheet.width, sheet.height, sheet.dice(7)
        accents = sheet.palette.accents
        with sheet.lit(0.7):
            paper.flat(cut_rect(0, 0, width, height, 0), mix(sheet.palette.wall, "cream", 0.4))
            corners = ((0.02, 0.08, 0.40), (1.0, 0.16, 0.30), (-0.02, 0.98, 0.42), (0.98, 0.96, 0.46))
            for (across, down, size), colour in zip(corners, accents, strict=True):
                radius = size * min(width, height) * (1.2 if sheet.picture.shape == "9:16" else 1.0)
                middle = complex(across * width, down * height)
                blob = [
                    middle + turned(i * 40 + dice.random() * 20) * radius * (0.78 + 0.4 * dice.random())
                    for i in range(9)
                ]
                paper.piece(
                    spline(blob, tension=0.34), colour, darker(colour, 0.14), crescent=(16 * u, 12 * u), ink=1.4
                )
            for i, (across, down) in enumerate(_SCRAPS):
                with paper.placed(across * width, down * height, u):
                    paper.canvas.rotate(i * 47)
                    scrap = polygon(points((-18, 16), (0, -20), (18, 16))) if i % 2 else cut_disc(0, 0, 15)
                    paper.piece(scrap, (sheet.palette.trim, accents[1], accents[0], accents[2])[i % 4], ink=0.9)


@dataclass(frozen=True, slots=True)
class ChartWall:
    """Squared paper with columns and a line that rises."""

    def draw(self, sheet: SetSheet) -> None:
        """The whole set."""
        paper, u, width, height, palette = sheet.paper, sheet.u, sheet.width, sheet.height, sheet.palette
        base, rule = mix(palette.wall, "cream", 0.55), mix(palette.wall, palette.wood, 0.16)
        with sheet.lit(0.7):
            paper.flat(cut_rect(0, 0, width, height, 0), base)
            for i in range(int(width / (90 * u)) + 1):
                paper.flat(cut_rect(i * 90 * u, 0, 2 * u, height, 0), rule)
            for i in range(int(height / (90 * u)) + 1):
                paper.flat(cut_rect(0, i * 90 * u, width, 2 * u, 0), rule)
            count, foot = 9 if sheet.wide else 6, height * 0.90
            for i in range(count):
                off = abs(i - (count - 1) / 2) / ((count - 1) / 2)
                tall = height * (0.12 + 0.30 * off**1.3 * (1 if i > count / 2 else 0.72))
                tall *= 0.7 if sheet.picture.shape == "9:16" else 1.0
                across = width / count * 0.56
                colour = palette.accents[(3, 2, 1)[i % 3]]
                column = cut_rect(width * (i + 0.5) / count - across / 2, foot - tall, across, tall, 3)
                paper.piece(column, colour, darker(colour, 0.2), crescent=(12 * u, 0))
            paper.flat(cut_rect(0, foot, width, 6 * u, 0), "ink")
            line = [complex(width * i / 7, height * share) for i, share in enumerate(_LINE)]
            paper.brush(line, 13 * u, palette.accents[0], tip=0.8, tail=0.8)
            for point in line[1:-1]:
                paper.piece(cut_disc(point.real, point.imag, 15 * u, 0.04), "cream")


@dataclass(frozen=True, slots=True)
class Curtain:
    """A stage: boards, a curtain in folds, a valance, and a pool of light."""

    def draw(self, sheet: SetSheet) -> None:
        """The whole set."""
        paper, u, width, height, palette = sheet.paper, sheet.u, sheet.width, sheet.height, sheet.palette
        cloth, floor = palette.accents[0], sheet.floor
        with sheet.lit(0.7):
            paper.flat(cut_rect(0, 0, width, height, 0), darker(cloth, 0.55))
            folds = round(width / (96 * u))
            for i in range(folds):
                left, across = width * i / folds, width / folds
                fold = [complex(left - 3 * u, -20), complex(left + across, -20), complex(left + across + 2 * u, floor),
                        complex(left + across * 0.5, floor + 10 * u), complex(left - 4 * u, floor)]  # fmt: skip
                colour = darker(cloth, 0.10 if i % 2 else 0.22)
                paper.piece(polygon(fold), colour, darker(colour, 0.28), crescent=(across * 0.34, 0), ink=0.6)
            paper.flat(cut_rect(0, floor, width, height - floor, 0), palette.floor)
            paper.flat(cut_rect(0, floor - 4 * u, width, 12 * u, 0), darker(palette.floor, 0.45))
            for i in range(21):
                board = [
                    complex(width / 2 + (i - 10) * 130 * u, floor + 8 * u),
                    complex(width / 2 + (i - 10) * 250 * u, height),
                ]
                paper.brush(board, 2.4 * u, palette.board, tip=0.5, tail=1)
            self._draw_valance(sheet, cloth)
        pool = spline([complex(width / 2 + a * width * 0.30, floor + (height - floor) * (0.5 + b * 0.42)) for a, b in
                       ((-1, 0), (-0.6, -0.8), (0.6, -0.8), (1, 0), (0.6, 0.8), (-0.6, 0.8))], tension=0.3)  # fmt: skip
        paper.flat(pool, "#FFF1C9", 0.35)

    def _draw_valance(self, sheet: SetSheet, cloth: str) -> None:
        u, width, count = sheet.u, sheet.width, 7 if sheet.wide else 4
        deep = sheet.height * (0.13 if sheet.wide else 0.09)
        for i in range(count):
            left, across = width * i / count, width / count
            swag = [complex(left - 6 * u, -20), complex(left + across + 6 * u, -20),
                    complex(left + across + 4 * u, deep * 0.5), complex(left + across / 2, deep),
                    complex(left - 4 * u, deep * 0.5)]  # fmt: skip
            sheet.paper.piece(spline(swag, corners=(0, 1, 2, 4)), cloth, darker(cloth, 0.25), crescent=(10 * u, 16 * u))
            hem = [
                complex(left, deep * 0.5),
                complex(left + across / 2, deep * 0.97),
                complex(left + across, deep * 0.5),
            ]
            sheet.paper.brush(hem, 7 * u, sheet.palette.accents[1], tip=0.8, tail=0.8, steps=8)


@dataclass(frozen=True, slots=True)
class Plain:
    """One colour all over; ``colour`` "" is the palette's wall. Without grain it can be keyed."""

    colour: str = ""

    def draw(self, sheet: SetSheet) -> None:
        """The whole set."""
        if self.colour:
            sheet.paper.canvas.clear(int(self.colour.lstrip("#"), 16) | 0xFF000000)
            return
        with sheet.lit(0.7) as paper:
            paper.flat(cut_rect(-4, -4, sheet.width + 8, sheet.height + 8, 0), sheet.palette.wall)
