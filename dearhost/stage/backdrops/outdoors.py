"""Outdoors: sky, what is far, the ground, what stands on it, and the weather over all."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from dearhost.drawing.cut_shapes import cut_disc, cut_rect, wave_band
from dearhost.hosts.things import draw_thing
from dearhost.stage.backdrops.buildings import draw_street, draw_waterfront
from dearhost.stage.backdrops.dressing import stand
from dearhost.stage.backdrops.grounds import GROUNDS
from dearhost.stage.backdrops.landscape import draw_hills, draw_sea, draw_sky
from dearhost.stage.backdrops.set_sheet import SetSheet

Far = tuple[str, float, float, float]
"""A thing: its name, x as a fraction of the width, y from the horizon and size in units."""


@dataclass(frozen=True, slots=True)
class Outdoors:
    """``back``: sea, hills, town or quay; ``things`` far away by picture shape, those of 16:9 where none are named."""

    ground: str
    back: str
    things: Mapping[str, tuple[Far, ...]] = field(default_factory=dict)
    floor_left: str = ""
    floor_right: str = ""

    def draw(self, sheet: SetSheet) -> None:
        """The whole set."""
        sheet.paper.flat(cut_rect(-4, -4, sheet.width + 8, sheet.height + 8, 0), sheet.light.sky[3])
        draw_sky(sheet, 0, 0, sheet.width, sheet.horizon + 20, sheet.u * 1.1)
        _BACKS[self.back](sheet)
        shape = sheet.picture.shape
        with sheet.lit(0.9) as paper:
            for name, across, below, size in self.things.get(shape, self.things.get("16:9", ())):
                at = across * sheet.width, sheet.horizon + below * sheet.u
                draw_thing(paper, name, *at, size * sheet.u)
        if sheet.weather.falls == "fog":
            _draw_fog(sheet)
        with sheet.lit(0.9):
            GROUNDS[self.ground](sheet)
        stand(sheet, "floor_left", self.floor_left)
        stand(sheet, "floor_right", self.floor_right)
        if sheet.weather.falls in ("rain", "snow"):
            _draw_fall(sheet)


def _sea(sheet: SetSheet) -> None:
    u, width, horizon = sheet.u, sheet.width, sheet.horizon
    with sheet.lit(0.9):
        draw_hills(sheet, width * 0.60, width * 1.05, horizon, 110 * u, horizon + 60 * u, ("#8FA58C", "#6F8A6A"),
                   headland=True)  # fmt: skip
    draw_sea(sheet, 0, width, horizon, sheet.height, u * 1.2)


def _hills(sheet: SetSheet) -> None:
    with sheet.lit(0.9):
        draw_hills(sheet, 0, sheet.width, sheet.horizon + 30 * sheet.u, 150 * sheet.u, sheet.height,
                   ("#A9BA97", "#8CA678", "#6F8F5C"), seed=4)  # fmt: skip


_BACKS = {"sea": _sea, "hills": _hills, "town": draw_street, "quay": draw_waterfront}


def _draw_fall(sheet: SetSheet) -> None:
    """Rain or snow over everything."""
    paper, u, width, height = sheet.paper, sheet.u, sheet.width, sheet.height
    if sheet.weather.falls == "snow":
        for i in range(90):
            x, y = (i * 389 * u) % width, (i * 241 * u) % height
            paper.flat(cut_disc(x, y, (4 + i % 4 * 2) * u, 0.1, 6), "#FBF8EE", 0.95)
        return
    for i in range(70):
        x, y = (i * 377 * u) % width, (i * 229 * u) % height
        paper.brush([complex(x, y), complex(x - 14 * u, y + 54 * u)], 5 * u, "#E6EFF0", tip=0.1, tail=0.9, alpha=0.55)


def _draw_fog(sheet: SetSheet) -> None:
    """Veils over what is far: what is near stands before them."""
    u, width = sheet.u, sheet.width
    for i in range(3):
        top, bottom = sheet.horizon - (90 - i * 90) * u, sheet.horizon + (10 + i * 90) * u
        veil = wave_band(top, 22 * u, 800 * u, -200 * i * u, width + 900 * u, bottom)
        sheet.paper.flat(veil, "#E4E6DF" if not sheet.light.stars else "#5C6E80", 0.45)
