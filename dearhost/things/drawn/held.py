"""Things that hosts hold, and that are shown by themselves too, each in a box of 100 units round the origin."""

from __future__ import annotations

import itertools

from dearhost.drawing.colours import darker, mix
from dearhost.drawing.cut_shapes import cut_disc, cut_rect, wave_band
from dearhost.drawing.outlines import disc, points, polygon, spline, turned
from dearhost.drawing.paper import Paper


def draw_shell(paper: Paper) -> None:
    fan = [24j + turned(180 + a) * 52 for a in range(20, 171, 15)]
    outline = [complex(-40, 22), *fan, complex(40, 22), complex(14, 28), complex(-14, 28)]
    paper.piece(spline(outline), "#E79B7F", darker("#E79B7F"), crescent=(7, 3))
    for a in range(30, 160, 20):
        paper.brush([20j, 24j + turned(180 + a) * 46], 2.2, "#A9543E", tip=0.2, tail=0.8)


def draw_tide_clock(paper: Paper) -> None:
    paper.piece(cut_disc(0, 0, 44), "mustard", darker("mustard"), crescent=(6, 5))
    face = cut_disc(0, 0, 34)
    paper.piece(face, "cream", darker("cream"), crescent=(-3, -2.5), ink=0)
    with paper.clipped(disc(0, 33)):
        paper.flat(wave_band(14, 2.6, 26, -44, 40, 40), "tide-light", 0.9)
        paper.flat(wave_band(23, 2.6, 21, -47, 40, 40), "tide")
    for a in range(0, 360, 30):
        tick = [turned(a) * 27, turned(a) * 31]
        paper.brush(tick, 1.6 if a % 90 else 3.4, tip=0.9, tail=0.9)
    paper.brush([0j, turned(-90) * 24], 3.6, tip=1, tail=0.5)
    paper.brush([0j, turned(30) * 17], 4.4, "vermilion", tip=1, tail=0.5)
    paper.dot(0j, 3.6, "ink")


def draw_map(paper: Paper) -> None:
    sheet = points((-50, -30), (-17, -36), (17, -29), (50, -35), (50, 31), (17, 37), (-17, 30), (-50, 36))
    outline = polygon(sheet)
    paper.piece(outline, "#EFE3C4", darker("#EFE3C4"), crescent=(3, 3))
    with paper.clipped(outline):
        land = points((-60, -40), (-20, -44), (-6, -22), (-22, -4), (-10, 16), (-34, 44), (-62, 44))
        paper.flat(spline(land), "#BFCF9F")
        sea = points((8, -40), (60, -44), (60, 44), (-4, 44), (6, 12), (-8, -4), (8, -18))
        paper.flat(spline(sea), "tide-light")
        for x, colour in ((-17, 0.10), (17, 0.10)):
            paper.brush(points((x, -44), (x, 44)), 1.6, darker("#EFE3C4", 0.10 + colour), tip=1, tail=1)
        route = points((-34, 20), (-20, 8), (-8, 8), (6, -2), (22, 2), (32, -14))
        for start, end in itertools.pairwise(route):
            paper.brush([start + (end - start) * 0.18, start + (end - start) * 0.72], 3.2, "vermilion", tip=1, tail=1)
    for arm in (45, 135):
        paper.brush([32 - 14j + turned(arm) * 6, 32 - 14j - turned(arm) * 6], 3.6, "vermilion", tip=1, tail=1)


