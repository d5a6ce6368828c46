"""Nose and ears."""

from __future__ import annotations

from dearhost.drawing.colours import mix
from dearhost.drawing.outlines import spline
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.head_space import HeadSpace
from dearhost.hosts.people.model_sheet import ModelSheet

NOSES = {  # half-width, length, depth
    "wedge": (0.050, 0.165, 0.105),
    "button": (0.050, 0.140, 0.085),
    "long": (0.050, 0.190, 0.120),
    "broad": (0.074, 0.165, 0.085),
    "hook": (0.052, 0.180, 0.135),
    "straight": (0.046, 0.170, 0.110),
}
_EAR = ((0.345, -0.025), (0.385, -0.055), (0.425, -0.02), (0.420, 0.07), (0.395, 0.13), (0.365, 0.155), (0.340, 0.13))


def draw_nose(paper: Paper, head: HeadSpace, sheet: ModelSheet) -> None:
    """A shade plane on the side away from the lamp, and the line under the tip."""
    kind, size = sheet.features.nose, head.size
    width, length, depth = NOSES[kind]
    ground = head.depth(0, 0)
    at = head.solid
    tip = at(0, length, ground + depth)
    side = paper.shade_side if paper.shade_side * head.sin_yaw > -0.15 else -paper.shade_side
    wing = at(width * side, length + 0.012, ground + depth * 0.35)
    under = at(0, length + 0.040, ground + depth * 0.55)
    bridge = at(0.030 * side, -0.015, ground - 0.01)
    middle = at(0.012 * side, length * 0.55, ground + depth * 0.55 + (0.03 if kind == "hook" else 0))
    flank = at(0.034 * side, length * 0.52, ground + 0.02)
    plane = [bridge, middle, tip + (wing - tip) * 0.10, under, wing + 0.012j * size, wing - 0.03j * size, flank]
    paper.flat(spline(plane, corners=(0,)), mix(sheet.skin_base, sheet.skin_shade, 0.85))
    low = at(0, length + 0.036, ground + depth * 0.75)
    if kind == "button":
        ends = [at(s * width * 0.55, length + 0.020, ground + depth * 0.55) for s in (-1, 1)]
        paper.brush([ends[0], low, ends[1]], size * 0.016, sheet.skin_line, tip=0.15, tail=0.3)
    else:
        left, right = (at(s * width * 0.95, length + 0.010, ground + depth * 0.32) for s in (-1, 1))
        beside = [at(s, length + 0.034, ground + depth * 0.55) for s in (-width * 0.45, width * 0.42)]
        line = [left - 0.0132j * size, left + 0.010j * size, beside[0], low, beside[1], right + 0.008j * size,
                right - 0.020j * size]  # fmt: skip
        paper.brush(line, size * 0.015, sheet.skin_line, tip=0.05, tail=0.25, peak=0.6, steps=3)
    if kind in ("hook", "long", "straight") and abs(head.sin_yaw) > 0.10:
        s = 1 if head.sin_yaw > 0 else -1
        ridge = [at(0.004 * s, 0.03, ground + 0.03), at(0.004 * s, length * 0.55, ground + depth * 0.5),
                 at(0, length - 0.01, ground + depth)]  # fmt: skip
        paper.brush(ridge, size * 0.009, sheet.skin_line, tip=0.1, tail=0.3, alpha=0.8)


def draw_ear(paper: Paper, head: HeadSpace, sheet: ModelSheet, side: int) -> None:
    """One ear; ``side`` 1 = the viewer's right."""
    z = -0.03
    path = spline([head.solid(x * side, y, z) for x, y in _EAR])
    paper.piece(path, sheet.skin_base, sheet.skin_shade, crescent=(2.4, 2.0), ink=0.9)
    fold = [head.solid(x * side, y, z) for x, y in ((0.395, -0.03), (0.405, 0.03), (0.378, 0.085))]
    paper.brush(fold, head.size * 0.012, mix(sheet.skin_shade, sheet.skin_line, 0.4))
