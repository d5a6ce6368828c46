"""Time, work and study, each in a box of 100 units round the origin."""

from __future__ import annotations

from dearhost.drawing.colours import darker
from dearhost.drawing.cut_shapes import cut_disc, cut_rect
from dearhost.drawing.outlines import points, polygon, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.things.drawn.scissors import cut, ring


def draw_clock(paper: Paper) -> None:
    cut(paper, cut_disc(0, 0, 44), "mustard", (6, 5))
    cut(paper, cut_disc(0, 0, 34), "cream", (-3, -2.5), 0)
    for a in range(0, 360, 30):
        paper.brush([turned(a) * 27, turned(a) * 31], 1.6 if a % 90 else 3.4, tip=0.9, tail=0.9)
    paper.brush([0j, turned(-90) * 24], 3.6, tip=1, tail=0.5)
    paper.brush([0j, turned(30) * 17], 4.4, "vermilion", tip=1, tail=0.5)
    paper.dot(0j, 3.6, "ink")


def draw_hourglass(paper: Paper) -> None:
    glass = points(
        (-24, -36), (24, -36), (20, -16), (4, 0), (20, 16), (24, 36), (-24, 36), (-20, 16), (-4, 0), (-20, -16)
    )
    cut(paper, spline(glass, corners=(0, 1, 5, 6), tension=0.4), "#DCE9EA", (5, 3))
    paper.flat(polygon(points((-13, -16), (13, -16), (2, -3), (-2, -3))), "mustard")
    paper.flat(spline(points((-18, 34), (-10, 22), (0, 18), (10, 22), (18, 34)), corners=(0, 4)), "mustard")
    for y in (-46, 36):
        cut(paper, cut_rect(-32, y, 64, 10, 0.8), "#7A5A3C", (4, 3))


def draw_calendar(paper: Paper) -> None:
    cut(paper, cut_rect(-40, -36, 80, 78), "cream")
    cut(paper, cut_rect(-40, -38, 80, 22), "vermilion", (0, 3))
    for x in (-22, 0, 22):
        paper.piece(cut_rect(x - 3, -46, 6, 16, 0.6), "ink", ink=0.3)
    for row in range(3):
        for column in range(4):
            chosen = (row, column) == (1, 2)
            paper.flat(cut_rect(-31 + column * 17, -8 + row * 16, 10, 9, 0.7), "tide" if chosen else "#D9CBB0")


def draw_letter(paper: Paper) -> None:
    cut(paper, cut_rect(-46, -30, 92, 62), "cream")
    cut(paper, polygon(points((-46, -30), (0, 8), (46, -30))), "#EADFC8", (0, 3))
    cut(paper, cut_disc(0, 4, 8), "vermilion", (2, 2), 0.5)


def draw_phone(paper: Paper) -> None:
    cut(paper, cut_rect(-25, -47, 50, 94, 0.8), "char", (3, 2))
    paper.flat(cut_rect(-20, -38, 40, 72, 0.6), "#DCE7DD")
    bubble = points((-14, -28), (14, -28), (14, -8), (-2, -8), (-9, 0), (-8, -8), (-14, -8))
    cut(paper, polygon(bubble), "tide", (3, 2), 0.4)
    cut(paper, cut_rect(-14, 6, 28, 10), "vermilion", (3, 2), 0.4)
    paper.flat(cut_rect(-14, 21, 20, 4, 0.4), "#A9B8AC")
    paper.dot(40j, 2.6, "cream")


def draw_laptop(paper: Paper) -> None:
    cut(paper, cut_rect(-36, -36, 72, 54, 0.8), "char")
    paper.flat(cut_rect(-31, -31, 62, 43, 0.6), "#DCE7DD")
    cut(paper, polygon(points((-38, 20), (38, 20), (49, 36), (-49, 36))), "#B9C0BE", (0, 5))
    paper.flat(cut_rect(-10, 28, 20, 4, 0.5), "slate")
    for i, high in enumerate((12, 20, 15, 30)):
        paper.flat(cut_rect(-24 + i * 13, 8 - high, 9, high, 0.5), ("tide", "mustard", "sea", "vermilion")[i])


def draw_camera(paper: Paper) -> None:
    cut(paper, polygon(points((-18, -22), (-12, -36), (12, -36), (18, -22))), "char", (3, 2))
    cut(paper, cut_rect(-46, -24, 92, 60, 1), "char", (7, 5))
    paper.flat(cut_rect(-46, -10, 92, 10, 0.4), "vermilion")
    cut(paper, cut_disc(0, 8, 23), "slate", (4, 4))
    cut(paper, cut_disc(0, 8, 15), "sea-dark", (-3, -3), 0)
    paper.dot(-5 + 3j, 4, "cream")
    paper.dot(34 - 16j, 4, "mustard")


def draw_microphone(paper: Paper) -> None:
    paper.brush(points((-24, -2), (-20, 20), (0, 28), (20, 20), (24, -2)), 6, "char", tip=1, tail=1)
    cut(paper, cut_rect(-4, 26, 8, 18, 0.4), "char", (2, 0))
    cut(paper, cut_rect(-20, 40, 40, 7, 0.6), "char", (3, 2))
    cut(
        paper,
        spline(points((-15, -30), (0, -46), (15, -30), (15, 2), (0, 16), (-15, 2)), tension=0.4),
        "vermilion",
        (5, 4),
    )
    for y in (-26, -16, -6):
        paper.brush(points((-11, y), (11, y)), 2.2, darker("vermilion", 0.4), tip=0.9, tail=0.9)


