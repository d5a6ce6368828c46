"""Cuts of clothes: what is sewn on the trunk, the collar, the cuffs."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from typing import Any

from dearhost.drawing.colours import darker, mix
from dearhost.drawing.outlines import polygon, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.model_sheet import ModelSheet, Outfit
from dearhost.hosts.people.skeleton import Skeleton

Drawing = Callable[[Paper, ModelSheet, Skeleton, Any], None]
_ACROSS = (-1.0, -0.5, 0.0, 0.5, 1.0)


@dataclass(frozen=True, slots=True)
class Cut:
    """How a kind of top is made. ``cuff`` gives the colour of a long sleeve's end, None for none; ``high`` collars
    reach up the neck; ``cuff_length`` in units."""

    details: Drawing
    collar: Callable[[Paper, ModelSheet, Skeleton], None]
    cuff: Callable[[Outfit], str] | None = None
    cuff_length: float = 9.0
    high: bool = False


# -- details -------------------------------------------------------------------------------------------


def _knit(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at, line = skeleton.torso, darker(sheet.outfit.top, 0.5)
    for row, colour in enumerate(("cream", sheet.outfit.accent or "cream", "cream")):
        zigzag = [at(x / 7, 0.27 + row * 0.065 + 0.016 * (1 if j % 2 else -1)) for j, x in enumerate(range(-7, 8))]
        paper.brush(zigzag, 4.4 if row == 1 else 3.6, colour, tip=0.9, tail=0.9, steps=2, within=outline)
    rib = [at(u, 0.955 + 0.012 * (1 - u * u)) for u in _ACROSS]
    paper.brush(rib, 2, line, tip=0.5, tail=0.5, within=outline)
    for x in range(-9, 10):
        paper.brush([at(x / 10, 0.97), at(x / 10, 1.06)], 1.6, line, tip=0.6, tail=0.6, steps=2, within=outline)


def _shirt_front(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, opening: float) -> None:
    """What shows of the shirt, with its tie or buttons."""
    at, shirt = skeleton.torso, sheet.outfit.shirt
    front = polygon([at(-0.30, -0.04), at(0.30, -0.04), at(0.24, 0.12), at(0.0, opening), at(-0.24, 0.12)])
    paper.flat(front, shirt)
    if sheet.tie:
        blade = [at(-0.065, 0.05), at(0.065, 0.05), at(0.045, 0.12), at(0.085, 0.40), at(0, 0.50), at(-0.085, 0.40),
                 at(-0.045, 0.12)]  # fmt: skip
        with paper.clipped(front):
            paper.piece(polygon(blade), sheet.tie, darker(sheet.tie), crescent=(3, 2), ink=0.5)
            paper.brush([at(-0.055, 0.12), at(0.05, 0.125)], 1.4, darker(sheet.tie, 0.5))
        return
    paper.brush([at(0, 0.08), at(0, opening)], 1.3, darker(shirt, 0.3))
    for y in (0.2, 0.3):
        paper.dot(at(0, y) + 3, 1.5, "slate")


def _lapels(paper: Paper, skeleton: Skeleton, cloth: str, opening: float) -> None:
    at = skeleton.torso
    for side in (1, -1):
        lapel = polygon([at(0.30 * side, -0.05), at(0.46 * side, 0.13), at(0.36 * side, 0.17), at(0.44 * side, 0.235),
                         at(0.02 * side, opening + 0.02), at(0.20 * side, 0.16)])  # fmt: skip
        paper.piece(lapel, mix(cloth, "cream", 0.07), darker(cloth, 0.22), crescent=(4, 3), ink=0.9)


def _blazer(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at, cloth = skeleton.torso, sheet.outfit.top
    line, opening = darker(cloth, 0.5), 0.50
    _shirt_front(paper, sheet, skeleton, opening)
    _lapels(paper, skeleton, cloth, opening)
    paper.brush([at(0.02, opening), at(0.04, 0.75), at(0.095, 1.0)], 1.7, line, tip=0.5, tail=0.5)
    for y in (0.60, 0.74):
        paper.dot(at(-0.03, y), 2.8, "mustard")
    paper.flat(polygon([at(0.42, 0.30), at(0.66, 0.285), at(0.665, 0.31), at(0.42, 0.33)]), line)
    kerchief = polygon([at(0.46, 0.30), at(0.50, 0.23), at(0.55, 0.27), at(0.60, 0.235), at(0.62, 0.295)])
    paper.piece(kerchief, sheet.outfit.accent or "vermilion", ink=0)
    for side in (-1, 1):
        paper.brush([at(0.40 * side, 0.80), at(0.78 * side, 0.785)], 2.4, line, tip=0.4, tail=0.4)


def _waistcoat(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at, cloth = skeleton.torso, sheet.outfit.top
    line, opening = darker(cloth, 0.5), 0.40
    _shirt_front(paper, sheet, skeleton, opening)
    for side in (1, -1):
        edge = [at(0.26 * side, -0.02), at(0.22 * side, 0.13), at(0, opening)]
        paper.brush(edge, 4, darker(cloth, 0.35), tip=0.6, tail=0.4)
    paper.brush([at(0, opening), at(0, 1.0)], 1.6, line)
    for y in (0.5, 0.62, 0.74, 0.86):
        paper.dot(at(0.04, y), 2.4, "cream")
    for side in (-1, 1):
        paper.brush([at(0.34 * side, 0.72), at(0.66 * side, 0.71)], 2.2, line, tip=0.4, tail=0.4)


def _slicker(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at, cloth = skeleton.torso, sheet.outfit.top
    line = darker(cloth, 0.5)
    paper.brush([at(0.0, 0.05), at(0.02, 0.5), at(0.02, 1.12)], 2.0, line, tip=0.8, tail=0.8, within=outline)
    paper.brush([at(0.13, 0.06), at(0.15, 0.5), at(0.16, 1.12)], 1.5, line, tip=0.8, tail=0.8, within=outline)
    for y in (0.22, 0.44, 0.66, 0.88):
        toggle = at(0.075, y)
        paper.brush([toggle - 8, toggle + 8], 5, "ink", tip=0.9, tail=0.9, steps=3)
    _flaps(paper, skeleton, cloth, 0.84)


def _flaps(paper: Paper, skeleton: Skeleton, cloth: str, y: float) -> None:
    at = skeleton.torso
    for side in (-1, 1):
        flap = polygon(
            [at(0.34 * side, y), at(0.78 * side, y - 0.02), at(0.80 * side, y + 0.06), at(0.34 * side, y + 0.08)]
        )
        paper.piece(flap, mix(cloth, "cream", 0.12), darker(cloth), crescent=(3, 2), ink=0.7)


def _apron(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at, outfit = skeleton.torso, sheet.outfit
    cloth = outfit.accent or "vermilion"
    paper.brush([at(0, 0.06), at(0, 0.2)], 1.3, darker(outfit.top, 0.35))
    for side in (-1, 1):
        paper.brush([at(0.36 * side, -0.06), at(0.42 * side, 0.25)], 7, darker(cloth, 0.12), tip=1, tail=1, steps=3)
    bib = spline([at(-0.46, 0.22), at(0, 0.235), at(0.46, 0.22), at(0.52, 0.46), at(0.95, 0.68), at(0.95, 1.3),
                  at(-0.95, 1.3), at(-0.95, 0.68), at(-0.52, 0.46)], corners=(0, 2, 5, 6), tension=0.4)  # fmt: skip
    with paper.clipped(outline):
        paper.piece(bib, cloth, darker(cloth), crescent=(6, 4))
    paper.brush([at(-0.95, 0.70), at(-0.4, 0.725), at(0.4, 0.725), at(0.95, 0.70)], 3, darker(cloth, 0.4), tip=0.7,
                tail=0.7, within=outline)  # fmt: skip
    pocket = polygon([at(-0.22, 0.30), at(0.22, 0.30), at(0.20, 0.44), at(0, 0.475), at(-0.20, 0.44)])
    paper.piece(pocket, mix(cloth, "cream", 0.10), darker(cloth), crescent=(3, 2), ink=0.6)


def _polo(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at = skeleton.torso
    paper.brush([at(0, 0.06), at(0, 0.28)], 1.6, darker(sheet.outfit.top, 0.5), tip=0.6, tail=0.6)
    for y in (0.15, 0.22):
        paper.dot(at(0.035, y), 1.9, "cream")
    badge = at(0.46, 0.27)
    paper.flat(polygon([badge + complex(-8, 3), badge + complex(0, -6), badge + complex(9, 3), badge]), "cream")


def _dress(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at = skeleton.torso
    _patterned(paper, sheet, skeleton, outline)
    _neckline(paper, sheet, skeleton)
    belt = [at(u, 0.70 + 0.015 * (1 - u * u)) for u in _ACROSS]
    paper.brush(belt, 8, sheet.outfit.accent or "ink", tip=1, tail=1, within=outline)


def _neckline(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    at = skeleton.torso
    bare = [at(-0.36, -0.06), at(-0.22, 0.08), at(0, 0.15), at(0.22, 0.08), at(0.36, -0.06)]
    paper.flat(spline(bare, corners=(0, 4)), sheet.skin_base)


def _patterned(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    """Stripes, dots or checks over the cloth."""
    at, outfit = skeleton.torso, sheet.outfit
    colour = outfit.accent if outfit.cut == "tee" and outfit.accent else mix(outfit.top, "cream", 0.85)
    if outfit.pattern == "stripes":
        for row in range(7):
            stripe = [at(u, 0.22 + row * 0.12 + 0.02 * (1 - u * u)) for u in _ACROSS]
            paper.brush(stripe, 5.0, colour, tip=0.95, tail=0.95, within=outline)
    elif outfit.pattern == "dots":
        for u, v in ((-0.6, 0.3), (-0.2, 0.42), (0.3, 0.3), (0.62, 0.5), (-0.5, 0.56), (0.1, 0.58), (0.05, 0.24)):
            paper.flat(polygon([at(u, v) + 4.5 * turned(a) for a in (0, 90, 180, 270)]), colour)
    elif outfit.pattern == "checks":
        for row in range(5):
            stripe = [at(u, 0.24 + row * 0.17 + 0.02 * (1 - u * u)) for u in _ACROSS]
            paper.brush(stripe, 2.2, colour, tip=0.9, tail=0.9, alpha=0.8, within=outline)
        for x in range(-3, 4):
            stripe = [at(x / 3.6, v) for v in (0.08, 0.4, 0.7, 1.02)]
            paper.brush(stripe, 2.2, colour, tip=0.9, tail=0.9, alpha=0.8, within=outline)


def _hoodie(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at, cloth = skeleton.torso, sheet.outfit.top
    pouch = spline([at(-0.5, 0.70), at(0.5, 0.70), at(0.66, 0.93), at(-0.66, 0.93)], corners=(0, 1, 2, 3))
    paper.piece(pouch, mix(cloth, "ink", 0.06), darker(cloth), crescent=(4, 3), ink=0.8)
    for side in (-1, 1):
        paper.brush(
            [at(0.12 * side, 0.10), at(0.15 * side, 0.22), at(0.12 * side, 0.33)], 2.2, "cream", tip=0.9, tail=0.9
        )
    rib = [at(u, 0.965) for u in (-1, 0, 1)]
    paper.brush(rib, 2, darker(cloth, 0.5), tip=0.6, tail=0.6, within=outline)


def _tunic(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at, outfit = skeleton.torso, sheet.outfit
    trim = outfit.accent or "cream"
    paper.brush([at(0, 0.1), at(0, 0.55)], 1.6, darker(outfit.top, 0.5))
    for y in (0.25, 0.35, 0.45):
        paper.dot(at(0.03, y), 2.2, trim)
    paper.brush([at(u, 1.10) for u in (-1, 0, 1)], 4, trim, tip=0.9, tail=0.9, within=outline)


def _jersey(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at, outfit = skeleton.torso, sheet.outfit
    for row in range(8):
        stripe = [at(u, 0.20 + row * 0.115 + 0.02 * (1 - u * u)) for u in _ACROSS]
        paper.brush(stripe, 5.4, outfit.accent or "sea-dark", tip=0.95, tail=0.95, within=outline)


def _coat(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    """A conservator's long coat over a shirt."""
    at, cloth = skeleton.torso, sheet.outfit.top
    line, opening = darker(cloth, 0.5), 0.44
    _shirt_front(paper, sheet, skeleton, opening)
    _lapels(paper, skeleton, cloth, opening)
    paper.brush([at(0.0, opening), at(0.02, 0.8), at(0.03, 1.2)], 1.7, line, tip=0.6, tail=0.6, within=outline)
    for y in (0.56, 0.72, 0.88):
        paper.dot(at(-0.05, y), 2.4, "slate")
    pocket = polygon([at(0.36, 0.33), at(0.68, 0.32), at(0.68, 0.44), at(0.36, 0.45)])
    paper.piece(pocket, mix(cloth, "cream", 0.25), darker(cloth), crescent=(3, 2), ink=0.6)
    for x, colour in ((0.46, "vermilion"), (0.54, "sea-dark")):
        paper.brush([at(x, 0.25), at(x, 0.36)], 3.2, colour, tip=0.9, tail=0.9, steps=2)
    _flaps(paper, skeleton, cloth, 0.86)


