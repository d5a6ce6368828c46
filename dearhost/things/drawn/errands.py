"""Shops, money, home and health, each in a box of 100 units round the origin."""

from __future__ import annotations

from dearhost.drawing.colours import darker, mix
from dearhost.drawing.cut_shapes import cut_disc, cut_rect
from dearhost.drawing.outlines import points, polygon, spline
from dearhost.drawing.paper import Paper
from dearhost.things.drawn.scissors import cut, ring


def draw_house(paper: Paper) -> None:
    cut(paper, cut_rect(-32, -8, 64, 52), "cream", (10, 0))
    cut(paper, polygon(points((-46, -4), (0, -46), (46, -4))), "vermilion", (6, 4))
    paper.piece(cut_rect(-9, 14, 18, 30), "tide-dark", ink=0.4)
    paper.flat(cut_rect(15, 6, 11, 12, 0.6), "mustard")


def draw_school(paper: Paper) -> None:
    cut(paper, cut_rect(-46, -6, 92, 50), "#E8D7B4", (8, 0))
    cut(paper, cut_rect(-16, -28, 32, 72), "cream", (5, 0))
    cut(paper, polygon(points((-22, -26), (0, -46), (22, -26))), "vermilion", (4, 3))
    cut(paper, cut_disc(0, -12, 7), "mustard", (2, 2), 0.5)
    paper.piece(cut_rect(-8, 18, 16, 26), "tide-dark", ink=0.4)
    for x in (-40, -30, 22, 32):
        paper.flat(cut_rect(x, 6, 7, 14, 0.4), "sea")


def draw_shop(paper: Paper) -> None:
    cut(paper, cut_rect(-42, -10, 84, 54), "cream", (8, 0))
    paper.piece(cut_rect(-34, 6, 40, 26), "#DCE9EA", ink=0.5)
    paper.piece(cut_rect(14, 4, 18, 40), "tide-dark", ink=0.5)
    for i in range(6):
        x = -48 + i * 16
        stripe = points((x + 3, -38), (x + 13, -38), (x + 16, -8), (x + 8, -1), (x, -8))
        cut(paper, spline(stripe, corners=(0, 1, 2, 4)), "vermilion" if i % 2 == 0 else "cream", (2, 2), 0.7)


def draw_basket(paper: Paper) -> None:
    paper.brush(points((-30, -6), (-18, -40), (18, -40), (30, -6)), 6, "#7A5234", tip=1, tail=1)
    basket = polygon(points((-44, -8), (44, -8), (32, 42), (-32, 42)))
    cut(paper, basket, "#C79A63", (7, 4))
    with paper.clipped(basket):
        for y in (8, 24):
            paper.flat(cut_rect(-50, y, 100, 4, 0.4), darker("#C79A63"))
        for x in (-24, -8, 8, 24):
            paper.flat(cut_rect(x, -10, 3.4, 60, 0.3), darker("#C79A63"))
    cut(paper, cut_rect(-47, -14, 94, 10, 0.8), "#C79A63", (4, 3))


def draw_price_tag(paper: Paper) -> None:
    tag = points((-44, -2), (-6, -42), (38, -42), (42, -38), (42, 4), (2, 44))
    cut(paper, polygon(tag), "mustard", (6, 6))
    paper.flat(cut_disc(26, -26, 6), "ink")
    paper.brush(points((-20, 4), (4, -20)), 5, "cream", tip=0.9, tail=0.9)
    paper.brush(points((-8, 16), (16, -8)), 5, "cream", tip=0.9, tail=0.9)


def draw_money(paper: Paper) -> None:
    cut(paper, cut_rect(-46, -30, 84, 44), "#8FAE86", (5, 4))
    paper.piece(cut_disc(-4, -8, 14), "#DCE4C6", ink=0.5)
    for i in range(4):
        y = 32 - i * 9
        coin = spline(points((4, y), (12, y - 7), (38, y - 7), (46, y), (38, y + 7), (12, y + 7)))
        cut(paper, coin, "mustard", (0, 3))


def draw_gift(paper: Paper) -> None:
    cut(paper, cut_rect(-38, -14, 76, 58), "vermilion", (7, 5))
    cut(paper, cut_rect(-44, -24, 88, 18, 0.8), "vermilion", (6, 4))
    cut(paper, cut_rect(-8, -24, 16, 68, 0.6), "mustard", (4, 0), 0.4)
    for side in (-1, 1):
        cut(
            paper,
            spline(points((0, -24), (side * 10, -46), (side * 32, -46), (side * 26, -28)), corners=(0,)),
            "mustard",
            (3, 3),
        )


def draw_wallet(paper: Paper) -> None:
    cut(paper, cut_rect(-44, -28, 84, 62, 1), "#8A5F3C", (6, 6))
    paper.flat(cut_rect(-38, -36, 66, 12, 0.6), "#8FAE86")
    cut(paper, cut_rect(-44, -24, 88, 58, 1), mix("#8A5F3C", "cream", 0.12), (6, 6))
    cut(paper, cut_rect(20, -6, 28, 20, 0.8), "#7A5234", (3, 3), 0.6)
    paper.dot(31 + 4j, 4, "mustard")


