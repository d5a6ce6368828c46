"""Props in the slots of a set, named as "frame:fish": what holds it, and the thing."""

from __future__ import annotations

from collections.abc import Callable, Mapping

from dearhost.assets.shelf import kind_of
from dearhost.drawing.outlines import points, polygon, spline
from dearhost.drawing.paper import Paper
from dearhost.hosts.things import draw_thing
from dearhost.production.dressing import parts
from dearhost.stage.backdrops import props
from dearhost.stage.backdrops.palettes import SetPalette
from dearhost.stage.backdrops.set_sheet import SetSheet

Draws = Callable[[Paper, SetPalette, str], None]


def _hung_shelf(paper: Paper, palette: SetPalette, things: str) -> None:
    with paper.placed(0, 170):
        props.draw_shelf(paper, palette, things or "books", 2)


def _barrel(paper: Paper, palette: SetPalette, thing: str) -> None:
    props.draw_barrel(paper)
    if thing:
        draw_thing(paper, thing, 0, -235, 140)


SLOTS = ("wall_left", "wall_right", "floor_left", "floor_right")
_FRAMES: Mapping[str, tuple[float, float]] = {"frame": (300.0, 210.0), "poster": (230.0, 290.0)}
"""Width and height in units of what may hold a picture."""
WALL: Mapping[str, Draws] = {
    "frame": lambda paper, palette, thing: props.draw_frame(paper, palette.wood, thing or "fish", *_FRAMES["frame"]),
    "poster": lambda paper, palette, thing: props.draw_frame(paper, "cream", thing or "earth", *_FRAMES["poster"]),
    "disc": lambda paper, palette, thing: props.draw_wall_thing(paper, thing or "clock"),
    "shelf": _hung_shelf,
}
"""What can hang on a wall."""
FLOOR: Mapping[str, Draws] = {
    "plinth": lambda paper, palette, thing: props.draw_plinth(paper, thing or "shell"),
    "plant": lambda paper, palette, thing: props.draw_plant(paper, palette),
    "shelf": lambda paper, palette, thing: props.draw_shelf(paper, palette, thing or "books"),
    "desk": lambda paper, palette, thing: props.draw_writing_desk(paper, palette, thing or "laptop"),
    "cabinet": lambda paper, palette, thing: props.draw_cabinet(paper, palette),
    "barrel": _barrel,
    "lamp": lambda paper, palette, thing: None,  # drawn with the light it gives
    "tree": lambda paper, palette, thing: props.draw_tree(paper),
    "parasol": lambda paper, palette, thing: props.draw_parasol(paper, palette),
    "hut": lambda paper, palette, thing: props.draw_hut(paper, palette),
    "armchair": lambda paper, palette, thing: props.draw_armchair(paper),
    "thing": lambda paper, palette, thing: draw_thing(paper, thing or "shell", 0, -120, 240),
}
"""What can stand on a floor or a ground."""


def hang(sheet: SetSheet, slot: str, own: str = "") -> None:
    """Hang on the wall at a slot what is chosen there, else the set's ``own`` prop; "" for none."""
    prop = sheet.prop_at(slot, own)
    if not prop:
        return
    kind, thing = parts(prop)
    with sheet.lit(0.8), sheet.at(slot) as paper:
        if kind in _FRAMES and kind_of(thing):
            wood = sheet.palette.wood if kind == "frame" else "cream"
            props.draw_framed(paper, wood, sheet.pictures(thing), *_FRAMES[kind])
        else:
            WALL[kind](paper, sheet.palette, thing)


def stand(sheet: SetSheet, slot: str, own: str = "") -> None:
    """Stand on the ground at a slot what is chosen there, else the set's ``own`` prop; "" for none."""
    prop = sheet.prop_at(slot, own)
    if not prop:
        return
    kind, thing = parts(prop)
    with sheet.lit(0.9), sheet.at(slot) as paper:
        sheet.ground_shadow()
        FLOOR[kind](paper, sheet.palette, thing)
        if kind == "lamp":
            props.draw_lamp_post(paper, sheet.light.lamps)
    if kind == "lamp" and sheet.light.lamps:
        with sheet.at(slot) as paper:
            _draw_lamplight(paper)


def _draw_lamplight(paper: Paper) -> None:
    """What a street lamp throws on air and ground, and its flame."""
    high = props.LAMP_HEIGHT
    cone = polygon(points((-30, -high), (30, -high), (330, 4), (-330, 4)))
    paper.flat(cone, "#F6D68A", 0.16)
    paper.flat(spline(points((-330, 4), (0, -34), (330, 4), (0, 46)), tension=0.4), "#F6D68A", 0.16)
    paper.flat(polygon(points((-38, -high - 90), (38, -high - 90), (26, -high), (-26, -high))), "#FBE6A6")
    flame = points((-12, -high - 60), (0, -high - 76), (12, -high - 60), (6, -high - 20), (-6, -high - 20))
    paper.flat(polygon(flame), "#E2A93B")
