"""A person seen from behind: the back of the head, of what is worn on it, and of the clothes."""

from __future__ import annotations

from dearhost.drawing.colours import darker, mix
from dearhost.drawing.outlines import spline
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.hair import draw_strands
from dearhost.hosts.people.hair_styles import STYLES
from dearhost.hosts.people.head_space import HeadSpace, head_outline, mirrored
from dearhost.hosts.people.headwear import HIDES_EARS, HIDES_HAIR, draw_headwear
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.people.nose_and_ears import draw_ear
from dearhost.hosts.people.outfits import CUTS
from dearhost.hosts.people.skeleton import Skeleton
from dearhost.hosts.people.torso import draw_neck, torso_outline

_CAP = mirrored([
    (0.0, -0.545, -0.05), (0.215, -0.505, -0.05), (0.35, -0.33, -0.05), (0.375, -0.10, -0.04), (0.352, 0.14, -0.03),
    (0.27, 0.34, -0.02), (0.12, 0.43, 0.0), (0.0, 0.44, 0.0),
])  # fmt: skip
"""Hair over the skull down to the nape."""
_FRINGE = mirrored([
    (0.0, 0.17, 0.0), (0.22, 0.12, -0.02), (0.345, -0.04, -0.03), (0.375, 0.05, -0.03), (0.345, 0.20, -0.03),
    (0.20, 0.37, -0.02), (0.0, 0.41, 0.0),
])  # fmt: skip
"""What is left of it round a bald crown."""
_HOOD = mirrored([
    (0.0, -0.59, -0.06), (0.26, -0.55, -0.06), (0.43, -0.36, -0.05), (0.465, -0.05, -0.03), (0.45, 0.25, 0.0),
    (0.47, 0.50, 0.0), (0.54, 0.72, 0.0), (0.30, 0.90, 0.0), (0.0, 0.96, 0.0),
])  # fmt: skip
_CAP_CROWN = mirrored([
    (0.0, -0.68, -0.06), (0.20, -0.665, -0.06), (0.40, -0.57, -0.06), (0.44, -0.40, -0.05), (0.40, -0.20, 0.0),
    (0.22, -0.16, 0.0), (0.0, -0.15, 0.0),
])  # fmt: skip
_SEEN_AS_IN_FRONT = ("jersey", "knit", "tee", "dress")
"""Cuts whose pattern goes round."""


def draw_head_from_behind(paper: Paper, head: HeadSpace, sheet: ModelSheet) -> None:
    """Ears, skull, hair that hangs over the neck, headwear."""
    style, kind = STYLES[sheet.hair], sheet.headwear.kind
    skull = head_outline(head, sheet.features)
    if not style.covers_ears and kind not in HIDES_EARS:
        for side in (-1, 1):
            draw_ear(paper, head, sheet, side)
    paper.piece(skull, sheet.skin_base, sheet.skin_shade, crescent=(7.5, 4.5), ink=1.1)
    if kind in HIDES_HAIR:
        colour = sheet.headwear.colour
        paper.piece(head.outline(_HOOD), colour, darker(colour, 0.2), crescent=(8, 6))
        fold = ((-0.30, 0.30, 0.0), (-0.10, 0.56, 0.0), (0.12, 0.72, 0.0))
        draw_strands(paper, head, (fold,), darker(colour, 0.34), 0.015)
        return
    _draw_hair(paper, head, sheet)
    if kind == "cap":
        colour = sheet.headwear.colour
        paper.piece(head.outline(_CAP_CROWN), colour, darker(colour), crescent=(7, 5))
    elif kind:
        draw_headwear(paper, head, sheet, skull)


def _draw_hair(paper: Paper, head: HeadSpace, sheet: ModelSheet) -> None:
    style = STYLES[sheet.hair]
    base, shade = sheet.hair_base, sheet.hair_shade
    if style.shaved:
        base, shade = mix(sheet.skin_base, base, 0.62), mix(sheet.skin_shade, base, 0.72)
    if not style.front:
        if style.sides:
            paper.piece(head.outline(_FRINGE), base, shade, crescent=(4, 3))
        return
    pieces = [head.outline(_CAP), head.outline(list(style.front), corners=style.corners, tension=style.tension)]
    if style.back and not style.lit_back:
        pieces.append(head.outline(list(style.back)))
    for path in pieces:  # one mass: path operations are not to be trusted with so many overlaps
        paper.ink_edge(path)
    for path in pieces:
        paper.flat(path, base)
    if not style.shaved:
        part = ((0.02, -0.50, 0.0), (0.20, -0.30, 0.0), (0.27, 0.0, 0.0), (0.24, 0.28, 0.0))
        draw_strands(paper, head, (part, tuple((-x - 0.04, y, z) for x, y, z in part)), shade, 0.018)
    if style.back and style.lit_back:
        paper.piece(head.outline(list(style.back)), base, shade, crescent=(6, 4))
    draw_strands(paper, head, style.back_strands, mix(shade, "ink", 0.3), 0.016)


def draw_trunk_from_behind(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    """The neck, the back of the clothes with a seam, and the collar's band."""
    draw_neck(paper, sheet, skeleton)
    outfit, at = sheet.outfit, skeleton.torso
    path = torso_outline(skeleton, outfit.hem)
    paper.piece(path, outfit.top, darker(outfit.top), crescent=(10, 5))
    if outfit.cut in _SEEN_AS_IN_FRONT:
        CUTS[outfit.cut].details(paper, sheet, skeleton, path)
    else:
        seam = darker(outfit.top, 0.45)
        paper.brush([at(0.0, 0.10), at(0.01, 0.55), at(0.0, 0.96)], 1.6, seam, tip=0.3, tail=0.6)
    if outfit.cut == "apron":
        knot, tape = at(0.0, 0.72), outfit.accent or "cream"
        paper.brush([at(-0.85, 0.70), knot, at(0.85, 0.70)], 4, tape, tip=1, tail=1)
        for side in (-1, 1):
            paper.brush([knot, knot + complex(15 * side, 9), knot + complex(10 * side, 26)], 4, tape, tip=1, tail=0.6)
    band = [at(-0.29, -0.045), at(0.0, -0.085), at(0.29, -0.045), at(0.30, 0.01), at(0.0, -0.02), at(-0.30, 0.01)]
    colour = outfit.shirt if outfit.cut in ("blazer", "waistcoat", "coat", "peacoat") else mix(outfit.top, "cream", 0.1)
    paper.piece(spline(band, corners=(0, 2, 3, 5)), colour, darker(colour), ink=0.6, crescent=(2, 2))
