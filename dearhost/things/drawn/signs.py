"""Signs and ideas: ticks, questions, charts, hearts, locks; each in a box of 100 units round the origin."""

from __future__ import annotations

from collections.abc import Sequence

from dearhost.drawing.colours import darker
from dearhost.drawing.cut_shapes import cut_disc, cut_rect
from dearhost.drawing.outlines import points, polygon, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.things.drawn.scissors import arrow, cut, ring


def draw_tick(paper: Paper) -> None:
    cut(paper, cut_disc(0, 0, 44), "moss", (6, 5))
    cut(paper, polygon(points((-26, 2), (-17, -9), (-5, 6), (20, -22), (29, -12), (-4, 26))), "cream", (2, 2), 0.6)


def draw_cross(paper: Paper) -> None:
    cut(paper, cut_disc(0, 0, 44), "vermilion", (6, 5))
    cross = points((-22, -15), (-15, -22), (0, -7), (15, -22), (22, -15), (7, 0), (22, 15), (15, 22), (0, 7), (-15, 22),
                   (-22, 15), (-7, 0))  # fmt: skip
    cut(paper, polygon(cross), "cream", (2, 2), 0.6)


def draw_question(paper: Paper) -> None:
    balloon = points(
        (-44, -20), (-30, -42), (10, -46), (40, -34), (46, -8), (34, 18), (4, 26), (-14, 44), (-14, 26), (-36, 14)
    )
    cut(paper, spline(balloon, corners=(7,)), "tide", (6, 5))
    paper.brush(points((-14, -18), (-8, -32), (8, -33), (14, -20), (2, -9), (0, 2)), 8, "cream", tip=0.9, tail=0.8)
    paper.flat(cut_disc(0, 14, 4.6), "cream")


def draw_warning(paper: Paper) -> None:
    cut(
        paper,
        spline(points((0, -46), (8, -40), (46, 32), (40, 42), (-40, 42), (-46, 32), (-8, -40)), tension=0.25),
        "mustard",
        (7, 6),
    )
    paper.flat(polygon(points((-6, -16), (6, -16), (3.5, 14), (-3.5, 14))), "ink")
    paper.flat(cut_disc(0, 25, 5.4), "ink")


def draw_heart(paper: Paper) -> None:
    outline = points(
        (0, 44), (-36, 8), (-44, -16), (-30, -36), (-10, -34), (0, -18), (10, -34), (30, -36), (44, -16), (36, 8)
    )
    cut(paper, spline(outline, corners=(0, 5)), "vermilion", (8, 7))


def draw_star(paper: Paper) -> None:
    cut(paper, polygon([turned(i * 36 - 90) * (47 if i % 2 == 0 else 20) for i in range(10)]), "mustard", (5, 5))


def draw_bulb(paper: Paper) -> None:
    glass = points((-12, 22), (-16, 8), (-32, -10), (-28, -36), (0, -48), (28, -36), (32, -10), (16, 8), (12, 22))
    cut(paper, spline(glass, corners=(0, 8)), "#F3D06B", (8, 5))
    paper.brush(
        points((-8, 18), (-12, -8), (-3, -16), (0, -6), (3, -16), (12, -8), (8, 18)), 2.6, "#8A5A1E", tip=0.9, tail=0.9
    )
    for i in range(3):
        cut(paper, cut_rect(-13 + i * 1.5, 22 + i * 8, 26 - i * 3, 7, 0.6), "slate", (5, 0), 0.5)


def draw_key(paper: Paper) -> None:
    cut(paper, cut_rect(-6, -6, 50, 12, 0.8), "mustard", (0, 4))
    for x, down in ((24, 18), (36, 22)):
        paper.piece(polygon(points((x, 4), (x + 6, 4), (x + 6, down), (x, down))), "mustard", ink=0.8)
    cut(paper, cut_disc(-24, 0, 22), "mustard", (5, 5))
    paper.flat(cut_disc(-26, 0, 8), "ink")


def draw_lock(paper: Paper) -> None:
    bow = points((-24, 0), (-24, -24), (0, -42), (24, -24), (24, 0))
    paper.brush([p + 1.5 + 1.3j for p in bow], 12, "ink", tip=1, tail=1)
    paper.brush(bow, 12, "#9AA5A8", tip=1, tail=1)
    cut(paper, cut_rect(-36, -6, 72, 50), "mustard", (7, 6))
    paper.flat(cut_disc(0, 14, 7), "ink")
    paper.flat(polygon(points((-3, 16), (3, 16), (5, 32), (-5, 32))), "ink")