def _peacoat(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    """Double-breasted, with broad lapels and two rows of buttons."""
    at, outfit = skeleton.torso, sheet.outfit
    cloth, opening = outfit.top, 0.30
    line = mix(cloth, "cream", 0.16)
    _shirt_front(paper, sheet, skeleton, opening)
    for side in (1, -1):
        lapel = polygon([at(0.28 * side, -0.06), at(0.56 * side, 0.12), at(0.46 * side, 0.20),
                         at(0.08 * side, opening + 0.04), at(0.16 * side, 0.12)])  # fmt: skip
        paper.piece(lapel, mix(cloth, "cream", 0.10), darker(cloth, 0.22), crescent=(4, 3), ink=0.9)
    paper.brush([at(0.16, opening), at(0.18, 0.7), at(0.19, 1.1)], 1.6, line, tip=0.6, tail=0.6, within=outline)
    for y in (0.40, 0.56, 0.72):
        for side in (-1, 1):
            paper.dot(at(0.22 * side, y), 3.4, outfit.accent or "mustard")
    for side in (-1, 1):
        paper.brush([at(0.46 * side, 0.82), at(0.74 * side, 0.74)], 2.4, line, tip=0.4, tail=0.4)


def _tee(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    _patterned(paper, sheet, skeleton, outline)


# -- collars -------------------------------------------------------------------------------------------


def _collar_piece(paper: Paper, pts: list[complex], colour: str, corners: tuple[int, ...]) -> None:
    paper.piece(spline(pts, corners=corners, tension=0.4), colour, darker(colour), crescent=(3.5, 2.5), ink=0.8)


def _points(paper: Paper, skeleton: Skeleton, colour: str) -> None:
    at = skeleton.torso
    for side in (1, -1):
        point = [at(0.19 * side, -0.034), at(0.285 * side, 0), at(0.31 * side, 0.075), at(0.155 * side, 0.135),
                 at(0.01 * side, 0.075)]  # fmt: skip
        _collar_piece(paper, point, colour, (0, 1, 2, 3, 4))


def _shirt_collar(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    _points(paper, skeleton, sheet.outfit.shirt)


def _own_collar(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    _points(paper, skeleton, mix(sheet.outfit.top, "cream", 0.10))


def _roll_collar(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    at, outfit = skeleton.torso, sheet.outfit
    roll = [at(-0.31, 0), at(-0.25, -0.075), at(0, -0.01), at(0.25, -0.075), at(0.31, 0), at(0.2, 0.065), at(0, 0.09),
            at(-0.2, 0.065)]  # fmt: skip
    _collar_piece(paper, roll, mix(outfit.top, "cream", 0.12), (1, 3))


def _crew_collar(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    at, outfit = skeleton.torso, sheet.outfit
    crew = [at(-0.30, -0.05), at(-0.24, -0.03), at(0, 0.075), at(0.24, -0.03), at(0.30, -0.05), at(0.2, 0.075),
            at(0, 0.13), at(-0.2, 0.075)]  # fmt: skip
    _collar_piece(paper, crew, mix(outfit.accent or outfit.top, "cream", 0.10), (0, 4))


def _slicker_collar(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    at = skeleton.torso
    for side in (1, -1):
        wing = [at(0.22 * side, -0.085), at(0.38 * side, -0.03), at(0.41 * side, 0.09), at(0.20 * side, 0.16),
                at(0.01 * side, 0.075)]  # fmt: skip
        _collar_piece(paper, wing, mix(sheet.outfit.top, "cream", 0.14), (0, 1, 2, 3, 4))


def _hood(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    at = skeleton.torso
    hood = [at(-0.50, 0.01), at(-0.36, -0.10), at(-0.14, 0.03), at(0, 0.06), at(0.14, 0.03), at(0.36, -0.10),
            at(0.50, 0.01), at(0.28, 0.125), at(0, 0.17), at(-0.28, 0.125)]  # fmt: skip
    _collar_piece(paper, hood, mix(sheet.outfit.top, "cream", 0.10), (1, 5))


def _stand_collar(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    at = skeleton.torso
    stand = [at(-0.26, -0.09), at(0, -0.02), at(0.26, -0.09), at(0.24, 0.0), at(0, 0.06), at(-0.24, 0.0)]
    _collar_piece(paper, stand, sheet.outfit.accent or sheet.outfit.top, (0, 2))


def _no_collar(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    pass


def _lighter_cuff(outfit: Outfit) -> str:
    return mix(outfit.sleeve_colour, "cream", 0.14)


def _darker_cuff(outfit: Outfit) -> str:
    return mix(outfit.sleeve_colour, "ink", 0.16)


CUTS: Mapping[str, Cut] = {
    "blazer": Cut(_blazer, _shirt_collar, lambda o: o.shirt, cuff_length=4.0),
    "waistcoat": Cut(_waistcoat, _shirt_collar, _lighter_cuff),
    "coat": Cut(_coat, _shirt_collar, lambda o: o.shirt, cuff_length=5.0),
    "peacoat": Cut(_peacoat, _shirt_collar, _lighter_cuff),
    "knit": Cut(_knit, _roll_collar, _lighter_cuff, high=True),
    "jersey": Cut(_jersey, _roll_collar, lambda o: o.top, high=True),
    "hoodie": Cut(_hoodie, _hood, _darker_cuff),
    "slicker": Cut(_slicker, _slicker_collar, lambda o: darker(o.sleeve_colour, 0.3)),
    "tunic": Cut(_tunic, _stand_collar),
    "apron": Cut(_apron, _own_collar, _lighter_cuff),
    "polo": Cut(_polo, _own_collar, _lighter_cuff),
    "tee": Cut(_tee, _crew_collar, _lighter_cuff),
    "dress": Cut(_dress, _no_collar),
}
