"""The sets: to add one, add its words in ``production.SETS`` and its line here."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Protocol

from dearhost.stage.backdrops.abstracts import ChartWall, Curtain, CutShapes, Pattern, Plain, Sweep
from dearhost.stage.backdrops.dressing import SLOTS, hang, stand
from dearhost.stage.backdrops.outdoors import Outdoors
from dearhost.stage.backdrops.rooms import Room
from dearhost.stage.backdrops.set_sheet import SetSheet


class Drawing(Protocol):
    """Draws a set."""

    def draw(self, sheet: SetSheet) -> None:
        """The whole set."""


@dataclass(frozen=True, slots=True)
class DrawnSet:
    """A set with the palette and time of day it has of its own; ``grain``: whether paper grain lies over it."""

    drawing: Drawing
    palette: str
    daylight: str = "noon"
    grain: bool = True

    @property
    def slots(self) -> Mapping[str, str]:
        """Where props may be, with its own: nothing hangs on the sky."""
        drawing = self.drawing
        if isinstance(drawing, Outdoors):
            return {"floor_left": drawing.floor_left, "floor_right": drawing.floor_right}
        return {slot: getattr(drawing, slot, "") for slot in SLOTS}

    def draw(self, sheet: SetSheet) -> None:
        """The whole set, with what dresses it."""
        self.drawing.draw(sheet)
        if not isinstance(self.drawing, Room | Outdoors):  # these have what stands in them behind what is near
            for slot in SLOTS:
                (hang if slot.startswith("wall") else stand)(sheet, slot)


KEY_GREEN = "#00B140"
"""A green that no skin, hair or clothing comes near (common practice, no source)."""
DRAWN_SETS: Mapping[str, DrawnSet] = {
    "museum": DrawnSet(
        Room(window="arch", bunting=True, wall_left="frame:fish", wall_right="disc:tide-clock",
             floor_right="plinth:shell"),
        "harbour",
    ),
    "classroom": DrawnSet(
        Room("plain", blackboard=True, wall_left="poster:earth", wall_right="disc:clock", floor_left="shelf:books",
             floor_right="desk:book"), "chalk", "morning",
    ),
    "office": DrawnSet(
        Room("panel", window="wide", view="town", wall_left="frame:chart-up", wall_right="frame:map",
             floor_left="cabinet", floor_right="plant"), "slate", "dusk",
    ),
    "kitchen": DrawnSet(
        Room("tile", "units", "tiles", window="square", view="hills", wall_left="shelf:cup",
             wall_right="shelf:cup+leaf", lamps=2), "moss", "morning",
    ),
    "shop": DrawnSet(
        Room("spots", window="square", lamps=3, counter=True, wall_left="shelf:clock+parcel",
             wall_right="shelf:book+shell"), "brick",
    ),
    "study": DrawnSet(
        Room("panel", window="arch", view="hills", wall_left="frame:boat", wall_right="shelf:books",
             floor_left="shelf:books", floor_right="armchair", lamps=1), "plum", "dusk",
    ),
    "curtain": DrawnSet(Curtain(), "harbour"),
    "pier": DrawnSet(
        Outdoors("planks", "sea", {
            "16:9": (("lighthouse", 0.82, -90, 260), ("boat", 0.17, 34, 200), ("gull", 0.75, -400, 110)),
            "9:16": (("lighthouse", 0.82, -100, 240), ("boat", 0.17, 40, 190), ("gull", 0.25, -560, 120),
                     ("gull", 0.66, -640, 80)),
            "1:1": (("lighthouse", 0.84, -90, 230), ("boat", 0.15, 36, 200), ("gull", 0.76, -420, 110)),
        }, "barrel", "lamp"), "harbour",
    ),
    "beach": DrawnSet(
        Outdoors("sand", "sea", {"16:9": (("boat", 0.22, 10, 150), ("gull", 0.66, -300, 100))}, "parasol", "hut"),
        "plum", "morning",
    ),
    "street": DrawnSet(Outdoors("paving", "town", {}, "lamp", "tree"), "brick", "dusk"),
    "garden": DrawnSet(Outdoors("lawn", "hills", {}, "tree", "plinth:gull"), "moss", "morning"),
    "quay": DrawnSet(
        Outdoors("quay", "quay", {
            "16:9": (("boat", 0.26, 190, 230), ("boat", 0.74, 170, 180)),
            "9:16": (("boat", 0.22, 220, 230), ("boat", 0.80, 190, 180)),
        }, "barrel", "lamp"), "slate", "night",
    ),
    "hillside": DrawnSet(Outdoors("hillside", "hills", {"16:9": (("house", 0.80, 40, 170),)}, "tree"), "moss"),
    "plain": DrawnSet(Sweep("#D9E2DC"), "harbour"),
    "pattern": DrawnSet(Pattern(), "plum"),
    "shapes": DrawnSet(CutShapes(), "harbour"),
    "charts": DrawnSet(ChartWall(), "slate"),
    "colour": DrawnSet(Plain(), "chalk"),
    "green": DrawnSet(Plain(KEY_GREEN), "harbour", grain=False),
}  # fmt: skip
