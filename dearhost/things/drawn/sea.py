"""Things of sea and shore, each in a box of 100 units round the origin."""

from __future__ import annotations

from dearhost.drawing.colours import darker
from dearhost.drawing.cut_shapes import cut_disc, cut_rect, wave_band
from dearhost.drawing.outlines import points, polygon, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.things.drawn.scissors import arrow, cut, ring


def draw_fish(paper: Paper) -> None:
    body = points((-44, 2), (-22, -20), (8, -21), (28, -5), (46, -19), (42, 2), (46, 20), (27, 8), (4, 23), (-24, 20))
    paper.piece(spline(body, corners=(0, 4, 6)), "sea", darker("sea"), crescent=(3, 6))
    paper.dot(-27 - 4j, 4, "cream")
    paper.dot(-27 - 4j, 2.1, "ink")
    for i in range(3):
        scale = points((-10 + i * 12, -12), (-6 + i * 12, 1), (-10 + i * 12, 13))
        paper.brush(scale, 1.8, darker("sea", 0.45), tip=0.8, tail=0.2)


def draw_boat(paper: Paper) -> None:
    paper.brush(points((2, -44), (2, 20)), 4, "#5A4638", tip=0.8, tail=0.9)
    for sail, colour in ((((6, -42), (38, 10), (6, 12)), "cream"), (((-2, -34), (-2, 12), (-30, 12)), "vermilion")):
        paper.piece(polygon(points(*sail)), colour, darker(colour), crescent=(6, 2))
    hull = points((-46, 16), (46, 16), (34, 38), (-28, 38))
    paper.piece(spline(hull, corners=(0, 1, 2, 3)), "navy", darker("navy"), crescent=(0, 8))
    paper.flat(polygon(points((-44, 20), (44, 20), (43, 24), (-42, 24))), "cream")
    paper.piece(wave_band(38, 3.5, 26, -50, 46, 48), "tide-light", ink=0.7)


def draw_lighthouse(paper: Paper) -> None:
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


def draw_gull(paper: Paper) -> None:
    body = points((-40, 0), (-26, -12), (-8, -8), (14, 4), (42, 0), (24, 18), (-4, 22), (-24, 12))
    paper.piece(spline(body, corners=(4,)), "cream", darker("cream"), crescent=(4, 5))
    wing = points((-8, -2), (6, -40), (24, -44), (22, -10), (12, 10))
    paper.piece(spline(wing, corners=(2,)), "slate", darker("slate"), crescent=(5, 3))
    paper.piece(polygon(points((-38, -2), (-49, 4), (-36, 6))), "mustard", darker("mustard"), crescent=(2, 2))
    paper.dot(-28 - 2j, 2.6, "ink")


def draw_wave(paper: Paper) -> None:
    curl = points((-48, 36), (-40, 6), (-22, -22), (6, -34), (30, -22), (34, -2), (20, 8), (10, 0), (18, -8), (8, -14),
                  (-6, -4), (-8, 14), (6, 26), (30, 28), (48, 22), (48, 40), (0, 42))  # fmt: skip
    cut(paper, spline(curl, corners=(0, 14, 15)), "tide", (6, 5))
    foam = points((-22, -22), (6, -34), (30, -22), (34, -2), (20, 8), (10, 0), (20, -5), (20, -18), (4, -26))
    cut(paper, spline(foam, corners=(0,)), "cream", (3, 3), 0.5)
    paper.piece(wave_band(28, 4, 26, -50, 48, 44), "tide-light", ink=0.6)


def draw_tide_gauge(paper: Paper) -> None:
    frame = cut_rect(-44, -42, 88, 84)
    cut(paper, frame, "#DCE7DD")
    with paper.clipped(frame):
        for y, colour in ((-2, "tide-light"), (14, "tide"), (28, "tide-dark")):
            paper.piece(wave_band(y, 4, 30, -60, 60, 60, y), colour, ink=0.6)
    cut(paper, cut_rect(-8, -36, 14, 74), "cream")
    for i in range(7):
        paper.flat(cut_rect(-8, -32 + i * 10, 7 if i % 2 else 14, 2.4, 0.3), "ink" if i % 2 else "vermilion")
    arrow(paper, 24 + 4j, 24 - 34j, 7)


