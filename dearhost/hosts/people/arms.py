"""Arms and sleeves."""

from __future__ import annotations

import cmath
from typing import Any

import skia

from dearhost.drawing.colours import darker, mix
from dearhost.drawing.outlines import clamp, limb, lit_limb, polygon, tube, turned
from dearhost.drawing.paper import Paper
from dearhost.hosts.people.hands import draw_hand
from dearhost.hosts.people.model_sheet import ModelSheet, Outfit
from dearhost.hosts.people.outfits import CUTS
from dearhost.hosts.people.skeleton import Arm, Skeleton


def hand_size(skeleton: Skeleton) -> float:
    """The factor on a hand's own units."""
    return 1.06 * skeleton.proportions.hand


def hand_origin(sheet: ModelSheet, arm: Arm) -> complex:
    """Where the hand's wrist lies: a little out of a long sleeve."""
    return arm.wrist + turned(arm.angle) * 1.5 if sheet.outfit.sleeve == "long" else arm.wrist


def draw_hand_of(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, arm: Arm, *, fingers_only: bool = False) -> None:
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
        fingers_only=fingers_only,
    )


class _Limbs:
    """The two halves of an arm: ``path``, and ``lit``, what the light falls on."""

    def __init__(self, crescent: complex) -> None:
        self.path, self.lit, self._crescent = skia.Path(), skia.Path(), crescent

    def add(self, start: complex, end: complex, start_radius: float, end_radius: float, bow: float = 0.0, *,
            end_cap: bool = True) -> None:  # fmt: skip
        """Add a half."""
        limb(self.path, start, end, start_radius, end_radius, bow, end_cap=end_cap)
        lit = lit_limb(start, end, start_radius, end_radius, self._crescent)
        limb(self.lit, *lit, bow, end_cap=end_cap)


def forearm_outline(skeleton: Skeleton, arm: Arm) -> Any:
    """What of an arm lies over its hand wherever that is."""
    thick = skeleton.proportions.limb * skeleton.build.limb
    end = arm.wrist - _direction(arm.elbow, arm.wrist)
    return limb(skia.Path(), arm.elbow, end, 14.0 * thick, _sleeve_end(skeleton, arm), 1.2 * thick, end_cap=False)


def hand_before_upper_arm(skeleton: Skeleton, arm: Arm) -> bool:
    """Whether the hand comes before its own upper arm."""
    hand = arm.wrist + turned(arm.angle) * 26 * hand_size(skeleton)
    bone = arm.elbow - arm.shoulder
    part = clamp(((hand - arm.shoulder) * bone.conjugate()).real / max(1e-6, abs(bone) ** 2))
    return abs(hand - arm.shoulder - bone * part) < 18.5 * skeleton.proportions.limb * skeleton.build.limb + _HAND


_HAND = 30.0
"""Units from the middle of a hand to its finger tips."""


def _sleeve_end(skeleton: Skeleton, arm: Arm) -> float:
    """The radius of a long sleeve at the wrist: wider as it points at the viewer."""
    return _wrist_radius(skeleton) * (1.16 + 0.22 * (1 - arm.foreshortening))


def draw_bare_arm(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, arm: Arm) -> None:
    """What lies under the hand: the skin of the arm where the sleeve is short."""
    if sheet.outfit.sleeve == "long":
        return
    thick = skeleton.proportions.limb * skeleton.build.limb
    upper = _direction(arm.shoulder, arm.elbow)
    bare = _Limbs(paper.shaded(4 + 3j))
    bare.add(arm.shoulder + upper * 8, arm.elbow, 18.5 * thick * 0.78, 14.0 * thick * 0.80, 0.8)
    bare.add(arm.elbow, arm.wrist, 14.0 * thick * 0.82, _wrist_radius(skeleton) * 0.80, 1.6 * thick)
    paper.piece(bare.path, sheet.skin_base, sheet.skin_shade, lit=bare.lit)


