"""Sky, weather, plants and animals, each in a box of 100 units round the origin."""

from __future__ import annotations

from dearhost.drawing.cut_shapes import cut_disc, cut_rect
from dearhost.drawing.outlines import points, polygon, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.things.drawn.scissors import cut

_CLOUD = points(
    (-46, 16), (-40, -6), (-22, -10), (-10, -28), (14, -28), (24, -12), (42, -8), (46, 12), (30, 20), (-30, 22)
)


def draw_moon(paper: Paper) -> None:
    cut(paper, cut_disc(0, 0, 42), "#EFE3C4", (10, 7))
    for x, y, radius in ((-14, -10, 9), (12, -20, 5), (6, 10, 7), (-16, 18, 5), (22, 2, 4)):
        paper.flat(cut_disc(x, y, radius), "#D3C29B")


def draw_earth(paper: Paper) -> None:
    globe = cut_disc(0, 0, 44)
    cut(paper, globe, "sea", (9, 7))
    lands = (
        points((-34, -26), (-8, -36), (4, -22), (-8, -10), (-4, 2), (-18, 10), (-24, 30), (-34, 10), (-46, -2)),
        points((14, -10), (34, -20), (50, -6), (44, 18), (26, 24), (20, 8), (10, 4)),
        points((-6, 34), (14, 30), (20, 44), (-8, 48)),
    )
    with paper.clipped(globe):
        for land in lands:
            cut(paper, spline(land), "#7E9A5B", (3, 2), 0.5)


def draw_sun(paper: Paper) -> None:
    for i in range(12):
        way = turned(i * 30 + 4)
        ray = polygon([way * 30 + way * 6j, way * 48, way * 30 - way * 6j])
        paper.piece(ray, "mustard" if i % 2 == 0 else "vermilion", ink=0.6)
    cut(paper, cut_disc(0, 0, 28), "#F3C56A", (6, 5))


def draw_cloud(paper: Paper) -> None:
    cut(paper, spline(_CLOUD), "cream", (4, 7))


