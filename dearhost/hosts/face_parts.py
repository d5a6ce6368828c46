"""Blush, beard and glasses."""

from __future__ import annotations

import math
from typing import Any

import skia

from dearhost.hosts.head_space import HeadSpace
from dearhost.hosts.model_sheet import ModelSheet
from dearhost.hosts.paper import Paper, mix, rgb, spline
from dearhost.hosts.pose import Mouth


def draw_blush(paper: Paper, head: HeadSpace, sheet: ModelSheet) -> None:
    """A chip of colour on each cheek. The clip is the head."""
    colour = mix(sheet.skin_base, "#D8462F", 0.26 if sheet.skin < 5 else 0.20)
    for side in (-1, 1):
        ring = [
            head.surface(0.215 * side + 0.078 * math.cos(a), 0.178 + 0.046 * math.sin(a))
            for a in (i * math.pi / 4 for i in range(8))
        ]
        paper.flat(spline(ring), colour, 0.75)


_FULL_BEARD = (
    (-0.348, 0.08, 0.0, 0), (-0.318, 0.28, 0.06, 0), (-0.24, 0.47, 0.13, 1), (-0.10, 0.555, 0.17, 1),
    (0.10, 0.555, 0.17, 1), (0.24, 0.47, 0.13, 1), (0.318, 0.28, 0.06, 0), (0.348, 0.08, 0.0, 0),
)  # fmt: skip
_BEARD_INSIDE = (
    (0.285, 0.17),
    (0.215, 0.262),
    (0.12, 0.250),
    (0.0, 0.256),
    (-0.12, 0.250),
    (-0.215, 0.262),
    (-0.285, 0.17),
)


def draw_beard(paper: Paper, head: HeadSpace, sheet: ModelSheet) -> None:
    """A full beard round the mouth; its lower edge drops with the jaw."""
    drop = head.jaw_drop * 0.062
    outer = [head.silhouette(x, y + drop * falls, z) for x, y, z, falls in _FULL_BEARD]
    inner = [head.surface(x, y) for x, y in _BEARD_INSIDE]
    base, shade = mix(sheet.hair_base, sheet.skin_base, 0.08), mix(sheet.hair_base, "#14101E", 0.3)
    paper.piece(spline(outer + inner, corners=(0, 7)), base, shade, ink=0.8, crescent=(5, 4), rim=False)


def draw_moustache(paper: Paper, head: HeadSpace, sheet: ModelSheet, mouth: Mouth) -> None:
    """The moustache of a full beard, over the upper lip."""
    half = 0.118 * (1 + 0.2 * mouth.wide + 0.10 * mouth.smile - 0.35 * mouth.round) + 0.03
    smile = mouth.smile
    places = ((-half, 0.300 - 0.05 * smile), (-half * 0.8, 0.262 - 0.02 * smile), (-0.03, 0.238), (0.0, 0.244),
              (0.03, 0.238), (half * 0.8, 0.262 - 0.02 * smile), (half, 0.300 - 0.05 * smile), (half * 0.55, 0.282),
              (0.0, 0.274), (-half * 0.55, 0.282))  # fmt: skip
    path = spline([head.surface(x, y, 0.02) for x, y in places], corners=(0, 6))
    paper.flat(path, mix(sheet.hair_base, sheet.skin_base, 0.02))


def _frame_pen(width: float, colour: str) -> Any:
    return skia.Paint(
        AntiAlias=True,
        Style=skia.Paint.kStroke_Style,
        StrokeWidth=width,
        Color=skia.Color(*rgb(colour)),
        StrokeJoin=skia.Paint.kRound_Join,
    )


def draw_round_glasses(paper: Paper, head: HeadSpace, sheet: ModelSheet) -> None:
    """Round frames, their glint, bridge and temples."""
    size, eye_x, eye_y, colour = head.size, sheet.features.eye_x, sheet.features.eye_y + 0.006, sheet.glasses
    z = head.depth(eye_x, 0) * 0.5 + 0.16
    pen = _frame_pen(size * 0.020, colour)
    for side in (-1, 1):
        ring = [(math.cos(a) * 0.112, math.sin(a) * 0.108) for a in (i * math.pi / 4 for i in range(8))]
        path = spline([head.solid((eye_x + x) * side, eye_y + y, z) for x, y in ring], tension=0.30)
        paper.flat(path, "#FFFFFF", 0.10)
        paper.canvas.drawPath(path, pen)
        glint = head.solid(eye_x * side - 0.05, eye_y - 0.05, z)
        line = [glint + complex(-0.01, 0.03) * size, glint + complex(0.03, -0.02) * size]
        paper.brush(line, size * 0.014, "#FFFDF4", tip=0.3, tail=0.3, alpha=0.55)
        if side * head.sin_yaw < 0.5:
            temple = [head.solid(side * (eye_x + 0.115), eye_y - 0.035, z), head.solid(side * 0.335, -0.012, 0.06)]
            paper.brush(temple, size * 0.020, colour, tip=0.9, tail=0.9)
    bridge = [head.solid(-eye_x + 0.108, eye_y - 0.02, z + 0.01), head.solid(0, eye_y - 0.042, z + 0.06),
              head.solid(eye_x - 0.108, eye_y - 0.02, z + 0.01)]  # fmt: skip
    paper.brush(bridge, size * 0.018, colour, tip=0.9, tail=0.9)
