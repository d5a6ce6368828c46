"""Legs, trousers and skirts, shoes and boots."""

from __future__ import annotations

import math

import skia

from dearhost.drawing.colours import darker, mix
from dearhost.drawing.outlines import clamp, lerp, limb, polygon, spline, turned
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.people.skeleton import Leg, Skeleton

_FROM_THE_SIDE = ((-12, -12), (-14, 6), (-13, 18), (-4, 21), (14, 21), (31, 20), (37, 14), (20, 0), (11, -12))


def draw_leg(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, leg: Leg) -> None:
    """One leg, the shoe first so that the trouser falls over it."""
    _draw_shoe(paper, sheet, skeleton, leg)
    outfit = sheet.outfit
    thick = skeleton.proportions.limb * skeleton.build.limb
    wide = max(0.0, skeleton.hip_width / 56 - 1)
    profile = abs(leg.heading)
    seated = clamp(1 - abs(leg.knee - leg.hip) / skeleton.proportions.thigh - 0.1)
    if outfit.below == "trousers":
        cloth, shade = outfit.bottom, darker(outfit.bottom)
        thigh_r = max(27.0, skeleton.hip_width * lerp(0.47, 0.60, profile) / thick) * thick
        knee_r, hem_r = 17.5 * (1 + 0.25 * wide) * thick, 12.5 * thick * 1.08
    else:
        covered = sheet.headwear.kind == "hijab"
        cloth, shade = ("ink", "ink") if covered else (sheet.skin_base, sheet.skin_shade)
        thigh_r, knee_r, hem_r = 22 * thick, 14 * thick, 9.5 * thick * 1.08
    knee_r *= 1 + 0.45 * seated
    along = (leg.ankle - leg.knee) / max(1e-6, abs(leg.ankle - leg.knee))
    end = leg.ankle - along * (20 if outfit.boots else 2)
    path = skia.Path()
    limb(path, leg.hip, leg.knee, thigh_r, knee_r, 1.5 * thick)
    limb(path, leg.knee, end, knee_r, hem_r, 1.8 * thick, end_cap=False)
    paper.piece(path, cloth, shade, crescent=(7, 3))
    across = along * 1j
    if outfit.below == "trousers":
        hem = [end + across * hem_r - along * 5, end - along * 4, end - across * hem_r - along * 5]
        paper.brush(hem, 1.4, darker(cloth, 0.5), tip=0.3, tail=0.3)
    if outfit.boots:
        size = skeleton.proportions.limb
        low, high = leg.ankle - along * 2, leg.ankle - along * 62 * skeleton.proportions.shin / 132
        shaft = polygon([low + across * 12 * size, high + across * 17 * size, high - across * 17 * size,
                         low - across * 12 * size])  # fmt: skip
        paper.piece(shaft, outfit.shoe, darker(outfit.shoe), crescent=(5, 2))
        rim = [high + across * 17 * size, high - across * 17 * size]
        paper.brush(rim, 4, mix(outfit.shoe, "cream", 0.3), tip=0.9, tail=0.9)


def _draw_shoe(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, leg: Leg) -> None:
    profile = abs(leg.heading)
    pointing = leg.side if profile < 0.5 else (1 if leg.heading > 0 else -1)
    shown = clamp(2 * profile - 1)
    toe = math.sin(math.radians(28 + 42 * min(1.0, 2 * profile)))
    front = ((-11, -12), (-13, 4), (-14, 16), (-8, 21), (6, 22), (17 + 24 * toe, 21), (22 + 24 * toe, 14),
             (14 + 16 * toe, 3), (11, -12))  # fmt: skip
    outline = [lerp(complex(*a), complex(*b), shown) for a, b in zip(front, _FROM_THE_SIDE, strict=True)]
    placed = [
        leg.ankle + complex(p.real * pointing, p.imag) * turned(leg.angle) * skeleton.proportions.limb for p in outline
    ]
    colour = sheet.outfit.shoe
    paper.piece(spline(placed, corners=(0, 8)), colour, darker(colour), crescent=(4, 4))
    sole = [placed[2], placed[3] + 2j, placed[4] + 2j, placed[5] + 1j]
    paper.brush(sole, 3.2, "slate" if colour == "ink" else "ink", tip=0.6, tail=0.6)


def draw_pelvis(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, sway: float = 0.0) -> None:
    """The top of the trousers, between the legs and under the coat; or the skirt, over them."""
    if sheet.outfit.below != "trousers":
        _draw_skirt(paper, sheet, skeleton, sway)
        return
    cloth, hip, up, across = sheet.outfit.bottom, skeleton.hip, skeleton.up, skeleton.across
    wide = skeleton.hip_width
    leg = skeleton.left_leg
    seated = clamp(1 - abs(leg.knee - leg.hip) / skeleton.proportions.thigh - 0.1)
    corner = across * skeleton.waist_width * 0.8
    side, low = wide * lerp(0.89, 0.78, abs(leg.heading)), wide * lerp(0.86, 0.75, seated)
    outline = [skeleton.waist + corner, hip + across * side, hip + across * low - up * 20, hip - up * 34,
               hip - across * low - up * 20, hip - across * side, skeleton.waist - corner]  # fmt: skip
    paper.flat(spline(outline, corners=(0, 6)), cloth)
    paper.brush([hip - up * 4, hip - up * 32], 1.5, darker(cloth, 0.5), tip=0.2, tail=0.4)


def _draw_skirt(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, sway: float) -> None:
    """From the waist to below the knees, with three folds; the hem swings by ``sway``."""
    cloth, hip, across, wide = sheet.outfit.bottom, skeleton.hip, skeleton.across, skeleton.hip_width
    knees = (skeleton.left_leg.knee, skeleton.right_leg.knee)
    y = max(k.imag for k in knees) + 34
    left = min(min(k.real for k in knees), hip.real - wide * 0.9) - 22
    right = max(max(k.real for k in knees), hip.real + wide * 0.9) + 22
    left, right = left + 9 * sway, right + 9 * sway
    middle, waist = (left + right) / 2, across * skeleton.waist_width * 0.9
    outline = [skeleton.waist + waist, hip + across * (wide + 2) - 6j, complex(right, y - 4), complex(middle, y + 5),
               complex(left, y - 4), hip - across * (wide + 2) - 6j, skeleton.waist - waist]  # fmt: skip
    paper.piece(spline(outline, corners=(0, 2, 4, 6)), cloth, darker(cloth), crescent=(10, 5))
    for x in (-0.55, 0.05, 0.55):
        fold = [hip + complex(x * wide * 0.7, 20), complex(middle + x * (right - middle) * 0.95, y - 3)]
        paper.brush(fold, 1.8, darker(cloth, 0.45), tip=0.05, tail=0.6)


def draw_seat(paper: Paper, x: float, height: float) -> None:
    """A plain wooden block to sit on, ``height`` units high."""
    wood = "#C9A06B"
    front = polygon([complex(x - 62, -height), complex(x + 62, -height), complex(x + 58, 6), complex(x - 58, 6)])
    paper.piece(front, wood, darker(wood), crescent=(16, 5))
    top = polygon([complex(x - 52, -height - 13), complex(x + 54, -height - 13), complex(x + 62, -height),
                   complex(x - 62, -height)])  # fmt: skip
    paper.piece(top, mix(wood, "cream", 0.28), mix(wood, "cream", 0.1), crescent=(10, 2), ink=0.5)
    for part in (0.34, 0.68):
        y = -height * (1 - part)
        paper.brush([complex(x - 58, y), complex(x + 57, y + 1)], 1.5, darker(wood, 0.4), tip=0.3, tail=0.6)