def draw_mug(paper: Paper) -> None:
    handle = points((24, -16), (44, -18), (46, 8), (24, 16))
    paper.brush([*handle], 15, "ink", tip=1, tail=1)
    paper.brush([*handle], 9, "vermilion", tip=1, tail=1)
    body = points((-32, -32), (32, -32), (30, 34), (22, 40), (-22, 40), (-30, 34))
    outline = spline(body, corners=(0, 1, 2, 5))
    paper.piece(outline, "vermilion", darker("vermilion"), crescent=(9, 3))
    with paper.clipped(outline):
        paper.flat(wave_band(6, 4, 24, -40, 40, 18), "cream")
    rim = points((-32, -32), (0, -38), (32, -32), (0, -26))
    paper.piece(spline(rim), "cream", darker("cream"), crescent=(0, 2), ink=0.5)
    paper.flat(spline(points((-27, -32), (0, -36), (27, -32), (0, -28))), "#5A3A28")


def draw_lantern(paper: Paper) -> None:
    ring = [-38j + turned(a) * 13 for a in range(170, 371, 20)]
    paper.brush(ring, 5, "ink", tip=1, tail=1)
    paper.piece(polygon(points((-9, -34), (9, -34), (24, -16), (-24, -16))), "sea-dark", darker("sea-dark"))
    glass = polygon(points((-21, -15), (21, -15), (24, 32), (-24, 32)))
    paper.piece(glass, "#F7DFA0", darker("#F7DFA0", 0.16), crescent=(7, 3))
    flame = points((0, -4), (9, 14), (6, 24), (-6, 24), (-9, 14))
    paper.flat(spline(flame, corners=(0,)), "mustard")
    paper.flat(spline(points((0, 8), (4, 17), (0, 23), (-4, 17)), corners=(0,)), "cream")
    for x in (-22, 0, 22):
        paper.brush(points((x * 0.95, -15), (x * 1.08, 32)), 3.2, "sea-dark", tip=1, tail=1)
    paper.piece(cut_rect(-29, 31, 58, 12), "sea-dark", darker("sea-dark"), crescent=(6, 3))


def draw_book(paper: Paper) -> None:
    paper.piece(cut_rect(-33, -44, 70, 90, 1), "cream", darker("cream"), crescent=(6, 4))
    for x in (33.5, 35.5):
        paper.brush(points((x, -41), (x, 43)), 0.9, "slate", tip=1, tail=1)
    cover = cut_rect(-37, -46, 68, 92, 1)
    paper.piece(cover, "tide-dark", darker("tide-dark"), crescent=(7, 5))
    paper.flat(cut_rect(-37, -46, 11, 92, 0.6), darker("tide-dark"))
    paper.piece(cut_rect(-17, -32, 38, 20, 0.8), "cream", darker("cream"), ink=0.4, crescent=(2, 2))
    for y, half in ((-26, 13), (-19, 9)):
        paper.brush([complex(2 - half, y), complex(2 + half, y)], 2.4, "ink", tip=0.9, tail=0.9)
    with paper.clipped(cover):
        paper.flat(wave_band(14, 4, 22, -26, 31, 46), "tide-light")
        paper.flat(wave_band(26, 4, 22, -26, 31, 46, 6), "tide")


SCREEN = (-42.0, -30.0, 42.0, 30.0)
"""Of a tablet: left, top, right and bottom."""


def draw_tablet(paper: Paper) -> None:
    paper.piece(spline(points((-49, -36), (49, -36), (49, 36), (-49, 36)), corners=(), tension=0.1), "char",
                darker("char"), crescent=(3, 3))  # fmt: skip
    left, top, right, bottom = SCREEN
    screen = cut_rect(left, top, right - left, bottom - top, 0.3)
    paper.flat(screen, "#EAF1EC")
    with paper.clipped(screen):
        paper.flat(wave_band(8, 5, 36, -44, 44, 32), "tide-light")
        paper.flat(wave_band(17, 5, 30, -44, 44, 32, 8), "tide")
    curve = points((-36, 2), (-22, -16), (-8, 0), (8, -18), (22, -2), (36, -14))
    paper.brush(curve, 3.0, "vermilion", tip=0.8, tail=0.8)
    for x in (-22, 8, 36):
        paper.dot(complex(x, -16 if x < 30 else -14), 3.4, "vermilion")