def draw_rain(paper: Paper) -> None:
    for i in range(9):
        x, y = -34 + (i % 5) * 17 + (i // 5) * 8, 14 + (i // 5) * 16
        paper.brush(points((x, y), (x - 6, y + 14)), 5, "sea", tip=0.2, tail=1)
    with paper.placed(0, -14):
        cut(paper, spline(_CLOUD), "#B7C1C2", (4, 7))


def draw_lightning(paper: Paper) -> None:
    with paper.placed(0, -16):
        cut(paper, spline(_CLOUD), "#8E9BA3", (4, 7))
    bolt = points((4, -2), (-18, 26), (-2, 24), (-12, 48), (20, 14), (4, 16), (16, -2))
    cut(paper, polygon(bolt), "mustard", (3, 2))


def draw_snowflake(paper: Paper) -> None:
    for a in range(0, 360, 60):
        way = turned(a)
        for weight, colour, off in ((8, "ink", 1.4 + 1.2j), (6, "#BFDDE4", 0)):
            paper.brush([off, off + way * 45], weight, colour, tip=1, tail=1)
            for share in (0.45, 0.72):
                for side in (-45, 45):
                    root = off + way * 45 * share
                    paper.brush([root, root + way * turned(side) * 14], weight * 0.75, colour, tip=1, tail=1)


def draw_wind(paper: Paper) -> None:
    for y, reach, curl in ((-22, 26, -16), (2, 40, -18), (24, 18, 14)):
        line = points(
            (-46, y), (reach - 12, y), (reach, y + curl * 0.4), (reach - 8, y + curl), (reach - 20, y + curl * 0.6)
        )
        paper.brush([p + 1.4 + 1.2j for p in line], 8, "ink", tip=0.3, tail=0.7)
        paper.brush(line, 7, "tide", tip=0.3, tail=0.7)


def draw_drop(paper: Paper) -> None:
    cut(paper, spline(points((0, -46), (22, -8), (30, 18), (0, 46), (-30, 18), (-22, -8)), corners=(0,)), "sea", (8, 6))
    paper.brush(points((-16, 14), (-12, 28), (0, 34)), 5, "#BFDDE4", tip=0.6, tail=0.4)


def draw_flame(paper: Paper) -> None:
    outer = points((0, -48), (14, -22), (30, -2), (30, 28), (0, 46), (-30, 28), (-28, 0), (-16, -8), (-12, -26))
    cut(paper, spline(outer, corners=(0, 7)), "vermilion", (7, 5))
    cut(
        paper,
        spline(points((2, -6), (16, 18), (12, 36), (0, 42), (-14, 34), (-12, 16)), corners=(0,)),
        "mustard",
        (4, 3),
        0,
    )


def draw_mountain(paper: Paper) -> None:
    for peak, colour in (((18, -20), "#8CA678"), ((-12, -40), "#5F7E6B")):
        slope = polygon(points((peak[0] - 40, 40), peak, (peak[0] + 34, 40)))
        cut(paper, slope, colour, (8, 0))
        snow = points(
            (peak[0] - 10, peak[1] + 20),
            peak,
            (peak[0] + 9, peak[1] + 20),
            (peak[0] + 2, peak[1] + 15),
            (peak[0] - 3, peak[1] + 24),
        )
        cut(paper, polygon(snow), "cream", (3, 0), 0)


def draw_tree(paper: Paper) -> None:
    cut(paper, polygon(points((-7, 46), (-4, 0), (4, 0), (8, 46))), "#6B4E35", (3, 0))
    for x, y, radius in ((-20, -4, 22), (19, -6, 21), (0, -24, 25)):
        cut(paper, cut_disc(x, y, radius, 0.05, 9), "#5F8255", (6, 5))


def draw_leaf(paper: Paper) -> None:
    outline = points((-38, 38), (-38, -2), (-14, -32), (40, -42), (38, 4), (12, 34), (-18, 36))
    cut(paper, spline(outline, corners=(0, 3)), "moss", (7, 6))
    paper.brush(points((-46, 46), (-14, 10), (26, -28)), 3.2, "#3F4D22", tip=0.9, tail=0.2)
    for a, b in (((-16, 12), (-18, -12)), ((2, -6), (2, -26)), ((-10, 8), (12, 14)), ((8, -11), (26, -8))):
        paper.brush(points(a, b), 2, "#3F4D22", tip=0.8, tail=0.2)


def draw_seedling(paper: Paper) -> None:
    cut(
        paper, spline(points((-44, 34), (-24, 20), (0, 16), (24, 20), (44, 34), (30, 44), (-30, 44))), "#6B4E35", (5, 4)
    )
    paper.brush(points((0, 24), (-2, 0), (2, -16)), 5, "#5F8255", tip=0.9, tail=0.7)
    for side, y in ((-1, -8), (1, -16)):
        leaf = points((0, y), (side * 14, y - 22), (side * 38, y - 26), (side * 28, y - 4))
        cut(paper, spline(leaf, corners=(0, 2)), "#7FA35A", (4, 3))


def draw_plant(paper: Paper) -> None:
    for side, reach in ((-1, 36), (1, 34), (-1, 18), (1, 20)):
        leaf = points((0, 10), (side * reach * 0.9, -6), (side * reach, -34 - (36 - reach)), (side * reach * 0.3, -16))
        cut(paper, spline(leaf, corners=(0, 2)), "#5F8255", (4, 3))
    cut(paper, polygon(points((-24, 6), (24, 6), (18, 46), (-18, 46))), "vermilion", (6, 2))
    cut(paper, cut_rect(-27, 2, 54, 10, 0.8), "vermilion", (4, 3))


def draw_bee(paper: Paper) -> None:
    for side in (-1, 1):
        wing = points((-2, -10), (side * 12 - 4, -44), (side * 30 - 2, -38), (side * 14, -8))
        cut(paper, spline(wing, corners=(0,)), "#DCE9EA", (3, 3), 0.7)
    body = spline(points((-42, 8), (-26, -14), (10, -16), (40, 4), (14, 28), (-24, 28)))
    cut(paper, body, "mustard", (5, 6))
    with paper.clipped(body):
        for x in (-16, 2, 20):
            paper.flat(polygon(points((x, -30), (x + 9, -30), (x + 7, 40), (x - 2, 40))), "ink")
    paper.dot(-31 + 4j, 2.8, "ink")


def draw_dog(paper: Paper) -> None:
    cut(
        paper,
        spline(points((-30, -20), (-22, -40), (0, -44), (22, -40), (30, -20), (26, 14), (0, 34), (-26, 14))),
        "#C79A63",
        (6, 6),
    )
    for side in (-1, 1):
        ear = points((side * 22, -38), (side * 42, -30), (side * 44, 8), (side * 30, 4))
        cut(paper, spline(ear, corners=(0,)), "#7A5234", (4, 4))
        paper.dot(complex(side * 11, -12), 4, "ink")
    cut(paper, spline(points((-15, 8), (0, 0), (15, 8), (12, 26), (-12, 26))), "cream", (3, 3), 0)
    paper.flat(spline(points((-7, 6), (0, 3), (7, 6), (0, 14))), "ink")
    paper.brush(points((-8, 20), (0, 16), (8, 20)), 2.4)


def draw_cat(paper: Paper) -> None:
    head = points((-36, -42), (-16, -28), (16, -28), (36, -42), (38, 4), (22, 30), (-22, 30), (-38, 4))
    cut(paper, spline(head, corners=(0, 3), tension=0.4), "#8E8B83", (6, 6))
    for side in (-1, 1):
        cut(paper, polygon(points((side * 32, -34), (side * 20, -25), (side * 32, -18))), "rose", (2, 2), 0)
        paper.flat(spline(points((side * 8, -4), (side * 16, -12), (side * 24, -4), (side * 16, 2))), "#D9E27A")
        paper.flat(spline(points((side * 14, -9), (side * 18, -9), (side * 18, 0), (side * 14, 0))), "ink")
        for y in (10, 16):
            paper.brush(points((side * 12, y), (side * 44, y - 4 + (y - 10))), 1.8, "cream", tip=0.9, tail=0.2)
    paper.flat(polygon(points((-5, 7), (5, 7), (0, 13))), "rose")
    paper.brush(points((-8, 20), (0, 14), (8, 20)), 2.2)
