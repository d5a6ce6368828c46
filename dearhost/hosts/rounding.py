"""Poses on a grid: what is drawn changes in steps too small to see, so that drawings can be kept.

Because only rounded values are drawn, a picture does not depend on what was drawn before it.
"""

from __future__ import annotations

from dearhost.drawing.outlines import clamp
from dearhost.hosts.pose import ArmPose, Body, Face, Foot, HandShape, Legs, Mouth, Pose

_FULL = 2.9
"""Pixels a unit at which the steps below are meant: a half-body host at 1080 lines."""


def rounded(value: float, step: float) -> float:
    """``value`` on a grid of ``step``."""
    return round(value / step) * step


def _coarseness(scale: float) -> float:
    """A factor on all steps that keeps them about a pixel at ``scale`` pixels a unit."""
    return clamp(_FULL / max(scale, 0.1), 0.75, 3.0)


def in_pixels(way: complex, scale: float) -> complex:
    """A way in whole pixels, at ``scale`` pixels a unit: what goes it keeps its place between pixels."""
    return complex(round(way.real * scale) / scale, round(way.imag * scale) / scale)


def outline_turn(body: Body, scale: float, coarser: float = 1.0) -> tuple[float, float]:
    """Yaw and pitch at which the outlines of a head are drawn: they slide less than half as far as what is on it.

    ``coarser`` than that for what slides even less.
    """
    coarse = _coarseness(scale) * coarser
    return rounded(body.yaw, 1.8 * coarse), rounded(body.pitch, 2.7 * coarse)


def still_pose(pose: Pose, scale: float) -> Pose:
    """The pose as it is drawn at ``scale`` pixels a unit: steps stay about a pixel at any size."""
    coarse = _coarseness(scale)
    return Pose(
        _still_body(pose.body, coarse), _still_arm(pose.left, coarse), _still_arm(pose.right, coarse),
        _still_face(pose.face, coarse), _still_mouth(pose.mouth, coarse), _still_legs(pose.legs, coarse), pose.root,
        rounded(pose.seat, 1.0),
    )  # fmt: skip


def _still_body(body: Body, coarse: float) -> Body:
    return Body(
        turn=rounded(body.turn, 0.02),
        bend=rounded(body.bend, 0.10 * coarse),
        tilt=rounded(body.tilt, 0.20 * coarse),
        hip_x=rounded(body.hip_x, 0.002 * coarse),
        hip_y=rounded(body.hip_y, 0.002 * coarse),
        breath=rounded(body.breath, 0.30 * coarse),
        lean=rounded(body.lean, 0.05 * coarse),
        yaw=rounded(body.yaw, 0.9 * coarse),
        pitch=rounded(body.pitch, 0.9 * coarse),
        roll=rounded(body.roll, 0.15 * coarse),
        sway=rounded(body.sway, 0.2),
        jaw=rounded(body.jaw, 0.12 * coarse),
        head_x=rounded(body.head_x, 0.002 * coarse),
        away=body.away,
    )


def _still_legs(legs: Legs, coarse: float) -> Legs:
    def still(foot: Foot) -> Foot:
        return Foot(rounded(foot.x, 0.3 * coarse), rounded(foot.y, 0.3 * coarse), rounded(foot.angle, 1.0 * coarse))

    return Legs(rounded(legs.heading, 0.02), still(legs.left), still(legs.right))


def _still_arm(pose: ArmPose, coarse: float) -> ArmPose:
    shape = pose.hand
    return ArmPose(
        x=rounded(pose.x, 0.004 * coarse),
        y=rounded(pose.y, 0.004 * coarse),
        angle=rounded(pose.angle, 0.8 * coarse),
        upper_arm=rounded(pose.upper_arm, 0.5 * coarse) if pose.upper_weight else 0.0,
        upper_weight=rounded(pose.upper_weight, 0.05),
        elbow=rounded(pose.elbow, 0.02 * coarse),
        shrug=rounded(pose.shrug, 0.02 * coarse),
        flip=pose.flip,
        held=pose.held,
        hand=HandShape(
            curl=_four(shape.curl, 0.05 * coarse),
            spread=_four(shape.spread, 2.0 * coarse),
            thumb=(rounded(shape.thumb[0], 2.0 * coarse), rounded(shape.thumb[1], 0.04 * coarse)),
            roll=rounded(shape.roll, 2.5 * coarse),
        ),
    )


def _four(values: tuple[float, float, float, float], step: float) -> tuple[float, float, float, float]:
    a, b, c, d = (rounded(v, step) for v in values)
    return a, b, c, d


def _still_face(face: Face, coarse: float) -> Face:
    return Face(
        rounded(face.gaze_x, 0.08 * coarse),
        rounded(face.gaze_y, 0.08 * coarse),
        rounded(face.lid, 0.05 * coarse),
        rounded(face.squint, 0.08 * coarse),
        rounded(face.brow_left, 0.04 * coarse),
        rounded(face.brow_right, 0.04 * coarse),
        rounded(face.brow_angle, 0.05 * coarse),
        rounded(face.brow_in, 0.1 * coarse),
        rounded(face.blink, 0.05),
        rounded(face.cheek, 0.1),
    )


def _still_mouth(mouth: Mouth, coarse: float) -> Mouth:
    return Mouth(
        rounded(mouth.open, 0.01 * coarse),
        rounded(mouth.wide, 0.03 * coarse),
        rounded(mouth.round, 0.02 * coarse),
        rounded(mouth.press, 0.04),
        rounded(mouth.teeth_up, 0.04),
        rounded(mouth.teeth_low, 0.04),
        rounded(mouth.tongue, 0.04),
        rounded(mouth.tip, 0.04),
        rounded(mouth.tuck, 0.04),
        rounded(mouth.smile, 0.02 * coarse),
        rounded(mouth.asymmetry, 0.05),
    )
