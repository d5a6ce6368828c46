"""The trunk in its clothes, the neck, and what hangs there."""

from __future__ import annotations

from typing import Any

import skia

from dearhost.drawing.colours import darker
from dearhost.drawing.outlines import lerp, limb, lit_points, polygon, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.people.outfits import CUTS
from dearhost.hosts.people.skeleton import Skeleton

_HEM_SWINGS, _PASS_SWINGS = 8.0, 7.0
"""Units that a coat's hem and a pass on a ribbon swing to a side."""
_CRESCENT = 10 + 5j
FLARED = 1.02
"""A hem from which on it hangs free."""


def torso_outline(skeleton: Skeleton, hem: float, crescent: complex = 0j) -> Any:
    """The outline of the trunk from neck to hem; with a ``crescent`` of what of it is in the light."""
    s = skeleton
    up, chest_up, across, chest_across = s.up, s.chest_up, s.across, s.chest_across
    flared = hem > FLARED
    bottom = s.hip - up * ((hem - 0.9) * 120 - 6 if flared else (hem - 0.9) * 90 - 2)
    swing = 1 + 0.6 * (hem - 1) if flared else 1.0
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
        bottom + across * s.hip_width * swing,
    ]

    def mirror(index: int, p: complex) -> complex:
        axis, origin = (chest_across, s.neck) if index < 6 else (across, s.hip)
        return p - 2 * ((p - origin) * axis.conjugate()).real * axis

    left = [mirror(i, p) for i, p in enumerate(right)]
    if flared:  # a hem that hangs free
        for side in (left, right):
            side[-1] += across * _HEM_SWINGS * s.sway
    points = right + left[::-1]
    if crescent:
        points = lit_points(points, crescent)
    return spline(points, corners=(len(right) - 1, len(right)), tension=0.48)


def draw_torso(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> Any:
    """The trunk and the details of its cut; returns its outline, for shadows to fall on."""
    outfit = sheet.outfit
    path = torso_outline(skeleton, outfit.hem)
    paper.piece(path, outfit.top, darker(outfit.top), lit=torso_outline(skeleton, outfit.hem, paper.shaded(_CRESCENT)))
    CUTS[outfit.cut].details(paper, sheet, skeleton, path)
    return path


def neck_path(sheet: ModelSheet, skeleton: Skeleton) -> Any:
    """The outline of the neck."""
    s = skeleton
    start = s.head + (s.neck - s.head) * 0.46
    width = (15.5 if s.build.limb < 1.1 else 18.5) * (0.78 if sheet.age == "child" else 1.0)
    end = s.neck + s.chest_up * (7 if CUTS[sheet.outfit.cut].high else -8) + 11 * s.turn
    return limb(skia.Path(), start, end, width * 0.92, width * 1.12, -0.8)


def draw_neck(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    """The neck; the chin's shadow falls on it later."""
    paper.piece(neck_path(sheet, skeleton), sheet.skin_base, None, ink=0.8, rim=False)


def draw_collar(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    """The collar, over the neck."""
    CUTS[sheet.outfit.cut].collar(paper, sheet, skeleton)


def end_of_lanyard(skeleton: Skeleton) -> complex:
    """Where the pass hangs."""
    return skeleton.torso(0.0, 0.56) + skeleton.across * _PASS_SWINGS * skeleton.sway


def draw_lanyard(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    """A pass on a ribbon, under the collar."""
    if not sheet.lanyard:
        return
    at, colour, end = skeleton.torso, sheet.lanyard, end_of_lanyard(skeleton)
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
