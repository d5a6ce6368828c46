"""The trunk in its clothes: blazer, knit, polo; collars, lanyard, neck."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import skia

from dearhost.hosts.model_sheet import ModelSheet
from dearhost.hosts.paper import Paper, darker, lerp, limb, mix, polygon, spline, turned
from dearhost.hosts.skeleton import Skeleton


def torso_outline(skeleton: Skeleton, hem: float) -> Any:
    """The outline of the trunk from neck to hem."""
    s = skeleton
    up, chest_up, across, chest_across = s.up, s.chest_up, s.across, s.chest_across
    bottom = s.hip - up * ((hem - 0.9) * 90 - 2)
    width = s.proportions.width
    right = [
        s.neck + chest_across * 15 * width,
        s.neck + chest_across * s.shoulder_width * 0.55 - chest_up * 7,
        s.neck + chest_across * (s.shoulder_width - 11) - chest_up * 16,
        s.neck + chest_across * (s.shoulder_width - 4) - chest_up * 33,
        s.chest + chest_up * 32 * width + chest_across * s.chest_width,
        s.chest + chest_across * lerp(s.chest_width, s.waist_width, 0.55),
        s.waist + up * 8 + across * s.waist_width,
        s.hip + up * 14 + across * s.hip_width,
        bottom + across * s.hip_width,
    ]

    def mirror(index: int, p: complex) -> complex:
        axis, origin = (chest_across, s.neck) if index < 6 else (across, s.hip)
        return p - 2 * ((p - origin) * axis.conjugate()).real * axis

    left = [mirror(i, p) for i, p in enumerate(right)]
    return spline(right + left[::-1], corners=(len(right) - 1, len(right)), tension=0.48)


def draw_torso(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> Any:
    """The trunk and the details of its cut; returns its outline, for shadows to fall on."""
    outfit = sheet.outfit
    path = torso_outline(skeleton, outfit.hem)
    paper.piece(path, outfit.top, darker(outfit.top), crescent=(10, 5))
    _DETAILS[outfit.kind](paper, sheet, skeleton, path)
    return path


def _knit(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at, line = skeleton.torso, darker(sheet.outfit.top, 0.5)
    for row, colour in enumerate(("cream", "vermilion", "cream")):
        zigzag = [at(x / 7, 0.27 + row * 0.065 + 0.016 * (1 if j % 2 else -1)) for j, x in enumerate(range(-7, 8))]
        paper.brush(zigzag, 4.4 if row == 1 else 3.6, colour, tip=0.9, tail=0.9, steps=2, within=outline)
    rib = [at(u, 0.955 + 0.012 * (1 - u * u)) for u in (-1, -0.5, 0, 0.5, 1)]
    paper.brush(rib, 2, line, tip=0.5, tail=0.5, within=outline)
    for x in range(-9, 10):
        paper.brush([at(x / 10, 0.97), at(x / 10, 1.06)], 1.6, line, tip=0.6, tail=0.6, steps=2, within=outline)


def _blazer(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at, outfit = skeleton.torso, sheet.outfit
    cloth, line = outfit.top, darker(outfit.top, 0.5)
    opening = 0.50
    paper.flat(
        polygon([at(-0.30, -0.04), at(0.30, -0.04), at(0.24, 0.12), at(0.0, opening), at(-0.24, 0.12)]), outfit.shirt
    )
    paper.brush([at(0, 0.08), at(0, opening)], 1.3, darker(outfit.shirt, 0.3))
    for y in (0.2, 0.3):
        paper.dot(at(0, y) + 3, 1.5, "slate")
    for side in (1, -1):
        lapel = polygon([at(0.30 * side, -0.05), at(0.46 * side, 0.13), at(0.36 * side, 0.17), at(0.44 * side, 0.235),
                         at(0.02 * side, opening + 0.02), at(0.20 * side, 0.16)])  # fmt: skip
        paper.piece(lapel, mix(cloth, "cream", 0.07), darker(cloth, 0.22), crescent=(4, 3), ink=0.9)
    paper.brush([at(0.02, opening), at(0.04, 0.75), at(0.095, 1.0)], 1.7, line, tip=0.5, tail=0.5)
    for y in (0.60, 0.74):
        paper.dot(at(-0.03, y), 2.8, "mustard")
    paper.flat(polygon([at(0.42, 0.30), at(0.66, 0.285), at(0.665, 0.31), at(0.42, 0.33)]), line)
    kerchief = polygon([at(0.46, 0.30), at(0.50, 0.23), at(0.55, 0.27), at(0.60, 0.235), at(0.62, 0.295)])
    paper.piece(kerchief, "vermilion", ink=0)
    for side in (-1, 1):
        paper.brush([at(0.40 * side, 0.80), at(0.78 * side, 0.785)], 2.4, line, tip=0.4, tail=0.4)


def _polo(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, outline: Any) -> None:
    at = skeleton.torso
    paper.brush([at(0, 0.06), at(0, 0.28)], 1.6, darker(sheet.outfit.top, 0.5), tip=0.6, tail=0.6)
    for y in (0.15, 0.22):
        paper.dot(at(0.035, y), 1.9, "cream")
    badge = at(0.46, 0.27)
    paper.flat(polygon([badge + complex(-8, 3), badge + complex(0, -6), badge + complex(9, 3), badge]), "cream")


_DETAILS: dict[str, Callable[[Paper, ModelSheet, Skeleton, Any], None]] = {
    "knit": _knit,
    "blazer": _blazer,
    "polo": _polo,
}


def neck_path(sheet: ModelSheet, skeleton: Skeleton) -> Any:
    """The outline of the neck."""
    s = skeleton
    start = s.head + (s.neck - s.head) * 0.46
    width = 15.5 if s.build.limb < 1.1 else 18.5
    end = s.neck + s.chest_up * (7 if sheet.outfit.kind == "knit" else -8) + 11 * s.turn
    return limb(skia.Path(), start, end, width * 0.92, width * 1.12, -0.8)


def draw_neck(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    """The neck; the chin's shadow falls on it later."""
    paper.piece(neck_path(sheet, skeleton), sheet.skin_base, None, ink=0.8, rim=False)


