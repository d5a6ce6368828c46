"""From a pose to joints: spine, arms by two-bone reach, standing legs.

Units: 100 = the head's height, y down, origin on the ground between the feet.
"""

from __future__ import annotations

import cmath
import math
from dataclasses import dataclass

from dearhost.drawing.outlines import clamp, lerp, turned
from dearhost.hosts.people.model_sheet import AGES, BUILDS, Build, ModelSheet, Proportions
from dearhost.hosts.pose import ArmPose, Pose

UPPER_ARM, FOREARM = 98.0, 88.0
LEFT, RIGHT = -1, 1


@dataclass(frozen=True, slots=True)
class Arm:
    """Joints of one arm; ``angle`` of the fingers on the canvas (0 right, 90 down); ``side`` -1 left, 1 right.

    ``foreshortening`` below 1 = the forearm points at the viewer; ``squeeze`` narrows the hand with it.
    """

    shoulder: complex
    elbow: complex
    wrist: complex
    angle: float
    foreshortening: float
    squeeze: float
    side: int
    pose: ArmPose


@dataclass(frozen=True, slots=True)
class Leg:
    """Joints of one leg. ``angle`` of the foot, ``heading`` -1 to 1 as far as it is seen from the side."""

    hip: complex
    knee: complex
    ankle: complex
    side: int
    angle: float = 0.0
    heading: float = 0.0


@dataclass(frozen=True, slots=True)
class Skeleton:
    """``up`` and ``chest_up`` are unit vectors along the lower and upper spine; ``across`` and
    ``chest_across`` point to the viewer's right; ``sway`` -1 to 1: what hangs follows late."""

    hip: complex
    waist: complex
    chest: complex
    neck: complex
    head: complex
    up: complex
    chest_up: complex
    shoulder_width: float
    chest_width: float
    waist_width: float
    hip_width: float
    turn: float
    left: Arm
    right: Arm
    left_leg: Leg
    right_leg: Leg
    proportions: Proportions
    build: Build
    sway: float = 0.0

    @property
    def across(self) -> complex:
        """To the right in the hips' frame."""
        return self.up * 1j

    @property
    def chest_across(self) -> complex:
        """To the right in the chest's frame."""
        return self.chest_up * 1j

    def torso(self, u: float, v: float) -> complex:
        """A place on the trunk: u -1 to 1 across (turning with the body), v 0 neck to 1 hips."""
        swing = math.asin(clamp(u, -1, 1)) + math.radians(self.turn * 50 * clamp(0.22 + v * 2.6))
        u = math.sin(clamp(swing, -1.5, 1.5))
        centres = (self.neck, self.chest, self.waist, self.hip)
        widths = (self.shoulder_width * 0.92, self.chest_width, self.waist_width, self.hip_width)
        stops = (0.0, 0.46, 0.74, 1.0)
        if v >= 1:
            return self.hip - self.up * (v - 1) * 200 + self.across * u * widths[3]
        for i in range(3):
            if v <= stops[i + 1]:
                t = (v - stops[i]) / (stops[i + 1] - stops[i])
                sideways: complex = lerp(self.chest_across, self.across, t) * u * lerp(widths[i], widths[i + 1], t)
                return complex(lerp(centres[i], centres[i + 1], t)) + sideways
        return self.hip


def reach(start: complex, target: complex, first: float, second: float, side: int, *, fold: float = 0.62,
          shortest: float = 0.62) -> tuple[complex, complex, float]:  # fmt: skip
    """Two-bone inverse kinematics: (middle joint, end joint, foreshortening).

    Where the target is nearer than ``fold`` of the length, the bones shorten (they point at the viewer)
    instead of folding flat, but not below ``shortest``.
    """
    way = target - start
    distance = abs(way)
    if distance < 1e-6:
        way, distance = complex(1e-3), 1e-3
    farthest = (first + second) * 0.998
    if distance > farthest:
        target = start + way / distance * farthest
        way, distance = target - start, farthest
    factor = 1.0
    needed = distance / ((first + second) * fold)
    if needed < 1:
        factor = max(shortest, needed)
    first, second = first * factor, second * factor
    distance = max(distance, abs(first - second) * 1.02)
    cosine = clamp((first * first + distance * distance - second * second) / (2 * first * distance), -1, 1)
    middle = start + way / abs(way) * cmath.exp(1j * math.acos(cosine) * side) * first
    return middle, target, factor