def draw_armchair(paper: Paper) -> None:
    cut(paper, spline(points((-30, -38), (30, -38), (32, 16), (-32, 16)), tension=0.2), "tide", (6, 5))
    for side in (-1, 1):
        cut(
            paper,
            spline(points((side * 28, -8), (side * 46, -8), (side * 46, 34), (side * 28, 34)), tension=0.2),
            "tide",
            (4, 4),
        )
        cut(paper, cut_rect(side * 32 - 4, 34, 8, 12, 0.4), "#7A5A3C", (2, 0))
    cut(paper, cut_rect(-28, 6, 56, 28, 1), "#3F8F82", (5, 4), 0.7)


def draw_umbrella(paper: Paper) -> None:
    paper.brush(points((0, -30), (0, 30), (8, 42), (18, 34)), 5, "#7A5234", tip=0.9, tail=0.8)
    dome = spline(
        points((-46, 4), (-36, -28), (0, -44), (36, -28), (46, 4), (30, -2), (15, 4), (0, -2), (-15, 4), (-30, -2)),
        corners=(0, 4, 6, 8),
    )
    cut(paper, dome, "vermilion", (7, 4))
    for x in (-15, 15):
        paper.brush(points((x, 3), (x * 0.6, -24), (0, -43)), 2.4, darker("vermilion", 0.35), tip=0.5, tail=0.5)


def draw_pills(paper: Paper) -> None:
    paper.canvas.save()
    paper.canvas.rotate(-32)
    for y, colour in ((-24, "vermilion"), (14, "sea")):
        cut(
            paper,
            spline(
                points((-44, y), (-34, y - 14), (0, y - 14), (0, y + 14), (-34, y + 14)), corners=(2, 3), tension=0.4
            ),
            "cream",
            (4, 4),
        )
        cut(
            paper,
            spline(points((0, y - 14), (34, y - 14), (44, y), (34, y + 14), (0, y + 14)), corners=(0, 4), tension=0.4),
            colour,
            (4, 4),
        )
    paper.canvas.restore()


def draw_plaster(paper: Paper) -> None:
    paper.canvas.save()
    paper.canvas.rotate(-30)
    cut(
        paper,
        spline(points((-48, 0), (-40, -16), (40, -16), (48, 0), (40, 16), (-40, 16)), tension=0.25),
        "#DDAF85",
        (5, 4),
    )
    paper.flat(cut_rect(-16, -14, 32, 28, 0.6), "cream")
    for x in (-8, 0, 8):
        for y in (-6, 2, 10):
            paper.dot(complex(x, y - 2), 1.6, "#B58A63")
    paper.canvas.restore()


def draw_stethoscope(paper: Paper) -> None:
    for weight, colour, off in ((8, "ink", 1.3 + 1.2j), (6.4, "sea-dark", 0)):
        paper.brush(
            [p + off for p in points((-30, -44), (-32, -10), (-10, 6), (12, -10), (10, -44))],
            weight,
            colour,
            tip=1,
            tail=1,
        )
        paper.brush([p + off for p in points((-10, 6), (-8, 34), (16, 42), (32, 24))], weight, colour, tip=1, tail=1)
    cut(paper, cut_disc(34, 14, 12), "slate", (3, 3))
    cut(paper, cut_disc(34, 14, 6), "cream", (-2, -2), 0)


def draw_thermometer(paper: Paper) -> None:
    cut(
        paper,
        spline(points((-10, -40), (0, -47), (10, -40), (10, 14), (20, 28), (0, 47), (-20, 28), (-10, 14)), tension=0.4),
        "cream",
        (4, 3),
    )
    paper.flat(cut_disc(0, 29, 12), "vermilion")
    paper.flat(cut_rect(-4, -18, 8, 46, 0.3), "vermilion")
    for y in (-30, -18, -6, 6):
        paper.flat(cut_rect(13, y, 12, 2.6, 0.2), "ink")


def draw_bell(paper: Paper) -> None:
    paper.piece(cut_disc(0, 34, 9), "ink")
    cut(
        paper,
        spline(points((-40, 30), (-26, 14), (-24, -16), (0, -42), (24, -16), (26, 14), (40, 30)), corners=(0, 6)),
        "mustard",
        (7, 5),
    )


def draw_glasses(paper: Paper) -> None:
    for side in (-1, 1):
        cut(paper, cut_disc(side * 24, 4, 20), "#DCE9EA", (4, 4), 0)
        ring(paper, side * 24, 4, 20, 5, "char")
        paper.brush(points((side * 44, 2), (side * 49, -8)), 5, "char", tip=1, tail=1)
    paper.brush(points((-5, 0), (0, -4), (5, 0)), 5, "char", tip=1, tail=1)
