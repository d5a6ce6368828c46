"""What draws: a hand with a pen, or the pen alone. The tip of the pen is at the origin, in the colour of its ink."""

from __future__ import annotations

from collections.abc import Callable, Mapping

import skia

from dearhost.drawing.colours import darker
from dearhost.drawing.outlines import limb, points, polygon, spline
from dearhost.drawing.paper import Paper

_SKIN, _SLEEVE, _CUFF, _BARREL = "#C88A63", "tide-dark", "#FBF5E8", "vermilion"
_SHADE = darker(_SKIN, 0.22)


def draw_hand(paper: Paper, ink: str) -> None:
    """A right hand from the lower right, its fingers about the pen."""
    _forearm(paper)
    for knuckle, tip, radius in (
        (172 + 118j, 112 + 104j, 21.0),
        (168 + 88j, 96 + 78j, 22.0),
        (160 + 56j, 84 + 48j, 22.0),
    ):
        _finger(paper, knuckle, tip, radius)
    back = points((118, 6), (168, -6), (214, 30), (244, 92), (232, 150), (190, 152), (150, 120), (126, 64))
    paper.piece(spline(back), _SKIN, _SHADE, crescent=(7, 8))
    draw_pen(paper, ink)
    _finger(paper, 150 + 18j, 76 - 22j, 21.0)
    thumb = points((150, 78), (112, 58), (74, 22), (58, 0), (70, -14), (92, -2), (126, 26), (166, 52))
    paper.piece(spline(thumb), _SKIN, _SHADE, crescent=(5, 6))
    nail = points((62, -2), (70, -8), (80, 0), (74, 8))
    paper.flat(spline(nail), "#E6B896")


def draw_pen(paper: Paper, ink: str) -> None:
    """A marker, leaning to the right."""
    along = complex(0.90, -0.436)
    across = along * 1j

    def quad(start: float, end: float, first: float, last: float) -> list[complex]:
        return [
            along * start + across * first, along * end + across * last, along * end - across * last,
            along * start - across * first,
        ]  # fmt: skip

    paper.piece(polygon(quad(0, 20, 2, 7)), ink, ink=0.4)
    paper.piece(polygon(quad(18, 46, 9, 14)), "#FBF5E8", darker("#FBF5E8", 0.16), crescent=(3, 5))
    paper.piece(polygon(quad(44, 214, 15, 15)), _BARREL, darker(_BARREL), crescent=(3, 8))
    paper.flat(polygon(quad(176, 190, 15, 15)), "#FBF5E8")


def _finger(paper: Paper, knuckle: complex, tip: complex, radius: float) -> None:
    paper.piece(limb(skia.Path(), knuckle, tip, radius, radius * 0.86), _SKIN, _SHADE, crescent=(4, 7))


def _forearm(paper: Paper) -> None:
    wrist = points((196, 138), (250, 82), (318, 170), (262, 226))
    paper.piece(spline(wrist), _SKIN, _SHADE, crescent=(6, 8))
    paper.piece(polygon(points((236, 196), (306, 118), (338, 150), (268, 230))), _CUFF, darker(_CUFF, 0.14))
    sleeve = points((258, 224), (332, 138), (1900, 1580), (1640, 1900))
    paper.piece(polygon(sleeve), _SLEEVE, darker(_SLEEVE), crescent=(10, 14))


PENS: Mapping[str, Callable[[Paper, str], None]] = {"hand": draw_hand, "pen": draw_pen}
"""By the names of ``production.choices.PENS`` that are seen."""