def draw_collar(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    """The collar, over the neck."""
    at, outfit = skeleton.torso, sheet.outfit
    if outfit.kind == "knit":
        roll = [at(-0.31, 0), at(-0.25, -0.075), at(0, -0.01), at(0.25, -0.075), at(0.31, 0), at(0.2, 0.065),
                at(0, 0.09),
                at(-0.2, 0.065)]  # fmt: skip
        colour = mix(outfit.top, "cream", 0.12)
        paper.piece(spline(roll, corners=(1, 3), tension=0.4), colour, darker(colour), crescent=(3.5, 2.5), ink=0.8)
    else:
        colour = mix(outfit.top, "cream", 0.10) if outfit.kind == "polo" else outfit.shirt
        for side in (1, -1):
            point = [at(0.19 * side, -0.034), at(0.285 * side, 0), at(0.31 * side, 0.075), at(0.155 * side, 0.135),
                     at(0.01 * side, 0.075)]  # fmt: skip
            path = spline(point, corners=(0, 1, 2, 3, 4), tension=0.4)
            paper.piece(path, colour, darker(colour), crescent=(3.5, 2.5), ink=0.8)


def draw_lanyard(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    """A pass on a ribbon, under the collar."""
    if not sheet.lanyard:
        return
    at, colour = skeleton.torso, sheet.lanyard
    end = at(0.0, 0.56)
    for side in (-1, 1):
        paper.brush([at(0.25 * side, -0.02), at(0.20 * side, 0.25), end + 2 * side], 3.4, colour, tip=1, tail=1)
    card = polygon([end + complex(*p) for p in ((-13, 2), (13, 1), (13.5, 33), (-13, 34))])
    paper.piece(card, "cream", darker("cream", 0.15), crescent=(3, 2))
    paper.flat(polygon([end + complex(*p) for p in ((-8, 8), (1, 8), (1, 18), (-8, 18))]), "tide")
    paper.brush([end + complex(-8, 25), end + complex(8, 25)], 2, "slate", tip=0.8, tail=0.8)
    paper.brush([end + complex(4, 12), end + complex(9, 12)], 1.6, "slate", tip=0.8, tail=0.8)


def draw_earring(paper: Paper, at: complex, colour: str) -> None:
    """A small square stud."""
    paper.flat(polygon([at + 4.6 * turned(a) for a in (0, 90, 180, 270)]), colour)