def draw_crab(paper: Paper) -> None:
    for side in (-1, 1):
        for i in range(3):
            leg = points((side * 22, 10 + i * 6), (side * 40, 6 + i * 10), (side * 46, 20 + i * 10))
            paper.brush(leg, 5, "vermilion-dark", tip=0.9, tail=0.4)
        paper.brush(points((side * 26, -4), (side * 40, -16), (side * 36, -30)), 7, "vermilion-dark", tip=0.9, tail=0.9)
        claw = points((side * 30, -28), (side * 24, -44), (side * 36, -38), (side * 48, -46), (side * 46, -26))
        cut(paper, spline(claw, corners=(2,)), "vermilion")
        paper.brush(points((side * 8, -10), (side * 10, -24)), 3, "ink", tip=1, tail=1)
    cut(
        paper,
        spline(points((-34, 8), (-22, -12), (0, -18), (22, -12), (34, 8), (20, 26), (-20, 26))),
        "vermilion",
        (7, 6),
    )
    for side in (-1, 1):
        paper.dot(complex(side * 10, -26), 5, "cream")
        paper.dot(complex(side * 10, -26), 2.4, "ink")
    paper.brush(points((-10, 12), (0, 17), (10, 12)), 2.6)


def draw_starfish(paper: Paper) -> None:
    arms = [turned(i * 36 - 90) * (46 if i % 2 == 0 else 17) for i in range(10)]
    cut(paper, spline(arms, tension=0.55), "#E39A4E", (5, 5))
    for i in range(5):
        for reach in (10, 20, 30):
            paper.dot(turned(i * 72 - 90) * reach, 2.2, "#9C5A20")


def draw_anchor(paper: Paper) -> None:
    ring(paper, 0, -36, 8, 6, "sea-dark")
    cut(paper, cut_rect(-5, -28, 10, 66, 0.8), "sea-dark", (3, 0))
    cut(paper, cut_rect(-22, -20, 44, 8, 0.8), "sea-dark", (0, 3))
    hook = points((-46, 8), (-38, 30), (0, 46), (38, 30), (46, 8), (30, 20), (26, 26), (0, 33), (-26, 26), (-30, 20))
    cut(paper, spline(hook, corners=(0, 4, 5, 9), tension=0.4), "sea-dark", (4, 5))


def draw_lifebuoy(paper: Paper) -> None:
    cut(paper, cut_disc(0, 0, 45), "cream", (7, 6))
    for start in (0, 90, 180, 270):
        wedge = [turned(start + a) * 45 for a in (22, 34, 45, 56, 68)]
        paper.flat(spline([*wedge, *[p * 0.5 for p in wedge[::-1]]], corners=(0, 4, 5, 9)), "vermilion")
    cut(paper, cut_disc(0, 0, 23), "#DCE7DD", (-5, -4), 0.0)


def draw_whale(paper: Paper) -> None:
    body = points(
        (-46, 6), (-36, -16), (-6, -24), (24, -10), (34, -24), (48, -34), (44, -14), (36, 6), (12, 24), (-26, 26)
    )
    cut(paper, spline(body, corners=(5,)), "sea", (5, 8))
    belly = points((-44, 14), (-20, 14), (8, 18), (12, 24), (-26, 26))
    paper.flat(spline(belly, corners=(0, 3)), "tide-light")
    paper.dot(-30 - 2j, 2.6, "ink")
    for side in (-1, 1):
        paper.brush(points((-14, -28), (-14 + side * 6, -40), (-14 + side * 14, -40)), 4, "tide", tip=0.8, tail=0.4)
