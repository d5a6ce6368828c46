"""Houses: a street of shops, and the far side of a harbour."""

from __future__ import annotations

from dearhost.drawing.colours import darker
from dearhost.drawing.cut_shapes import cut_rect
from dearhost.drawing.outlines import polygon, spline
from dearhost.drawing.paper import Paper
from dearhost.hosts.things import draw_thing
from dearhost.stage.backdrops.landscape import draw_sea
from dearhost.stage.backdrops.set_sheet import SetSheet

_FRONTS = ("#D9A98B", "#E8D7B4", "#A9BDB6", "#C98B73", "#DDC9A0")
_FAR_FRONTS = ("#C98B73", "#E8D7B4", "#8FA9A6", "#DDB36A", "#B7746A", "#D9CDB4")
_ROOFS = ("#8A4A3A", "#566973", "#6A5A4C")
_LIT, _PANE = "#F3D588", "#AFC3C6"


def _draw_house(paper: Paper, width: float, height: float, front: str, roof: str, number: int) -> None:
    """A house on the origin; every other one has a gable."""
    paper.piece(cut_rect(-width / 2, -height, width, height, 2), front, darker(front, 0.18), crescent=(width * 0.1, 0))
    if number % 2:
        top = [complex(-width / 2 - 12, -height + 4), complex(-width * 0.02, -height - width * 0.42),
               complex(width / 2 + 12, -height + 4)]  # fmt: skip
    else:
        top = [complex(-width / 2 - 10, -height + 4), complex(-width * 0.34, -height - width * 0.26),
               complex(width * 0.34, -height - width * 0.26), complex(width / 2 + 10, -height + 4)]  # fmt: skip
    paper.piece(polygon(top), roof, darker(roof), crescent=(10, 6))


def _draw_windows(sheet: SetSheet, width: float, height: float, number: int, *, lit: bool) -> None:
    """The windows of a house on the origin: those that are ``lit``, or the dark ones."""
    dice, columns = sheet.dice(number), max(1, int(width // 90))
    for row in range(int(height // 110)):
        for column in range(columns):
            if row * 110 > height - (220 if height > 300 else 110):
                continue
            shining = dice.random() < 0.6 and sheet.light.lamps
            if shining != lit:
                continue
            left = -width / 2 + 30 + column * (width - 40) / columns
            sheet.paper.piece(cut_rect(left, -height + 36 + row * 110, 40, 58, 1), _LIT if lit else _PANE, ink=0.7)
            bar = cut_rect(left + 18, -height + 36 + row * 110, 4, 58, 0.2)
            sheet.paper.flat(bar, "#B98B3C" if lit else "cream")


def _draw_shop_front(sheet: SetSheet, width: float, colour: str, sells: str) -> None:
    """A shop on the origin: window, door and awning."""
    paper = sheet.paper
    paper.flat(cut_rect(-width / 2 + 14, -250, width - 28, 250, 1), darker(colour, 0.35))
    pane = cut_rect(-width / 2 + 24, -236, width * 0.58, 180, 1)
    paper.piece(pane, _LIT if sheet.light.lamps else "#DCE7E0", "#C9D6CD", crescent=(-8, -6), ink=0.5)
    draw_thing(paper, sells, -width / 2 + 24 + width * 0.29, -132, 116)
    door = cut_rect(width * 0.16, -236, width * 0.26, 236, 1)
    paper.piece(door, darker(colour, 0.1), darker(colour, 0.3), crescent=(8, 0))
    for i in range(7):
        x, across = -width / 2 + i * width / 7, width / 7
        stripe = [complex(x, -300), complex(x + across, -300), complex(x + across + 2, -236),
                  complex(x + across / 2, -222), complex(x - 2, -236)]  # fmt: skip
        paper.piece(spline(stripe, corners=(0, 1, 2, 4)), sheet.palette.accents[0] if i % 2 else "cream", ink=0.8)


def draw_street(sheet: SetSheet) -> None:
    """A row of houses with shops, their feet on the floor line."""
    count = {"16:9": 5, "1:1": 4, "9:16": 3}[sheet.picture.shape]
    taller = 1.25 if sheet.picture.shape == "9:16" else 1.0
    step = sheet.width / count
    width = step / sheet.u
    accents = sheet.palette.accents
    for i in range(count):
        height = (420 + 90 * ((i * 3) % 4)) * taller
        with sheet.lit(0.85), sheet.paper.placed(step * (i + 0.5), sheet.floor, sheet.u):
            _draw_house(sheet.paper, width, height, _FRONTS[i % 5], _ROOFS[i % 3], i + 2)
            _draw_windows(sheet, width, height, i + 2, lit=False)
        with sheet.paper.placed(step * (i + 0.5), sheet.floor, sheet.u):
            _draw_windows(sheet, width, height, i + 2, lit=True)
        with sheet.lit(0.85), sheet.paper.placed(step * (i + 0.5), sheet.floor, step / 420):
            _draw_shop_front(sheet, 400, accents[(2, 3, 0)[i % 3]], ("book", "cup", "fish", "leaf", "clock")[i])


def draw_waterfront(sheet: SetSheet) -> None:
    """Houses across the water, and their lights on it."""
    u, horizon = sheet.u, sheet.horizon
    draw_sea(sheet, 0, sheet.width, horizon + 40 * u, sheet.height, u * 1.2)
    count = {"16:9": 9, "1:1": 6, "9:16": 5}[sheet.picture.shape]
    step, dice = sheet.width / count, sheet.dice(4)
    width = step / u
    for i in range(count):
        height = 190 + 40 * ((i * 5) % 4)
        with sheet.lit(0.9), sheet.paper.placed(step * (i + 0.5), horizon + 46 * u, u):
            _draw_house(sheet.paper, width * 0.98, height, _FAR_FRONTS[i % 6], _ROOFS[i % 3], i + 3)
            _draw_windows(sheet, width * 0.98, height, i + 3, lit=False)
        with sheet.paper.placed(step * (i + 0.5), horizon + 46 * u, u):
            _draw_windows(sheet, width * 0.98, height, i + 3, lit=True)
        for row in range(4 if sheet.light.lamps else 0):
            if dice.random() < 0.75:
                gleam = cut_rect(step * (i + 0.4) - (20 - 3 * row) * u, horizon + (92 + row * 30) * u,
                                 (40 - 7 * row) * u, 8 * u, 1)  # fmt: skip
                sheet.paper.flat(gleam, "#F6D68A", 0.7 - 0.15 * row)
    with sheet.lit(0.9):
        wall = cut_rect(-20, horizon + 40 * u, sheet.width + 40, 34 * u, 2)
        sheet.paper.piece(wall, "#77706A", "#5A544F", crescent=(0, 9 * u))