def draw_headphones(paper: Paper) -> None:
    paper.brush([turned(a) * 38 + 4j for a in range(180, 361, 15)], 8, "ink", tip=1, tail=1)
    paper.brush([turned(a) * 38 + 2.6j - 1.4 for a in range(180, 361, 15)], 7, "tide", tip=1, tail=1)
    for side in (-1, 1):
        cut(
            paper,
            spline(points((side * 30, 2), (side * 46, 6), (side * 46, 36), (side * 30, 40), (side * 24, 20))),
            "vermilion",
            (4, 4),
        )


def draw_music(paper: Paper) -> None:
    for x, y in ((-24, 30), (22, 22)):
        cut(
            paper,
            spline(
                points((x - 14, y + 4), (x - 6, y - 9), (x + 12, y - 9), (x + 14, y), (x + 4, y + 12), (x - 10, y + 12))
            ),
            "ink",
            (3, 3),
        )
        cut(paper, cut_rect(x + 8, y - 66, 6, 64, 0.4), "ink", (2, 0))
    cut(paper, polygon(points((-16, -36), (36, -46), (36, -30), (-16, -20))), "ink", (3, 3))


def draw_scissors(paper: Paper) -> None:
    for side in (-1, 1):
        blade = points((side * 18, -47), (side * 22, -40), (-side * 6, 14), (-side * 12, 10))
        cut(paper, polygon(blade), "#B9C3C6", (2, 2))
        ring(paper, -side * 18, 28, 13, 7, "vermilion")
    paper.dot(-1 - 2j, 3, "ink")


def draw_pencil(paper: Paper) -> None:
    paper.canvas.save()
    paper.canvas.rotate(40)
    cut(paper, cut_rect(-9, -34, 18, 56, 0.6), "mustard", (4, 0))
    cut(paper, cut_rect(-9, -46, 18, 13, 0.8), "rose", (3, 2))
    cut(paper, polygon(points((-9, 22), (9, 22), (0, 48))), "#EBD3A8", (3, 0))
    paper.flat(polygon(points((-3.4, 38), (3.4, 38), (0, 48))), "ink")
    paper.canvas.restore()


def draw_board(paper: Paper) -> None:
    for side in (-1, 1):
        paper.brush(points((side * 20, 30), (side * 32, 48)), 5, "#7A5A3C", tip=1, tail=1)
    cut(paper, cut_rect(-48, -42, 96, 74, 1), "#7A5A3C", (4, 4))
    paper.flat(cut_rect(-42, -36, 84, 62, 0.6), "#2F4A46")
    for i, width in enumerate((56, 40, 50)):
        paper.brush(
            points((-32, -22 + i * 16), (-32 + width / 2, -24 + i * 16), (-32 + width, -22 + i * 16)),
            3.4,
            "#DCE3D4",
            tip=0.6,
            tail=0.4,
        )


def draw_magnifier(paper: Paper) -> None:
    paper.brush(points((16, 16), (42, 42)), 13, "ink", tip=1, tail=1)
    paper.brush(points((15, 15), (41, 41)), 11, "#8A5F3C", tip=1, tail=1)
    cut(paper, cut_disc(-8, -8, 30), "#DCE9EA", (5, 5), 0)
    ring(paper, -8, -8, 30, 7, "char")
    paper.brush(points((-26, -14), (-18, -26)), 4.4, "cream", tip=0.7, tail=0.4)


def draw_clipboard(paper: Paper) -> None:
    cut(paper, cut_rect(-36, -40, 72, 86), "#8A5F3C", (5, 5))
    cut(paper, cut_rect(-29, -30, 58, 70), "cream", (3, 3), 0.4)
    cut(paper, cut_rect(-16, -47, 32, 16, 0.8), "slate", (4, 3))
    for y in (-16, 4, 24):
        paper.brush(points((-22, y), (-19, y + 4), (-13, y - 5)), 3.2, "tide", tip=0.8, tail=0.7)
        paper.flat(cut_rect(-6, y - 2, 28, 4, 0.3), "#A9A79A")


def draw_gear(paper: Paper) -> None:
    teeth = []
    for i in range(9):
        for a, radius in ((0, 36), (6, 46), (18, 46), (24, 36)):
            teeth.append(turned(i * 40 + a) * radius)
    cut(paper, polygon(teeth), "slate", (6, 5))
    cut(paper, cut_disc(0, 0, 15), "cream", (-4, -3), 0)


def draw_hammer(paper: Paper) -> None:
    paper.canvas.save()
    paper.canvas.rotate(-38)
    cut(paper, cut_rect(-5, -22, 10, 68, 0.6), "#B98B57", (3, 0))
    cut(paper, polygon(points((-30, -40), (22, -40), (34, -30), (22, -20), (-30, -20))), "slate", (5, 4))
    paper.canvas.restore()


def draw_wrench(paper: Paper) -> None:
    paper.canvas.save()
    paper.canvas.rotate(-42)
    cut(paper, cut_rect(-7, -18, 14, 62, 0.8), "slate", (4, 0))
    jaw = points(
        (-9, -12),
        (-20, -24),
        (-19, -42),
        (-8, -48),
        (-8, -34),
        (0, -29),
        (8, -34),
        (8, -48),
        (19, -42),
        (20, -24),
        (9, -12),
    )
    cut(paper, spline(jaw, corners=(3, 4, 6, 7)), "slate")
    paper.flat(cut_disc(0, 36, 3.4), "ink")
    paper.canvas.restore()
