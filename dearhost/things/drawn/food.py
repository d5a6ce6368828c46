"""Food and what it is served in, each in a box of 100 units round the origin."""

from __future__ import annotations

from dearhost.drawing.colours import darker
from dearhost.drawing.cut_shapes import cut_disc, cut_rect, wave_band
from dearhost.drawing.outlines import points, polygon, spline
from dearhost.drawing.paper import Paper
from dearhost.things.drawn.scissors import cut, ring


def draw_cup(paper: Paper) -> None:
    ring(paper, 26, 8, 14, 8, "tide-dark")
    cut(paper, polygon(points((-32, -14), (28, -14), (20, 38), (-24, 38))), "tide", (9, 3))
    for x in (-14, 4):
        paper.brush(points((x, -20), (x + 5, -30), (x - 3, -38), (x + 3, -48)), 4, "slate", tip=0.3, tail=0.2)


def draw_plate(paper: Paper) -> None:
    cut(paper, cut_disc(0, 0, 36), "cream", (5, 5))
    cut(paper, cut_disc(0, 0, 24), "#E8DBC3", (-3, -3), 0)
    for side in (-1, 1):
        cut(paper, cut_rect(side * 44 - 2.5, -2, 5, 46, 0.3), "slate", (1, 0), 0.6)
    cut(paper, spline(points((-48, -44), (-40, -44), (-39, -8), (-49, -8)), tension=0.2), "slate", (2, 1), 0.6)
    cut(paper, spline(points((42, -46), (49, -34), (47, -4), (42, -4)), corners=(3,)), "slate", (2, 1), 0.6)


def draw_apple(paper: Paper) -> None:
    outline = points(
        (0, -22), (18, -32), (38, -20), (38, 12), (18, 42), (0, 38), (-18, 42), (-38, 12), (-38, -20), (-18, -32)
    )
    cut(paper, spline(outline), "vermilion", (8, 7))
    paper.brush(points((0, -22), (2, -36), (8, -46)), 4.4, "#5A4638", tip=0.8, tail=0.7)
    cut(paper, spline(points((6, -34), (18, -48), (36, -46), (24, -32)), corners=(0, 2)), "moss", (3, 3))


def draw_carrot(paper: Paper) -> None:
    for x in (6, 18, 30):
        cut(
            paper,
            spline(points((12, -18), (x - 4, -38), (x + 4, -48), (x + 8, -30)), corners=(0,)),
            "moss",
            (3, 3),
            0.7,
        )
    cut(
        paper,
        spline(points((4, -24), (24, -12), (24, 0), (-38, 46), (-42, 42), (-10, -14)), tension=0.35),
        "#E0762F",
        (5, 6),
    )
    for a, b in (((0, -4), (10, 6)), ((-12, 10), (-4, 18)), ((-22, 22), (-15, 27))):
        paper.brush(points(a, b), 2.6, darker("#E0762F", 0.4), tip=0.8, tail=0.3)


def draw_bread(paper: Paper) -> None:
    loaf = points((-46, 14), (-40, -18), (-10, -30), (24, -26), (46, -2), (44, 26), (0, 34), (-40, 30))
    cut(paper, spline(loaf), "#C98F4B", (7, 7))
    for x in (-22, 0, 22):
        paper.brush(points((x - 6, -18), (x + 2, -6), (x + 4, 8)), 7, "#F0D9A8", tip=0.4, tail=0.4)


def draw_cake(paper: Paper) -> None:
    cut(paper, cut_rect(-40, -6, 80, 48), "#EBD3A8", (7, 3))
    icing = points(
        (-42, -10), (42, -10), (42, 6), (32, 16), (22, 8), (10, 18), (0, 8), (-12, 16), (-22, 8), (-34, 16), (-42, 6)
    )
    cut(paper, spline(icing, corners=(0, 1)), "rose", (4, 3))
    cut(paper, cut_rect(-4, -34, 8, 26, 0.4), "tide", (2, 0))
    paper.flat(spline(points((0, -48), (5, -40), (0, -34), (-5, -40)), corners=(0,)), "mustard")


def draw_bottle(paper: Paper) -> None:
    body = points((-9, -46), (9, -46), (9, -24), (20, -8), (20, 44), (-20, 44), (-20, -8), (-9, -24))
    cut(paper, spline(body, corners=(0, 1, 4, 5), tension=0.35), "#6FA7A0", (6, 3))
    cut(paper, cut_rect(-20, 4, 40, 26, 0.5), "cream", (4, 2), 0.4)
    paper.flat(wave_band(16, 2.4, 16, -20, 12, 30), "tide")
    cut(paper, cut_rect(-11, -49, 22, 9, 0.5), "vermilion", (3, 2))


def draw_bin(paper: Paper) -> None:
    bin_ = polygon(points((-30, -22), (30, -22), (24, 46), (-24, 46)))
    cut(paper, bin_, "slate", (6, 3))
    for x in (-12, 0, 12):
        paper.brush(points((x, -10), (x * 0.85, 36)), 3, darker("slate", 0.4), tip=0.8, tail=0.8)
    cut(paper, cut_rect(-36, -32, 72, 11, 0.8), "slate", (4, 3))
    cut(paper, cut_rect(-12, -41, 24, 9, 0.6), "slate", (3, 2))
