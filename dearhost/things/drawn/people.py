"""People, made plain, each in a box of 100 units round the origin."""

from __future__ import annotations

from dearhost.drawing.colours import darker
from dearhost.drawing.outlines import points, polygon, spline
from dearhost.drawing.paper import Paper
from dearhost.things.drawn.scissors import cut


def _figure(paper: Paper, clothes: str, skin: str, hair: str) -> None:
    cut(
        paper,
        spline(points((-30, 46), (-26, 14), (-10, 2), (10, 2), (26, 14), (30, 46)), corners=(0, 5)),
        clothes,
        (7, 3),
    )
    paper.piece(polygon(points((-7, -8), (7, -8), (8, 4), (0, 11), (-8, 4))), darker(skin, 0.18), ink=0.3)
    head = points((-17, -24), (-13, -40), (0, -45), (14, -40), (17, -24), (10, -8), (0, -3), (-10, -8))
    cut(paper, spline(head), skin, (5, 3))
    top = points((-19, -20), (-20, -38), (-6, -49), (12, -48), (21, -36), (19, -20), (14, -32), (0, -35), (-13, -31))
    cut(paper, spline(top, corners=(0, 6)), hair, (4, 3))


def draw_person(paper: Paper) -> None:
    _figure(paper, "tide", "#BF8759", "#3A2722")


def draw_crowd(paper: Paper) -> None:
    crowd = (
        (-26, -8, 0.66, "sea", "#E7BB8E", "#CFA159"), (26, -8, 0.66, "plum", "#7F5138", "#22242E"),
        (0, -12, 0.66, "mustard", "#F2CDAE", "#A9502A"), (-16, 14, 0.72, "vermilion", "#613F30", "#22242E"),
        (17, 14, 0.72, "tide", "#D6A374", "#3A2722"),
    )  # fmt: skip
    for x, y, size, clothes, skin, hair in crowd:
        with paper.placed(x, y, size):
            _figure(paper, clothes, skin, hair)


def draw_pair(paper: Paper) -> None:
    for x, clothes, skin, hair in ((-22, "vermilion", "#D6A374", "#3A2722"), (22, "sea", "#613F30", "#22242E")):
        with paper.placed(x, 4, 0.84):
            _figure(paper, clothes, skin, hair)


def draw_handshake(paper: Paper) -> None:
    for side, sleeve, skin in ((-1, "tide", "#BF8759"), (1, "vermilion", "#E7BB8E")):
        cut(
            paper, polygon(points((side * 48, -24), (side * 48, 16), (side * 28, 12), (side * 28, -16))), sleeve, (3, 3)
        )
        hand = points(
            (side * 29, -15), (side * 8, -16), (-side * 14, -4), (-side * 16, 12), (-side * 4, 18), (side * 29, 12)
        )
        cut(paper, spline(hand, corners=(0, 5), tension=0.35), skin, (4, 4))
    for y in (-2, 5, 12):
        paper.brush(points((-14, y), (-4, y + 2)), 2, darker("#BF8759", 0.4), tip=0.8, tail=0.4)


def draw_eye(paper: Paper) -> None:
    white = spline(
        points((-48, 0), (-24, -24), (0, -30), (24, -24), (48, 0), (24, 22), (0, 28), (-24, 22)), corners=(0, 4)
    )
    cut(paper, white, "cream", (4, 4))
    with paper.clipped(white):
        paper.dot(0j, 21, "tide")
        paper.dot(0j, 10, "ink")
        paper.dot(-6 - 7j, 5, "cream")


def draw_ear(paper: Paper) -> None:
    outer = points((-16, 44), (-8, 14), (-28, -8), (-22, -40), (8, -46), (32, -24), (22, 6), (10, 16), (6, 40))
    cut(paper, spline(outer), "#D6A374", (7, 5))
    paper.brush(
        points((-12, -10), (-6, -28), (10, -28), (14, -12), (2, 0), (2, 12)),
        4.4,
        darker("#D6A374", 0.4),
        tip=0.5,
        tail=0.5,
    )


def draw_tooth(paper: Paper) -> None:
    outline = points(
        (-34, -20),
        (-24, -42),
        (0, -34),
        (24, -42),
        (34, -20),
        (26, 8),
        (20, 44),
        (6, 16),
        (-6, 16),
        (-20, 44),
        (-26, 8),
    )
    cut(paper, spline(outline, corners=(6, 9), tension=0.4), "cream", (8, 6))
