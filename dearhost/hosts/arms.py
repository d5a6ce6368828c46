"""Arms and sleeves."""

from __future__ import annotations

import cmath
from typing import Any

import skia

from dearhost.hosts.hands import draw_hand
from dearhost.hosts.model_sheet import ModelSheet
from dearhost.hosts.paper import Paper, darker, limb, mix, polygon, turned
from dearhost.hosts.skeleton import Arm, Skeleton


def hand_size(skeleton: Skeleton) -> float:
    """The factor on a hand's own units."""
    return 1.06 * skeleton.proportions.hand


def hand_origin(sheet: ModelSheet, arm: Arm) -> complex:
    """Where the hand's wrist lies: a little out of a long sleeve."""
    return arm.wrist + turned(arm.angle) * 1.5 if sheet.outfit.sleeve == "long" else arm.wrist


def draw_hand_of(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, arm: Arm) -> None:
    """The hand with its wrist at the origin and its fingers towards the right."""
    draw_hand(
        paper,
        sheet,
        0j,
        0.0,
        arm.pose.hand,
        handed=arm.side * arm.pose.flip,
        size=hand_size(skeleton),
        squeeze=arm.squeeze,
    )


def draw_bare_arm(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, arm: Arm) -> None:
    """What lies under the hand: the skin of the arm where the sleeve is short."""
    if sheet.outfit.sleeve == "long":
        return
    thick = skeleton.proportions.limb * skeleton.build.limb
    upper = _direction(arm.shoulder, arm.elbow)
    bare = skia.Path()
    limb(bare, arm.shoulder + upper * 8, arm.elbow, 18.5 * thick * 0.78, 14.0 * thick * 0.80, 0.8)
    limb(bare, arm.elbow, arm.wrist, 14.0 * thick * 0.82, _wrist_radius(skeleton) * 0.80, 1.6 * thick)
    paper.piece(bare, sheet.skin_base, sheet.skin_shade, crescent=(4, 3))


def draw_sleeve(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, arm: Arm) -> None:
    """What lies over the hand's wrist: sleeve and cuff."""
    outfit = sheet.outfit
    thick = skeleton.proportions.limb * skeleton.build.limb
    shoulder_r, elbow_r, wrist_r = 18.5 * thick, 14.0 * thick, _wrist_radius(skeleton)
    fore, upper = _direction(arm.elbow, arm.wrist), _direction(arm.shoulder, arm.elbow)
    sleeve = skia.Path()
    if outfit.sleeve == "long":
        end_r = wrist_r * (1.16 + 0.22 * (1 - arm.foreshortening))
        limb(sleeve, arm.shoulder, arm.elbow, shoulder_r, elbow_r, 0.8 * thick)
        limb(sleeve, arm.elbow, arm.wrist - fore, elbow_r, end_r, 1.2 * thick, end_cap=False)
        paper.piece(sleeve, outfit.top, darker(outfit.top), crescent=(5, 3.6), rim=False)
        _draw_cuff(paper, sheet, arm, fore, wrist_r)
        _draw_creases(paper, outfit.top, arm, fore, upper, elbow_r)
        return
    seam = skia.Path()
    size = hand_size(skeleton)
    limb(seam, arm.wrist - fore * 9, arm.wrist + turned(arm.angle) * 5 * size, wrist_r * 0.80, 6.4 * size)
    paper.flat(seam, sheet.skin_base)
    end = arm.shoulder + (arm.elbow - arm.shoulder) * 0.56
    limb(sleeve, arm.shoulder, end, shoulder_r, shoulder_r * 0.95, 0.6, end_cap=False)
    paper.piece(sleeve, outfit.top, darker(outfit.top), crescent=(5, 3.6), rim=False)
    across = upper * 1j * shoulder_r * 0.95
    hem = [end + across - upper * 4, end - upper * 2.5, end - across - upper * 4]
    paper.brush(hem, 1.5, darker(outfit.top, 0.5), tip=0.4, tail=0.4)


def _direction(start: complex, end: complex) -> complex:
    return (end - start) / max(1e-6, abs(end - start))


def _wrist_radius(skeleton: Skeleton) -> float:
    return 9.2 * skeleton.proportions.limb


def _draw_cuff(paper: Paper, sheet: ModelSheet, arm: Arm, fore: complex, wrist_r: float) -> None:
    outfit = sheet.outfit
    blazer = outfit.kind == "blazer"
    colour = outfit.shirt if blazer else mix(outfit.top, "cream", 0.14)
    across = fore * 1j * wrist_r * (1.2 + 0.22 * (1 - arm.foreshortening))
    near, far = arm.wrist - fore, arm.wrist - fore * (4 if blazer else 9)
    cuff = polygon([near + across, far + across * 1.03, far - across * 1.03, near - across])
    paper.piece(cuff, colour, darker(colour), ink=0.6, crescent=(3, 2), rim=False)


def _draw_creases(paper: Paper, cloth: str, arm: Arm, fore: complex, upper: complex, elbow_r: float) -> None:
    bend = cmath.phase(fore / upper)
    if abs(bend) <= 0.6:
        return
    side = fore * 1j * (1 if bend > 0 else -1)
    inside = arm.elbow + side * elbow_r * 0.85
    colour = darker(cloth, 0.55)
    paper.brush([inside, arm.elbow + side * elbow_r * 0.2 - fore * 3], 1.6, colour, tip=0.6, tail=0.05)
    paper.brush([inside - upper * 5, arm.elbow + side * elbow_r * 0.3 - upper * 8], 1.3, colour, tip=0.6, tail=0.05)


def arm_outline(arm: Arm) -> Any:
    """A rough outline, for the shadow an arm throws on the body."""
    path = skia.Path()
    limb(path, arm.shoulder, arm.elbow, 15, 13)
    return limb(path, arm.elbow, arm.wrist, 13, 10)
