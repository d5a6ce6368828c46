"""What the animal characters share: an upright body, a head on it, two jointed limbs for arms."""

from __future__ import annotations

import math
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from dearhost.drawing.outlines import clamp, lerp, turned
from dearhost.drawing.paper import Paper
from dearhost.hosts.host import Part
from dearhost.hosts.people.head_space import HeadSpace
from dearhost.hosts.people.skeleton import reach
from dearhost.hosts.pose import ArmPose, Body, Pose
from dearhost.hosts.props import PROPS, draw_on_screen, draw_prop, prop_reach

PROP_SIZE = 0.9
"""How large an animal's props are beside a person's."""


@dataclass(frozen=True, slots=True)
class Limb:
    """A wing or flipper as an arm: joints, the hand's angle on the canvas, ``side`` -1 left, 1 right."""

    shoulder: complex
    elbow: complex
    wrist: complex
    angle: float
    side: int
    pose: ArmPose


@dataclass(frozen=True, slots=True)
class Build:
    """Lengths in units: ``seat`` from the ground to the hips, ``neck`` from there to the middle of the head, the
    shoulders up and out from the hips, two bones. ``outward`` and ``hang`` fit a person's reach to the limb; ``sink``
    is what a step down counts for."""

    seat: float
    neck: float
    head: float
    shoulder_up: float
    shoulder_out: float
    upper: float
    fore: float
    outward: float
    hang: float
    sink: float = 100.0

    @property
    def arm_base(self) -> tuple[complex, float]:
        """The right shoulder from the middle of the head, and a limb's length, in units."""
        return complex(self.shoulder_out, self.neck - self.shoulder_up), self.upper + self.fore


class Frame:
    """An animal's joints for a pose."""

    def __init__(self, pose: Pose, build: Build) -> None:
        body = pose.body
        self._build = build
        self.up = -1j * turned(body.bend)
        self.across = self.up * 1j
        self.hip = complex(body.hip_x * 100, -build.seat - body.hip_y * build.sink)
        self.swell = 1 + 0.03 * body.breath
        self.head = self.hip + self.up * build.neck + complex(body.head_x * 100 + 0.10 * body.yaw, -0.35 * body.pitch)
        self.head_space = HeadSpace(self.head, build.head, body.yaw, body.pitch, body.roll + body.bend, body.jaw)
        self.limbs = [self._limb(pose.left, -1), self._limb(pose.right, 1)]

    def palm(self, side: int) -> complex:
        """Where the limb at the left (-1) or right (1) has the grip of a prop."""
        limb = self.limbs[0 if side < 0 else 1]
        return palm_of(limb, limb.pose.held.prop if limb.pose.held else "")

    def at(self, across: float, up: float) -> complex:
        """A place on the body, units from the hips."""
        return self.hip + self.up * up + self.across * across * self.swell

    def _limb(self, pose: ArmPose, side: int) -> Limb:
        build = self._build
        shoulder = (
            self.hip
            + self.up * (build.shoulder_up + 8 * pose.shrug)
            + self.across * side * build.shoulder_out * self.swell
        )
        upper, fore = build.upper, build.fore
        way = self.across * side * (pose.x + build.outward) - self.up * pose.y * build.hang
        target = shoulder + way * (upper + fore)
        bend = -1 if side > 0 else 1
        outside, wrist, _ = reach(shoulder, target, upper, fore, bend, fold=0.42, shortest=0.7)
        inside, _, _ = reach(shoulder, target, upper, fore, -bend, fold=0.42, shortest=0.7)
        elbow: complex = lerp(inside, outside, (pose.elbow + 1) / 2)
        if pose.upper_weight > 0:
            hanging = shoulder - self.up * turned(-side * max(pose.upper_arm + 12, -30)) * upper
            near = clamp((1.35 - abs(wrist - hanging) / fore) / 0.35)
            elbow = lerp(elbow, hanging, pose.upper_weight * near * near * (3 - 2 * near))
        return Limb(shoulder, elbow, wrist, 90 - side * pose.angle, side, pose)


def soft_limit(degrees: float, limit: float) -> float:
    """``degrees`` (-180 to 180) held near ``limit`` without a jump anywhere."""
    size, knee = abs(degrees), 0.7 * limit
    held = size if size < knee else knee + 0.3 * limit * (1 - math.exp(-(size - knee) / (0.3 * limit)))
    fade = clamp((180 - size) / 60)
    return math.copysign(held * fade * fade * (3 - 2 * fade), degrees)


def palm_of(limb: Limb, prop: str) -> complex:
    """Where a limb has the grip of ``prop``."""
    return limb.wrist + turned(limb.angle) * 14 + 1j * (PROPS[prop].slide - 12 if prop else -12)


LimbDrawing = Callable[[Paper, Limb], None]


def limb_part(name: str, limb: Limb, trunk: Body, draw: LimbDrawing, fingers: LimbDrawing | None = None) -> Part:
    """The layer of a limb with what it holds; ``fingers`` draws what lies over that."""
    held = limb.pose.held if limb.pose.held and not limb.pose.held.second else None
    joints = [limb.shoulder, limb.elbow, limb.wrist]
    if held:
        reach = prop_reach(held.prop) * PROP_SIZE
        joints += [limb.wrist - complex(reach, reach), limb.wrist + complex(reach, reach)]
    xs, ys = [p.real for p in joints], [p.imag for p in joints]
    box = (min(xs) - 75, min(ys) - 75, max(xs) + 75, max(ys) + 75)

    def drawing(paper: Paper) -> None:
        draw(paper, limb)
        if held:
            palm = palm_of(limb, held.prop)
            paper.canvas.save()
            paper.canvas.rotate(limb.side * (PROPS[held.prop].turn + held.lying), palm.real, palm.imag)
            with paper.placed(palm.real, palm.imag, held.size * PROP_SIZE):
                draw_prop(paper, held.prop, limb.side, held.content, held.contents)
                draw_on_screen(paper, held.prop, limb.side, held.content, held.contents, held.frame)
            paper.canvas.restore()
            if fingers:
                fingers(paper, limb)

    return Part(f"{name}{limb.side}", (trunk, limb.pose), box, drawing)


def in_order(limbs: Sequence[Limb], height: float) -> tuple[list[Limb], list[Limb]]:
    """Limbs behind the head, and those before it: raised above ``height`` or holding something; the one that holds
    a prop before the one that helps."""
    first = sorted(limbs, key=lambda limb: bool(limb.pose.held and limb.pose.held.second))
    before = [limb for limb in first if limb.pose.held or limb.wrist.imag <= height]
    return [limb for limb in limbs if limb not in before], before
