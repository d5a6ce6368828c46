"""Rooms: wall, window or board, dado, floor, and what dresses them."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

from dearhost.drawing.colours import darker, mix, paint
from dearhost.drawing.cut_shapes import cut_disc, cut_rect
from dearhost.drawing.outlines import moved, polygon, spline, turned
from dearhost.hosts.things import draw_thing
from dearhost.stage.backdrops import props
from dearhost.stage.backdrops.dressing import hang, stand
from dearhost.stage.backdrops.landscape import draw_view
from dearhost.stage.backdrops.set_sheet import SetSheet


@dataclass(frozen=True, slots=True)
class Room:
    """``wall``: stripe, plain, tile, panel or spots; ``dado``: panel or units; ``floor``: boards or tiles; ``window``:
    arch, wide, square or "" with a ``view``; props by slot as ``dressing`` knows them."""

    wall: str = "stripe"
    dado: str = "panel"
    floor: str = "boards"
    window: str = ""
    view: str = "sea"
    blackboard: bool = False
    bunting: bool = False
    lamps: int = 0
    counter: bool = False
    wall_left: str = ""
    wall_right: str = ""
    floor_left: str = ""
    floor_right: str = ""

    def draw(self, sheet: SetSheet) -> None:
        """The whole room."""
        with sheet.lit(0.8) as paper:
            paper.flat(cut_rect(0, 0, sheet.width, sheet.height, 0), sheet.palette.wall)
            _WALLS[self.wall](sheet)
        if self.window:
            _draw_window(sheet, self.window, self.view)
        if self.blackboard:
            with sheet.lit(0.8), sheet.at("centre"):
                _draw_blackboard(sheet)
        with sheet.lit(0.8):
            (_draw_units if self.dado == "units" else _draw_panels)(sheet)
            (_draw_tiles if self.floor == "tiles" else _draw_boards)(sheet)
        if self.bunting:
            _hang_bunting(sheet)
        self._hang_lamps(sheet)
        hang(sheet, "wall_left", self.wall_left)
        hang(sheet, "wall_right", self.wall_right)
        stand(sheet, "floor_left", self.floor_left)
        stand(sheet, "floor_right", self.floor_right)
        if self.counter:
            with sheet.lit(0.9):
                _draw_counter(sheet)

    def _hang_lamps(self, sheet: SetSheet) -> None:
        apart = 0.36 if sheet.picture.shape != "9:16" or self.lamps > 2 else 0.5
        for i in range(self.lamps):
            x = sheet.width * (0.5 + (i - (self.lamps - 1) / 2) * apart)
            with sheet.lit(0.0 if sheet.light.lamps else 0.8), sheet.paper.placed(x, 0, sheet.u * 0.8):
                props.draw_pendant(sheet.paper, sheet.palette, 60)


def _stripes(sheet: SetSheet) -> None:
    for i in range(int(sheet.width / (150 * sheet.u)) + 1):
        stripe = cut_rect(i * 150 * sheet.u + 40 * sheet.u, 0, 70 * sheet.u, sheet.floor, 2)
        sheet.paper.flat(stripe, sheet.palette.stripe)


def _tiles(sheet: SetSheet) -> None:
    size = 86 * sheet.u
    for j in range(int(sheet.floor * 0.62 / size)):
        for i in range(int(sheet.width / size) + 2):
            if (i + j) % 2:
                tile = cut_rect(i * size - size / 2, sheet.floor - 190 * sheet.u - (j + 1) * size, size, size, 1)
                sheet.paper.flat(tile, sheet.palette.stripe)


def _wall_panels(sheet: SetSheet) -> None:
    count = 4 if sheet.wide else 3
    for i in range(count):
        left = sheet.width * (i + 0.5) / count - sheet.width * 0.42 / count
        panel = cut_rect(left, sheet.height * 0.06, sheet.width * 0.84 / count, sheet.floor - 240 * sheet.u, 2)
        sheet.paper.piece(panel, sheet.palette.stripe, darker(sheet.palette.stripe, 0.1), crescent=(5, 5), ink=0.0)


def _spots(sheet: SetSheet) -> None:
    for j in range(int(sheet.floor / (104 * sheet.u))):
        for i in range(int(sheet.width / (120 * sheet.u)) + 2):
            spot = cut_disc(
                (i + 0.5 * (j % 2)) * 120 * sheet.u, j * 104 * sheet.u + 40 * sheet.u, 17 * sheet.u, 0.06, 7
            )
            sheet.paper.flat(spot, sheet.palette.stripe)


_WALLS: Mapping[str, Callable[[SetSheet], None]] = {
    "stripe": _stripes, "plain": lambda sheet: None, "tile": _tiles, "panel": _wall_panels, "spots": _spots,
}  # fmt: skip
_WINDOWS: Mapping[str, tuple[float, float, int]] = {
    "arch": (560, 520, 1),
    "wide": (820, 430, 2),
    "square": (420, 430, 1),
}
"""Width and height in units, and upright bars."""
_MOST_WIDE: Mapping[str, float] = {"1:1": 640.0}
"""Units between what hangs at the left and at the right, in shapes that are narrow there."""


def _draw_window(sheet: SetSheet, kind: str, view: str) -> None:
    paper, trim = sheet.paper, sheet.palette.trim
    cx, cy, k = sheet.picture.layout.slots["centre"]
    k *= sheet.u
    most = _MOST_WIDE.get(sheet.picture.shape, _WINDOWS[kind][0])
    wide, tall, bars = min(most, _WINDOWS[kind][0]) * k, _WINDOWS[kind][1] * k, _WINDOWS[kind][2]
    x = cx * sheet.width - wide / 2
    y = sheet.height * 0.085 if sheet.wide else cy * sheet.height - tall / 2

    def opening(e: float) -> Any:
        if kind != "arch":
            return cut_rect(x - e, y - e, wide + 2 * e, tall + 2 * e, 2)
        outline = [complex(x - e, y + tall + e), complex(x - 3 - e, y + tall * 0.38),
                   complex(x + wide * 0.11 - e * 0.7, y + tall * 0.11 - e * 0.7), complex(x + wide / 2, y - e),
                   complex(x + wide * 0.89 + e * 0.7, y + tall * 0.11 - e * 0.7),
                   complex(x + wide + 3 + e, y + tall * 0.38), complex(x + wide + e, y + tall + e)]  # fmt: skip
        return spline(outline, corners=(0, 6), tension=0.4)

    with sheet.lit(0.8):
        paper.canvas.drawPath(moved(opening(26 * k), 8 * k, 10 * k), paint("ink", 0.14))
        paper.piece(opening(26 * k), trim, darker(trim, 0.14), crescent=(8 * k, 6 * k), ink=1.6)
    with paper.clipped(opening(0)):
        draw_view(sheet, view, x, y, wide, tall, k * 0.78)
        with sheet.lit(0.8):
            for i in range(bars):
                bar = cut_rect(x + wide * (i + 1) / (bars + 1) - 7 * k, y - 4, 14 * k, tall + 6, 1)
                paper.flat(bar, trim)
            paper.flat(cut_rect(x - 9, y + tall * 0.48, wide + 18, 12 * k, 1), trim)
    with sheet.lit(0.8):
        sill = cut_rect(x - 50 * k, y + tall + 20 * k, wide + 100 * k, 26 * k, 3)
        paper.piece(sill, "#D8C19C", "#BBA27C", crescent=(0, 8 * k))


def _draw_blackboard(sheet: SetSheet) -> None:
    """A board with chalk on it, round the origin."""
    paper, wood, chalk = sheet.paper, sheet.palette.wood, "#DCE3D4"
    wide, tall = (940.0, 440.0) if sheet.wide else (_MOST_WIDE.get(sheet.picture.shape, 900.0), 520.0)
    paper.canvas.translate(0, -20 if sheet.wide else -70)
    outside = cut_rect(-wide / 2, -tall / 2, wide, tall, 3)
    paper.canvas.drawPath(moved(outside, 9, 11), paint("ink", 0.14))
    paper.piece(outside, wood, darker(wood), crescent=(8, 8))
    paper.flat(cut_rect(-wide / 2 + 20, -tall / 2 + 20, wide - 40, tall - 40, 2), "#2F4A46")
    for left in (-wide / 2 + 60, wide / 2 - 250):
        for i in range(3):
            line = [
                complex(left + j * 19, -tall / 2 + 84 + i * 54 + ((j * 7 + i * 3) % 5 - 2) * 4)
                for j in range(9 - i * 2)
            ]
            paper.brush(line, 5, chalk, tip=0.5, tail=0.4, alpha=0.8)
    circle = complex(-wide / 2 + 150, tall / 2 - 120)
    paper.brush([circle + turned(i * 30) * 56 for i in range(13)], 5, chalk, tip=0.8, tail=0.8)
    paper.brush([circle + 80 - 10j, circle + 130 - 10j], 5, chalk)
    middle = complex(wide / 2 - 150, tall / 2 - 110)
    paper.brush([middle + complex(-90 + i * 20, math.sin(i * 1.2) * 24) for i in range(10)], 6, chalk)
    paper.piece(cut_rect(-wide / 2 + 30, tall / 2 - 4, wide - 60, 18, 2), mix(wood, "#FFF6E4", 0.2))


def _draw_panels(sheet: SetSheet) -> None:
    paper, u, dado, tall = sheet.paper, sheet.u, sheet.palette.dado, 150 * sheet.u
    paper.piece(cut_rect(-20, sheet.floor - tall, sheet.width + 40, tall + 20, 0), dado)
    paper.flat(cut_rect(-20, sheet.floor - tall - 6 * u, sheet.width + 40, 20 * u, 1), mix(dado, "#FFF6E4", 0.22))
    for i in range(int(sheet.width / (120 * u)) + 2):
        paper.flat(cut_rect(i * 120 * u - 10, sheet.floor - tall + 24 * u, 3 * u, tall, 0), darker(dado, 0.3))


def _draw_units(sheet: SetSheet) -> None:
    """Cupboards under a worktop."""
    paper, u, dado, tall = sheet.paper, sheet.u, sheet.palette.dado, 250 * sheet.u
    paper.piece(cut_rect(-20, sheet.floor - tall, sheet.width + 40, tall + 16 * u, 0), dado)
    top = cut_rect(-20, sheet.floor - tall - 16 * u, sheet.width + 40, 34 * u, 1)
    paper.piece(top, "#DDCBA9", "#BBA27C", crescent=(0, 10 * u))
    count = round(sheet.width / (240 * u))
    for i in range(count):
        x, across = sheet.width * i / count, sheet.width / count
        door = cut_rect(x + 12 * u, sheet.floor - tall + 34 * u, across - 24 * u, tall - 56 * u, 1.5)
        paper.piece(door, mix(dado, "#FFF6E4", 0.12), darker(dado, 0.06), crescent=(-4 * u, -4 * u), ink=0.5)
        handle = cut_rect(x + across / 2 - 24 * u, sheet.floor - tall + 52 * u, 48 * u, 9 * u, 1)
        paper.flat(handle, sheet.palette.accents[1])


def _draw_floor(sheet: SetSheet) -> None:
    sheet.paper.flat(cut_rect(0, sheet.floor, sheet.width, sheet.height - sheet.floor, 0), sheet.palette.floor)
    sheet.paper.flat(
        cut_rect(0, sheet.floor - 4 * sheet.u, sheet.width, 10 * sheet.u, 0), darker(sheet.palette.dado, 0.35)
    )


def _draw_boards(sheet: SetSheet) -> None:
    _draw_floor(sheet)
    for i in range(21):
        near, far = sheet.width / 2 + (i - 10) * 250 * sheet.u, sheet.width / 2 + (i - 10) * 130 * sheet.u
        board = [complex(far, sheet.floor + 6 * sheet.u), complex(near, sheet.height)]
        sheet.paper.brush(board, 2.4 * sheet.u, sheet.palette.board, tip=0.5, tail=1)


def _draw_tiles(sheet: SetSheet) -> None:
    _draw_floor(sheet)
    deep = sheet.height - sheet.floor

    def across(y: float, column: int) -> float:
        return sheet.width / 2 + column * 150 * sheet.u * (1 + 0.9 * (y - sheet.floor) / deep)

    for j in range(4):
        far, near = sheet.floor + deep * (j / 4) ** 1.4, sheet.floor + deep * ((j + 1) / 4) ** 1.4
        for i in range(-9, 10):
            if (i + j) % 2:
                tile = [complex(across(far, i), far), complex(across(far, i + 1), far),
                        complex(across(near, i + 1), near), complex(across(near, i), near)]  # fmt: skip
                sheet.paper.flat(polygon(tile), sheet.palette.board, 0.7)


def _hang_bunting(sheet: SetSheet) -> None:
    spans = ((-0.02, 0.34), (0.66, 1.02)) if sheet.wide else ((-0.04, 1.04),)
    drop = 0.07 if sheet.wide else 0.045
    with sheet.lit(0.8) as paper:
        for left, right in spans:
            props.draw_bunting(
                paper, sheet.palette, left * sheet.width, right * sheet.width, 0.045 * sheet.height,
                drop * sheet.height, sheet.u,
            )  # fmt: skip


def _draw_counter(sheet: SetSheet) -> None:
    """A shop's counter along the lower edge, with a parcel and a bell on it."""
    paper, u, dado, width = sheet.paper, sheet.u, sheet.palette.dado, sheet.width
    top = sheet.height - (0.20 if sheet.picture.shape == "9:16" else 0.25) * sheet.height
    paper.piece(cut_rect(-20, top, width + 40, sheet.height - top + 20, 0), dado)
    for i in range(10):
        paper.flat(cut_rect(i * width / 9, top, 3 * u, sheet.height - top, 0), darker(dado, 0.3))
    paper.piece(cut_rect(-20, top - 26 * u, width + 40, 52 * u, 2), "#DDCBA9", "#BBA27C", crescent=(0, 16 * u))
    draw_thing(paper, "parcel", width * 0.10, top - 80 * u, 180 * u)
    draw_thing(paper, "bell", width * 0.90, top - 62 * u, 110 * u)
