"""Things that dress sets, each drawn in a box of 100 units round the origin."""

from __future__ import annotations

from collections.abc import Callable, Mapping

from dearhost.drawing.colours import darker
from dearhost.drawing.cut_shapes import cut_rect, wave_band
from dearhost.drawing.outlines import points, polygon, spline
from dearhost.drawing.paper import Paper
from dearhost.hosts.props import PROPS


def _fish(paper: Paper) -> None:
    body = points((-44, 2), (-22, -20), (8, -21), (28, -5), (46, -19), (42, 2), (46, 20), (27, 8), (4, 23), (-24, 20))
    paper.piece(spline(body, corners=(0, 4, 6)), "sea", darker("sea"), crescent=(3, 6))
    paper.dot(-27 - 4j, 4, "cream")
    paper.dot(-27 - 4j, 2.1, "ink")
    for i in range(3):
        scale = points((-10 + i * 12, -12), (-6 + i * 12, 1), (-10 + i * 12, 13))
        paper.brush(scale, 1.8, darker("sea", 0.45), tip=0.8, tail=0.2)


def _boat(paper: Paper) -> None:
    paper.brush(points((2, -44), (2, 20)), 4, "#5A4638", tip=0.8, tail=0.9)
    for sail, colour in ((((6, -42), (38, 10), (6, 12)), "cream"), (((-2, -34), (-2, 12), (-30, 12)), "vermilion")):
        paper.piece(polygon(points(*sail)), colour, darker(colour), crescent=(6, 2))
    hull = points((-46, 16), (46, 16), (34, 38), (-28, 38))
    paper.piece(spline(hull, corners=(0, 1, 2, 3)), "navy", darker("navy"), crescent=(0, 8))
    paper.flat(polygon(points((-44, 20), (44, 20), (43, 24), (-42, 24))), "cream")
    paper.piece(wave_band(38, 3.5, 26, -50, 46, 48), "tide-light", ink=0.7)


def _lighthouse(paper: Paper) -> None:
    rock = points((-46, 46), (-34, 32), (-4, 26), (30, 32), (46, 46))
    paper.piece(spline(rock, corners=(0, 4)), "#6F8A6A", darker("#6F8A6A"))
    tower = polygon(points((-15, 34), (-9, -18), (9, -18), (15, 34)))
    paper.piece(tower, "cream", darker("cream"), crescent=(7, 0))
    with paper.clipped(tower):
        for y in (-8, 16):
            paper.flat(polygon(points((-20, y), (20, y - 2), (20, y + 11), (-20, y + 13))), "vermilion")
    paper.piece(cut_rect(-13, -22, 26, 5), "ink")
    paper.piece(cut_rect(-8, -36, 16, 15), "mustard", darker("mustard"), crescent=(4, 0))
    paper.piece(polygon(points((-13, -35), (0, -49), (13, -35))), "vermilion", darker("vermilion"), crescent=(5, 0))


def _gull(paper: Paper) -> None:
    body = points((-40, 0), (-26, -12), (-8, -8), (14, 4), (42, 0), (24, 18), (-4, 22), (-24, 12))
    paper.piece(spline(body, corners=(4,)), "cream", darker("cream"), crescent=(4, 5))
    wing = points((-8, -2), (6, -40), (24, -44), (22, -10), (12, 10))
    paper.piece(spline(wing, corners=(2,)), "slate", darker("slate"), crescent=(5, 3))
    paper.piece(polygon(points((-38, -2), (-49, 4), (-36, 6))), "mustard", darker("mustard"), crescent=(2, 2))
    paper.dot(-28 - 2j, 2.6, "ink")


THINGS: Mapping[str, Callable[[Paper], None]] = {
    "fish": _fish,
    "boat": _boat,
    "lighthouse": _lighthouse,
    "gull": _gull,
    **{name: prop.draw for name, prop in PROPS.items()},
}


def draw_thing(paper: Paper, name: str, x: float, y: float, size: float) -> None:
    """A thing with its middle at (x, y), ``size`` across."""
    with paper.placed(x, y, size / 100):
        paper.set_scale(paper.scale * 0.55)
        THINGS[name](paper)