def draw_shield(paper: Paper) -> None:
    outline = points((0, -46), (38, -34), (36, 6), (0, 46), (-36, 6), (-38, -34))
    cut(paper, spline(outline, corners=(0, 1, 3, 5), tension=0.35), "sea", (7, 6))
    cut(paper, polygon(points((-18, 0), (-11, -7), (-3, 3), (14, -16), (21, -9), (-3, 17))), "cream", (2, 2), 0.5)


def draw_target(paper: Paper) -> None:
    for radius, colour in ((44, "vermilion"), (33, "cream"), (22, "vermilion"), (11, "cream")):
        cut(paper, cut_disc(-2, 2, radius), colour, (4, 4), 1.0 if radius == 44 else 0.0)
    arrow(paper, 46 - 46j, 0 + 0j, 7, "sea-dark")


def draw_flag(paper: Paper) -> None:
    cut(paper, cut_rect(-32, -46, 7, 94, 0.6), "#7A5A3C", (2, 0))
    cloth = points((-25, -42), (0, -46), (20, -36), (44, -42), (40, -16), (44, 4), (20, 8), (0, -2), (-25, 4))
    cut(paper, spline(cloth, corners=(0, 3, 5, 8)), "vermilion", (5, 5))


def draw_trophy(paper: Paper) -> None:
    for side in (-1, 1):
        ring(paper, side * 26, -22, 13, 6, "mustard")
    cut(
        paper,
        spline(points((-28, -44), (28, -44), (24, -8), (6, 10), (-6, 10), (-24, -8)), corners=(0, 1, 3, 4)),
        "mustard",
        (8, 3),
    )
    cut(paper, cut_rect(-5, 8, 10, 20, 0.6), "mustard", (3, 0))
    cut(paper, cut_rect(-22, 26, 44, 18, 0.8), "#7A5A3C", (5, 3))


def draw_puzzle(paper: Paper) -> None:
    paper.piece(cut_disc(36, 2, 13), "tide", darker("tide"), crescent=(3, 3))
    paper.piece(cut_disc(-6, -34, 13), "tide", darker("tide"), crescent=(3, 3))
    cut(paper, cut_rect(-38, -30, 68, 70), "tide", (6, 5))
    paper.flat(cut_disc(27, 2, 12.5), "tide")
    paper.flat(cut_disc(-6, -27, 12.5), "tide")
    paper.flat(cut_disc(-4, 40, 12), "tide-dark")


def draw_scales(paper: Paper) -> None:
    cut(paper, cut_rect(-3.5, -40, 7, 76, 0.5), "#7A5A3C", (2, 0))
    cut(paper, cut_rect(-22, 34, 44, 9, 0.8), "#7A5A3C", (4, 3))
    cut(paper, cut_rect(-38, -36, 76, 6, 0.6), "mustard", (0, 2))
    for side in (-1, 1):
        for x in (-14, 14):
            paper.brush(points((side * 34, -32), (side * 34 + x, 4)), 1.8, "ink", tip=1, tail=1)
        pan = points((side * 34 - 16, 4), (side * 34 + 16, 4), (side * 34 + 9, 14), (side * 34 - 9, 14))
        cut(paper, spline(pan, corners=(0, 1)), "mustard", (3, 3))


def draw_recycle(paper: Paper) -> None:
    for a in (0, 120, 240):
        arrow(paper, turned(a - 80) * 36, turned(a + 8) * 36, 13, "moss", -0.16)


def _chart(paper: Paper, heights: Sequence[float], start: complex, end: complex, colour: str) -> None:
    cut(paper, cut_rect(-46, -44, 92, 90), "cream")
    paper.flat(cut_rect(-38, 34, 76, 3, 0.4), "ink")
    paper.flat(cut_rect(-39, -36, 3, 72, 0.4), "ink")
    for i, high in enumerate(heights):
        cut(
            paper,
            cut_rect(-29 + i * 17, 33 - high, 12, high, 0.8),
            ("sea", "tide-light", "mustard", "tide")[i],
            (3, 0),
            0.6,
        )
    arrow(paper, start, end, 7, colour)


def draw_chart_up(paper: Paper) -> None:
    _chart(paper, (14, 23, 34, 48), -30 + 4j, 28 - 36j, "vermilion")


def draw_chart_down(paper: Paper) -> None:
    _chart(paper, (50, 36, 25, 12), -20 - 30j, 34 + 10j, "plum")


def draw_pie_chart(paper: Paper) -> None:
    cut(paper, cut_disc(0, 0, 44), "tide-light", (6, 5))
    for first, last, colour in ((-90, 30, "vermilion"), (30, 100, "mustard")):
        slice_ = [0j, *[turned(first + (last - first) * i / 8) * 44 for i in range(9)]]
        cut(paper, polygon(slice_), colour, (3, 3), 0.6)