def draw_sign(paper: Paper) -> None:
    paper.piece(cut_rect(-3.2, 6, 6.4, 62, 0.3), "#A87B4C", darker("#A87B4C"), crescent=(2, 0))
    paper.piece(cut_rect(-50, -42, 100, 54, 1.2), "#FFFDF4", darker("#FFFDF4", 0.12), crescent=(4, 4))
    paper.flat(cut_rect(-46, -38, 92, 3, 0.3), "tide")
    paper.flat(cut_rect(-46, 5, 92, 3, 0.3), "tide")


def draw_parcel(paper: Paper) -> None:
    box = cut_rect(-46, -32, 92, 64, 1)
    paper.piece(box, "#C9A06B", darker("#C9A06B"), crescent=(8, 6))
    paper.flat(cut_rect(-46, -32, 92, 12, 0.6), mix("#C9A06B", "cream", 0.22))
    paper.piece(cut_rect(-7, -32, 14, 64, 0.5), "sea", darker("sea"), ink=0.5, crescent=(3, 0))
    for side in (-1, 1):
        loop = points((0, -32), (side * 10, -46), (side * 26, -46), (side * 20, -34))
        paper.piece(spline(loop, corners=(0,)), "sea", darker("sea"), ink=0.7, crescent=(3, 2))
    paper.piece(cut_rect(16, 2, 24, 17, 0.6), "cream", darker("cream"), ink=0.4, crescent=(2, 2))
    for y in (8, 13):
        paper.brush([complex(20, y), complex(36, y)], 1.6, "slate", tip=0.9, tail=0.9)


def draw_flower(paper: Paper) -> None:
    paper.brush(points((0, 62), (-2, 20), (0, -22)), 5, "#5F7240", tip=0.9, tail=0.8)
    for side, y in ((-1, 26), (1, 10)):
        leaf = points((0, y + 8), (side * 16, y - 8), (side * 30, y - 10), (side * 20, y + 4))
        paper.piece(spline(leaf, corners=(0, 2)), "#6F8A4A", darker("#6F8A4A"), ink=0.7, crescent=(3, 2))
    middle = -28j
    for angle in range(0, 360, 60):
        petal = [
            middle,
            middle + turned(angle - 28) * 19,
            middle + turned(angle) * 25,
            middle + turned(angle + 28) * 19,
        ]
        paper.piece(spline(petal, corners=(0,)), "rose", darker("rose"), ink=0.8, crescent=(3, 2))
    paper.piece(disc(middle, 8), "mustard", darker("mustard"), ink=0.5, crescent=(3, 2))


def draw_megaphone(paper: Paper) -> None:
    cone = polygon(points((-18, -10), (40, -36), (40, 26), (-18, 8)))
    paper.piece(cone, "cream", darker("cream"), crescent=(4, 7))
    paper.flat(polygon(points((4, -20), (14, -24.4), (14, 16.6), (4, 13.6))), "vermilion")
    paper.piece(cut_rect(-34, -11, 18, 20, 0.6), "vermilion", darker("vermilion"), crescent=(3, 5))
    rim = points((40, -38), (47, -6), (40, 28), (36, -6))
    paper.piece(spline(rim), "vermilion", darker("vermilion"), crescent=(3, 3))
    paper.piece(spline(points((-14, 6), (-2, 6), (-6, 38), (-18, 38)), tension=0.2), "char", darker("char"))


def draw_pointer(paper: Paper) -> None:
    paper.brush(points((0, 44), (0, -6), (0, -86)), 5.4, "ink", tip=1, tail=0.6)
    paper.brush(points((0, 44), (0, -6), (0, -86)), 3.6, "#B98B57", tip=1, tail=0.6)
    paper.piece(cut_rect(-3.6, 20, 7.2, 30, 0.3), "char", darker("char"), ink=0.6, crescent=(2, 0))
    paper.dot(-88j, 4.2, "vermilion")