def solve(sheet: ModelSheet, pose: Pose) -> Skeleton:
    """All joints of a person for a pose."""
    sizes, build, body = AGES[sheet.age], BUILDS[sheet.build], pose.body
    facing = math.cos(math.radians(58 * body.turn))
    leaning = max(0.0, body.lean)
    hip = complex(body.hip_x * 100, -(sizes.thigh + sizes.shin + sizes.ankle - 0.8) - body.hip_y * 100)
    up = -1j * turned(body.bend * 0.5 + body.tilt * 0.3)
    chest_up = -1j * turned(body.bend)
    nearer = 1 + 0.09 * body.lean
    waist = hip + up * sizes.pelvis * (1 - 0.04 * abs(body.lean))
    chest = waist + up * sizes.waist * (1 - 0.12 * leaning)
    neck = chest + chest_up * (sizes.chest + 1.4 * body.breath) * (1 - 0.10 * leaning) + 9 * body.turn * body.lean

    def upper(width: float) -> float:
        return width * sizes.width * (0.52 + 0.48 * facing) * nearer

    def lower(width: float) -> float:
        return width * sizes.width * (0.66 + 0.34 * facing)

    shoulder_width = upper(build.shoulder + 1.2 * body.breath)
    chest_across = chest_up * 1j
    sideways = body.head_x * 100 + 10 * body.turn + 6 * body.lean * body.turn + 0.10 * body.yaw
    head = neck + chest_up * (sizes.neck + 41) + chest_across * sideways + 1j * (8.4 * leaning - 0.28 * body.pitch)
    chest_bones = neck, chest_up, shoulder_width, sizes, build
    legs = {}
    for side, foot in ((LEFT, pose.legs.left), (RIGHT, pose.legs.right)):
        across = lower(build.hip) * side
        apart = 0.50 * (0.25 + 0.75 * facing) if body.turn else 0.46
        profile = abs(pose.legs.heading)
        hip_joint = hip + up * 1j * across * lerp(apart, 0.22, profile)
        if profile:  # feet stay where they are while the body turns
            stance = 0.44 * build.hip * sizes.width * side - 2 * side
        else:
            stance = 0.44 * (0.25 + 0.75 * facing) * across - 2 * side
        ankle = complex(hip.real - body.hip_x * 100 + stance + foot.x, -sizes.ankle - foot.y)
        legs[side] = _solve_leg(hip_joint, ankle, side, foot.angle, pose.legs.heading, sizes)
    return Skeleton(
        hip, waist, chest, neck, head, up, chest_up, shoulder_width, upper(build.chest + 0.8 * body.breath),
        lower(build.waist), lower(build.hip), body.turn, _solve_arm(pose.left, LEFT, *chest_bones),
        _solve_arm(pose.right, RIGHT, *chest_bones), legs[LEFT], legs[RIGHT], sizes, build, body.sway,
    )  # fmt: skip


_SLACK = 1.2
"""Units that a leg seen from the front is bent by; beyond, the thigh points at the viewer instead."""


def _solve_leg(hip: complex, ankle: complex, side: int, angle: float, heading: float, sizes: Proportions) -> Leg:
    """From the front the knee comes towards the viewer, from the side it goes the way the foot points."""
    profile = abs(heading)
    pointing = clamp(abs(ankle - hip) - sizes.shin + _SLACK, 0.2 * sizes.thigh, sizes.thigh)
    knee, end, _ = reach(hip, ankle, pointing, sizes.shin, -side, fold=0.5, shortest=0.70)
    if profile > 0:
        bend = -1 if heading > 0 else 1
        sideways, end_, _ = reach(hip, ankle, sizes.thigh, sizes.shin, bend, fold=0.5, shortest=0.70)
        knee, end = lerp(knee, sideways, profile), lerp(end, end_, profile)
    return Leg(hip, knee, end, side, angle, heading)


def arm_at(skeleton: Skeleton, pose: ArmPose, side: int) -> Arm:
    """How an arm of a body lies in another pose."""
    s = skeleton
    return _solve_arm(pose, side, s.neck, s.chest_up, s.shoulder_width, s.proportions, s.build)


def _solve_arm(pose: ArmPose, side: int, neck: complex, chest_up: complex, shoulder_width: float, sizes: Proportions,
               build: Build) -> Arm:  # fmt: skip
    thickness = 15.5 * build.limb * sizes.limb
    drop = 20 * sizes.width + thickness - pose.shrug * 14
    shoulder = neck - chest_up * drop + chest_up * 1j * side * (shoulder_width - thickness)
    upper_length, fore_length = UPPER_ARM * sizes.arm, FOREARM * sizes.arm
    across = chest_up * 1j
    target = shoulder + (across * side * pose.x - chest_up * pose.y) * (upper_length + fore_length)
    bend = -1 if side > 0 else 1
    outside, wrist, factor = reach(shoulder, target, upper_length, fore_length, bend)
    inside, _, _ = reach(shoulder, target, upper_length, fore_length, -bend)
    elbow: complex = lerp(inside, outside, (pose.elbow + 1) / 2)
    if pose.upper_weight > 0:
        hanging = shoulder - chest_up * turned(-side * pose.upper_arm) * upper_length * 0.97
        way = wrist - hanging
        stretch = abs(way) / fore_length
        if stretch > 0.90:
            hanging = wrist - way / abs(way) * fore_length * (0.90 + 0.12 * (1 - math.exp(-(stretch - 0.90) / 0.12)))
        elbow = lerp(elbow, hanging, pose.upper_weight)
        factor = lerp(factor, clamp(abs(wrist - elbow) / fore_length, 0.3, 1), pose.upper_weight)
    seen = clamp((abs(wrist - elbow) / fore_length - 0.10) / 0.50)
    squeeze = 0.50 + 0.50 * seen * seen * (3 - 2 * seen)
    return Arm(shoulder, elbow, wrist, 90 - side * pose.angle, factor, squeeze, side, pose)
