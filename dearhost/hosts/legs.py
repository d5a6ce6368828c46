"""Legs in trousers, and shoes."""

from __future__ import annotations

import math

import skia

from dearhost.hosts.model_sheet import ModelSheet
from dearhost.hosts.paper import Paper, darker, limb, spline
from dearhost.hosts.skeleton import Leg, Skeleton


def draw_leg(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, leg: Leg) -> None:
    """One leg, the shoe first so that the trouser falls over it."""
    _draw_shoe(paper, sheet, skeleton, leg)
    cloth = sheet.outfit.bottom
    thick = skeleton.proportions.limb * skeleton.build.limb
    wide = max(0.0, skeleton.hip_width / 56 - 1)
    thigh_r = max(27.0, skeleton.hip_width * 0.47 / thick) * thick
    knee_r = 17.5 * (1 + 0.25 * wide) * thick
    along = (leg.ankle - leg.knee) / max(1e-6, abs(leg.ankle - leg.knee))
    end, hem_r = leg.ankle - along * 2, 12.5 * thick * 1.08
    path = skia.Path()
    limb(path, leg.hip, leg.knee, thigh_r, knee_r, 1.5 * thick)
    limb(path, leg.knee, end, knee_r, hem_r, 1.8 * thick, end_cap=False)
    paper.piece(path, cloth, darker(cloth), crescent=(7, 3))
    across = along * 1j * hem_r
    hem = [end + across - along * 5, end - along * 4, end - across - along * 5]
    paper.brush(hem, 1.4, darker(cloth, 0.5), tip=0.3, tail=0.3)


def _draw_shoe(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, leg: Leg) -> None:
    toe = math.sin(math.radians(28))
    outline = ((-11, -12), (-13, 4), (-14, 16), (-8, 21), (6, 22), (17 + 24 * toe, 21), (22 + 24 * toe, 14),
               (14 + 16 * toe, 3), (11, -12))  # fmt: skip
    placed = [leg.ankle + complex(x * leg.side, y) * skeleton.proportions.limb for x, y in outline]
    colour = sheet.outfit.shoe
    paper.piece(spline(placed, corners=(0, 8)), colour, darker(colour), crescent=(4, 4))
    sole = [placed[2], placed[3] + 2j, placed[4] + 2j, placed[5] + 1j]
    paper.brush(sole, 3.2, "slate" if colour == "ink" else "ink", tip=0.6, tail=0.6)


def draw_pelvis(paper: Paper, sheet: ModelSheet, skeleton: Skeleton) -> None:
    """The top of the trousers, between the legs and under the coat."""
    cloth, hip, up, across = sheet.outfit.bottom, skeleton.hip, skeleton.up, skeleton.across
    wide = skeleton.hip_width
    corner = across * skeleton.waist_width * 0.8
    outline = [skeleton.waist + corner, hip + across * wide * 0.89, hip + across * wide * 0.86 - up * 20, hip - up * 34,
               hip - across * wide * 0.86 - up * 20, hip - across * wide * 0.89, skeleton.waist - corner]  # fmt: skip
    paper.flat(spline(outline, corners=(0, 6)), cloth)
    paper.brush([hip - up * 4, hip - up * 32], 1.5, darker(cloth, 0.5), tip=0.2, tail=0.4)
