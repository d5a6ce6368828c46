"""Hair drawn in head space: a back piece, a front piece with its shadow on the skin, strands."""

from __future__ import annotations

from typing import Any

from dearhost.drawing.colours import mix
from dearhost.drawing.outlines import lit_points, spline
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.hair_styles import STYLES, Strand
from dearhost.hosts.people.head_space import HeadSpace
from dearhost.hosts.people.headwear import HIDES_HAIR
from dearhost.hosts.people.model_sheet import ModelSheet


def draw_strands(paper: Paper, head: HeadSpace, strands: tuple[Strand, ...], colour: str, width: float,
                  alpha: float = 0.9) -> None:  # fmt: skip
    for strand in strands:
        line = [head.silhouette(*place) for place in strand]
        paper.brush(line, head.size * width, colour, tip=0.05, tail=0.05, alpha=alpha)


def draw_back_hair(paper: Paper, head: HeadSpace, sheet: ModelSheet) -> None:
    """What hangs behind head and shoulders."""
    style = STYLES[sheet.hair]
    if not style.back or sheet.headwear.kind in HIDES_HAIR:
        return
    points = head.silhouettes(list(style.back))
    colour = sheet.hair_base if style.lit_back else mix(sheet.hair_base, sheet.hair_shade, 0.55)
    paper.piece(spline(points), colour, sheet.hair_shade, lit=spline(lit_points(points, paper.shaded(6 + 4j))))
    draw_strands(paper, head, style.back_strands, mix(sheet.hair_shade, "ink", 0.3), 0.016)


def draw_front_hair(paper: Paper, head: HeadSpace, sheet: ModelSheet, head_path: Any) -> None:
    """What lies on the forehead and round the face, with its shadow on the skin."""
    style = STYLES[sheet.hair]
    if sheet.headwear.kind in HIDES_HAIR:
        return
    for side in (-1, 1):
        if style.sides:
            tuft = head.outline([(x * side, y, z) for x, y, z in style.sides], corners=(0, 2))
            paper.piece(tuft, sheet.hair_base, sheet.hair_shade, crescent=(4, 3))
    if not style.front:
        return
    points = head.silhouettes(list(style.front))
    path = spline(points, corners=style.corners, tension=style.tension)
    if style.shaved:
        base, shade = mix(sheet.skin_base, sheet.hair_base, 0.62), mix(sheet.skin_shade, sheet.hair_base, 0.72)
        paper.piece(path, base, shade, ink=0.8, rim=False, crescent=(6, 4))
        return
    paper.cast(head_path, path, 3.5, 5.5, "#5A2430", 0.22)
    lit = spline(lit_points(points, paper.shaded(7 + 5j)), corners=style.corners, tension=style.tension)
    paper.piece(path, sheet.hair_base, sheet.hair_shade, lit=lit)
    draw_strands(paper, head, style.strands, sheet.hair_shade, 0.014)
    draw_strands(paper, head, style.light, sheet.hair_light, 0.016, 0.85)
