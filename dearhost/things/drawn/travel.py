"""Journeys, each in a box of 100 units round the origin."""

from __future__ import annotations

from dearhost.drawing.colours import darker
from dearhost.drawing.cut_shapes import cut_disc, cut_rect
from dearhost.drawing.outlines import points, polygon, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.things.drawn.scissors import cut, ring


def draw_ticket(paper: Paper) -> None:
    cut(
        paper,
        polygon(
            points(
                (-48, -26), (48, -26), (48, -8), (42, 0), (48, 8), (48, 26), (-48, 26), (-48, 8), (-42, 0), (-48, -8)
            )
        ),
        "cream",
        (4, 4),
    )
    for i in range(5):
        paper.flat(cut_rect(18, -20 + i * 9, 2.6, 5, 0.2), "slate")
    cut(
        paper,
        polygon([turned(i * 36 - 90) * (16 if i % 2 == 0 else 7) - 14 for i in range(10)]),
        "vermilion",
        (2, 2),
        0.5,
    )
    for y in (-10, 0, 10):
        paper.flat(cut_rect(26, y - 2, 14, 3.4, 0.3), "slate")


def draw_suitcase(paper: Paper) -> None:
    paper.brush(points((-14, -24), (-14, -40), (14, -40), (14, -24)), 6, "char", tip=1, tail=1)
    cut(paper, cut_rect(-44, -26, 88, 66, 1), "#8A5F3C", (7, 6))
    for x in (-28, 18):
        paper.flat(cut_rect(x, -26, 10, 66, 0.4), darker("#8A5F3C"))
        paper.flat(cut_rect(x + 1, 0, 8, 9, 0.3), "mustard")


def draw_car(paper: Paper) -> None:
    body = points((-47, 18), (-46, 0), (-28, -4), (-14, -26), (18, -26), (32, -4), (46, 2), (47, 18))
    cut(paper, spline(body, corners=(0, 7), tension=0.3), "vermilion", (6, 5))
    paper.flat(polygon(points((-20, -4), (-10, -20), (0, -20), (0, -4))), "#DCE9EA")
    paper.flat(polygon(points((5, -4), (5, -20), (15, -20), (24, -4))), "#DCE9EA")
    for x in (-26, 26):
        cut(paper, cut_disc(x, 20, 13), "char", (3, 3))
        paper.dot(complex(x, 20), 5, "cream")


def draw_bus(paper: Paper) -> None:
    cut(paper, cut_rect(-47, -34, 94, 62, 1.2), "mustard", (6, 6))
    for x in (-40, -18, 4):
        paper.flat(cut_rect(x, -24, 18, 20, 0.5), "#DCE9EA")
    paper.piece(cut_rect(28, -24, 14, 48, 0.5), "#DCE9EA", ink=0.4)
    paper.flat(cut_rect(-47, 6, 74, 5, 0.3), "vermilion")
    for x in (-26, 16):
        cut(paper, cut_disc(x, 30, 12), "char", (3, 3))
        paper.dot(complex(x, 30), 4.6, "cream")


def draw_train(paper: Paper) -> None:
    cut(paper, spline(points((-30, -40), (30, -40), (34, 28), (-34, 28)), tension=0.16), "sea", (6, 5))
    paper.flat(cut_rect(-24, -30, 48, 26, 0.6), "#DCE9EA")
    paper.flat(cut_rect(-30, 4, 60, 6, 0.4), "mustard")
    for side in (-1, 1):
        paper.dot(complex(side * 20, 19), 5, "cream")
        paper.brush(points((side * 18, 30), (side * 34, 48)), 4.4, "char", tip=1, tail=1)
    for y in (36, 44):
        paper.brush(points((-24 - (y - 36), y), (24 + (y - 36), y)), 3.4, "#7A5A3C", tip=1, tail=1)


def draw_bicycle(paper: Paper) -> None:
    for x in (-28, 28):
        ring(paper, x, 16, 19, 4.4, "char")
    frame = (
        ((-28, 16), (-10, -14), (20, -14), (0, 16), (-28, 16)),
        ((-10, -14), (0, 16)),
        ((28, 16), (18, -24), (28, -28)),
        ((-12, -22), (-10, -14)),
    )
    for line in frame:
        paper.brush(points(*line), 4.6, "vermilion", tip=1, tail=1)
    paper.brush(points((-20, -22), (-6, -22)), 5, "ink", tip=1, tail=1)


def draw_aeroplane(paper: Paper) -> None:
    paper.canvas.save()
    paper.canvas.rotate(-28)
    for side in (-1, 1):
        cut(paper, polygon(points((8, side * 4), (-10, side * 46), (-22, side * 46), (-14, side * 4))), "sea", (3, 3))
        cut(paper, polygon(points((-32, side * 3), (-42, side * 18), (-48, side * 18), (-44, side * 2))), "sea", (2, 2))
    cut(paper, spline(points((48, 0), (34, -9), (-40, -7), (-47, 0), (-40, 7), (34, 9))), "cream", (3, 5))
    for x in (-20, -8, 4, 16):
        paper.dot(complex(x, -1), 2.4, "sea-dark")
    paper.canvas.restore()


def draw_rocket(paper: Paper) -> None:
    paper.canvas.save()
    paper.canvas.rotate(32)
    cut(paper, spline(points((0, 48), (9, 36), (0, 26), (-9, 36)), corners=(0,)), "mustard", (3, 2))
    for side in (-1, 1):
        cut(
            paper,
            polygon(points((side * 14, 4), (side * 28, 24), (side * 26, 36), (side * 10, 24))),
            "vermilion",
            (3, 3),
        )
    cut(
        paper,
        spline(points((0, -48), (16, -22), (16, 14), (9, 28), (-9, 28), (-16, 14), (-16, -22)), corners=(0, 3, 4)),
        "cream",
        (5, 4),
    )
    cut(paper, cut_disc(0, -12, 8), "sea", (2, 2), 0.6)
    paper.canvas.restore()
