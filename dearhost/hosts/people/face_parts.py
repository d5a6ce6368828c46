"""Blush, lines of age, beards and glasses."""

from __future__ import annotations

import math
from typing import Any

import skia

from dearhost.drawing.colours import mix, rgb
from dearhost.drawing.outlines import spline
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.head_space import HeadSpace
from dearhost.hosts.people.model_sheet import ModelSheet
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


def draw_wrinkles(paper: Paper, head: HeadSpace, sheet: ModelSheet) -> None:
    """Lines of age beside the mouth, on the brow, below and beside the eyes."""
    if sheet.age != "senior":
        return
    size, features = head.size, sheet.features
    deep, faint = mix(sheet.skin_shade, sheet.skin_line, 0.35), mix(sheet.skin_shade, sheet.skin_line, 0.25)
    for side in (-1, 1):
        fold = [head.surface(0.085 * side, 0.155, 0.02), head.surface(0.135 * side, 0.22, 0.01),
                head.surface(0.150 * side, 0.30, 0.01)]  # fmt: skip
        paper.brush(fold, size * 0.012, deep, tip=0.1, tail=0.1)
        x, y = features.eye_x, features.eye_y
        pouch = [head.surface((x + u * 0.053) * side, y + v) for u, v in ((-1, 0.062), (0, 0.082), (1, 0.070))]
        paper.brush(pouch, size * 0.010, deep)
        for k in (0, 1):
            crow = [
                head.surface((x + 0.100) * side, y + 0.026 * k),
                head.surface((x + 0.136) * side, y - 0.013 + 0.047 * k),
            ]
            paper.brush(crow, size * 0.009, deep)
    for y in (-0.19, -0.225):
        line = [head.surface(-0.10, y + 0.006), head.surface(0, y - 0.004), head.surface(0.11, y + 0.004)]
        paper.brush(line, size * 0.009, faint, tip=0.05, tail=0.05)


# silhouette points (x, y, slide, share of the jaw's drop), then points on the face (x, y)
_BEARDS = {
    "full": (
        ((-0.348, 0.08, 0.0, 0), (-0.318, 0.28, 0.06, 0), (-0.24, 0.47, 0.13, 1), (-0.10, 0.555, 0.17, 1),
         (0.10, 0.555, 0.17, 1), (0.24, 0.47, 0.13, 1), (0.318, 0.28, 0.06, 0), (0.348, 0.08, 0.0, 0)),
        ((0.285, 0.17, 0), (0.215, 0.262, 0), (0.12, 0.250, 0), (0.0, 0.256, 0), (-0.12, 0.250, 0),
         (-0.215, 0.262, 0), (-0.285, 0.17, 0)),
    ),
    "chin": (
        ((-0.275, 0.315, 0.08, 0), (-0.235, 0.44, 0.13, 1), (-0.10, 0.52, 0.17, 1), (0.10, 0.52, 0.17, 1),
         (0.235, 0.44, 0.13, 1), (0.275, 0.315, 0.08, 0)),
        ((0.2, 0.36, 1), (0.0, 0.385, 1), (-0.2, 0.36, 1)),
    ),
}  # fmt: skip
BEARDS = ("full", "chin", "moustache", "stubble")
_MOUSTACHED = ("full", "moustache")


def draw_beard(paper: Paper, head: HeadSpace, sheet: ModelSheet) -> None:
    """A beard on jaw and chin; its lower edge drops with the jaw. Stubble is a shade of a full one."""
    if sheet.beard not in (*_BEARDS, "stubble"):
        return
    stubble = sheet.beard == "stubble"
    outside, inside = _BEARDS["full" if stubble else sheet.beard]
    drop = head.jaw_drop * 0.062
    outer = [head.silhouette(x * (0.985 if stubble else 1), y * (0.90 if stubble else 1) + drop * falls, z)
             for x, y, z, falls in outside]  # fmt: skip
    inner = [head.surface(x, y + drop * falls) for x, y, falls in inside]
    path = spline(outer + inner, corners=(0, len(outer) - 1))
    if stubble:
        paper.flat(path, mix(sheet.skin_shade, sheet.hair_base, 0.35), 0.42)
        return
    base, shade = mix(sheet.hair_base, sheet.skin_base, 0.08), mix(sheet.hair_base, "#14101E", 0.3)
    paper.piece(path, base, shade, ink=0.8, crescent=(5, 4), rim=False)


def draw_moustache(paper: Paper, head: HeadSpace, sheet: ModelSheet, mouth: Mouth) -> None:
    """A moustache over the upper lip, by itself or with a full beard."""
    if sheet.beard not in _MOUSTACHED:
        return
    half = 0.118 * (1 + 0.2 * mouth.wide + 0.10 * mouth.smile - 0.35 * mouth.round) + 0.03
    smile = mouth.smile
    places = ((-half, 0.300 - 0.05 * smile), (-half * 0.8, 0.262 - 0.02 * smile), (-0.03, 0.238), (0.0, 0.244),
              (0.03, 0.238), (half * 0.8, 0.262 - 0.02 * smile), (half, 0.300 - 0.05 * smile), (half * 0.55, 0.282),
              (0.0, 0.274), (-half * 0.55, 0.282))  # fmt: skip
    path = spline([head.surface(x, y, 0.02) for x, y in places], corners=(0, 6))
    paper.flat(path, mix(sheet.hair_base, sheet.skin_base, 0.02))


GLASSES = {
    "round": tuple((math.cos(i * math.pi / 4) * 0.112, math.sin(i * math.pi / 4) * 0.108) for i in range(8)),
    "square": ((-0.112, -0.062), (0.0, -0.078), (0.122, -0.074), (0.118, 0.03), (0.07, 0.082), (-0.05, 0.082),
               (-0.105, 0.04)),
}  # fmt: skip


def _frame_pen(width: float, colour: str) -> Any:
    return skia.Paint(
        AntiAlias=True,
        Style=skia.Paint.kStroke_Style,
        StrokeWidth=width,
        Color=skia.Color(*rgb(colour)),
        StrokeJoin=skia.Paint.kRound_Join,
    )


def draw_glasses(paper: Paper, head: HeadSpace, sheet: ModelSheet) -> None:
    """Round or square frames, their glint, bridge and temples."""
    size, eye_x, eye_y, colour = head.size, sheet.features.eye_x, sheet.features.eye_y + 0.006, sheet.glasses.colour
    z = head.depth(eye_x, 0) * 0.5 + 0.16
    pen = _frame_pen(size * 0.020, colour)
    for side in (-1, 1):
        ring = GLASSES[sheet.glasses.kind]
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