def draw_sleeve(paper: Paper, sheet: ModelSheet, skeleton: Skeleton, arm: Arm) -> None:
    """What lies over the hand's wrist: sleeve and cuff."""
    outfit = sheet.outfit
    thick = skeleton.proportions.limb * skeleton.build.limb
    shoulder_r, elbow_r, wrist_r = 18.5 * thick, 14.0 * thick, _wrist_radius(skeleton)
    fore, upper = _direction(arm.elbow, arm.wrist), _direction(arm.shoulder, arm.elbow)
    sleeve, colour = _Limbs(paper.shaded(5 + 3.6j)), outfit.sleeve_colour
    if outfit.sleeve == "long":
        end_r = _sleeve_end(skeleton, arm)
        sleeve.add(arm.shoulder, arm.elbow, shoulder_r, elbow_r, 0.8 * thick)
        sleeve.add(arm.elbow, arm.wrist - fore, elbow_r, end_r, 1.2 * thick, end_cap=False)
        paper.piece(sleeve.path, colour, darker(colour), rim=False, lit=sleeve.lit)
        if outfit.cut == "jersey":
            _draw_rings(paper, outfit, arm, sleeve.path, (shoulder_r, elbow_r))
        _draw_cuff(paper, sheet, arm, fore, wrist_r)
        _draw_creases(paper, colour, arm, fore, upper, elbow_r)
        return
    seam = skia.Path()
    size = hand_size(skeleton)
    limb(seam, arm.wrist - fore * 9, arm.wrist + turned(arm.angle) * 5 * size, wrist_r * 0.80, 6.4 * size)
    paper.flat(seam, sheet.skin_base)
    if outfit.sleeve == "roll":
        end = arm.elbow + fore * 14
        sleeve.add(arm.shoulder, arm.elbow, shoulder_r, elbow_r * 1.02, 0.8 * thick)
        sleeve.add(arm.elbow, end, elbow_r * 1.02, elbow_r * 0.98, end_cap=False)
        paper.piece(sleeve.path, colour, darker(colour), rim=False, lit=sleeve.lit)
        across = fore * 1j * elbow_r * 1.08
        near = arm.elbow + fore * 4
        roll = polygon([end + across, near + across, near - across, end - across])
        paper.piece(roll, mix(colour, "ink", 0.06), darker(colour), ink=0.6, crescent=(3, 2))
        return
    end = arm.shoulder + (arm.elbow - arm.shoulder) * 0.56
    sleeve.add(arm.shoulder, end, shoulder_r, shoulder_r * 0.95, 0.6, end_cap=False)
    paper.piece(sleeve.path, colour, darker(colour), rim=False, lit=sleeve.lit)
    across = upper * 1j * shoulder_r * 0.95
    hem = [end + across - upper * 4, end - upper * 2.5, end - across - upper * 4]
    paper.brush(hem, 1.5, darker(colour, 0.5), tip=0.4, tail=0.4)


def _draw_rings(paper: Paper, outfit: Outfit, arm: Arm, sleeve: Any, radii: tuple[float, float]) -> None:
    """The stripes of a jersey round the sleeve; few, so that they stay calm in motion."""
    for start, end, radius in ((arm.shoulder, arm.elbow, radii[0]), (arm.elbow, arm.wrist, radii[1])):
        along = _direction(start, end)
        across = along * 1j * radius * 1.1
        for part in (0.24, 0.50, 0.76):
            place: complex = start + (end - start) * part
            ring = [place + across - along * 1.5, place + along * 1.5, place - across - along * 1.5]
            paper.brush(ring, 4.4, outfit.accent or "sea-dark", tip=0.9, tail=0.9, steps=4, within=sleeve)


def _direction(start: complex, end: complex) -> complex:
    return (end - start) / max(1e-6, abs(end - start))


def _wrist_radius(skeleton: Skeleton) -> float:
    return 9.2 * skeleton.proportions.limb


def _draw_cuff(paper: Paper, sheet: ModelSheet, arm: Arm, fore: complex, wrist_r: float) -> None:
    outfit = sheet.outfit
    cut = CUTS[outfit.cut]
    if cut.cuff is None:
        return
    colour = cut.cuff(outfit)
    radius = wrist_r * (1.2 + 0.22 * (1 - arm.foreshortening))
    cuff = arm.wrist - fore, arm.wrist - fore * cut.cuff_length, radius, radius * 1.03
    lit = _ring(*lit_limb(*cuff, paper.shaded(3 + 2j)))
    paper.piece(_ring(*cuff), colour, darker(colour), ink=0.6, rim=False, lit=lit)


def _ring(near: complex, far: complex, near_radius: float, far_radius: float) -> Any:
    """What goes straight across an arm."""
    across = _direction(near, far) * 1j
    near_side, far_side = across * near_radius, across * far_radius
    return polygon([near + near_side, far + far_side, far - far_side, near - near_side])


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
    return tube((arm.shoulder, arm.elbow, arm.wrist), (15, 13, 10))
