"""A moment of a host's body and face, as a value. Every host kind understands the same pose."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any


@dataclass(frozen=True, slots=True)
class HandShape:
    """``curl`` of the four fingers 0 straight to 1 folded; ``spread`` in degrees; thumb spread and curl;
    ``roll`` of the hand about the forearm in degrees."""

    curl: tuple[float, float, float, float]
    spread: tuple[float, float, float, float]
    thumb: tuple[float, float]
    roll: float


HAND_SHAPES = {
    "relaxed": HandShape((0.30, 0.36, 0.42, 0.48), (4, 1, -2, -5), (28, 0.30), 38),
    "open": HandShape((0.04, 0.0, 0.03, 0.08), (17, 5, -7, -20), (54, 0.05), 8),
    "flat": HandShape((0.06, 0.05, 0.06, 0.09), (3, 1, -1, -3), (34, 0.10), 62),
    "fist": HandShape((0.98, 1.0, 1.0, 1.0), (2, 1, -1, -2), (8, 0.95), 12),
    "point": HandShape((0.0, 0.96, 1.0, 1.0), (2, 1, -1, -2), (12, 0.85), 12),
    "thumb": HandShape((0.98, 1.0, 1.0, 1.0), (1, 0, 0, -1), (84, 0.0), 14),
    "hold": HandShape((0.60, 0.64, 0.68, 0.72), (3, 1, -1, -3), (38, 0.30), 26),
    "chin": HandShape((0.55, 0.80, 0.88, 0.92), (4, 1, -1, -2), (50, 0.10), 20),
    "one": HandShape((0.0, 0.98, 1.0, 1.0), (2, 1, -1, -2), (10, 0.92), 6),
    "two": HandShape((0.0, 0.0, 1.0, 1.0), (11, -7, -1, -2), (10, 0.95), 6),
    "three": HandShape((0.0, 0.0, 0.02, 1.0), (14, 0, -13, -2), (8, 1.0), 6),
}


@dataclass(frozen=True, slots=True)
class Held:
    """A prop in a hand, ``size`` 0 to 1 while it comes out of a pocket; ``content`` stands on it: the id of a
    picture, words, or the id of a clip of which ``frame`` is seen, drawn by ``contents``.

    ``second``: the other hand holds it, this one helps. ``lying`` degrees that it is laid over outward.
    """

    prop: str
    content: str = ""
    size: float = 1.0
    second: bool = False
    lying: float = 0.0
    frame: int = 0
    since: float = field(default=0.0, compare=False)
    """Seconds it is held."""
    contents: Any = field(default=None, compare=False)
    """``props.Contents``."""


@dataclass(frozen=True, slots=True)
class ArmPose:
    """Where a hand is: ``x`` outward and ``y`` down from its own shoulder, in arm lengths.

    ``angle`` of the hand: 0 down, 90 outward, 180 up, -90 inward. ``elbow`` -1 to 1: which side it bends.
    ``shrug`` lifts the shoulder. ``upper_arm`` degrees outward, used with ``upper_weight`` 0 to 1.
    ``flip`` -1 turns the palm over.
    """

    x: float = 0.10
    y: float = 0.965
    angle: float = 6.0
    hand: HandShape = HAND_SHAPES["relaxed"]
    elbow: float = 1.0
    shrug: float = 0.0
    upper_arm: float = 10.0
    upper_weight: float = 0.0
    flip: float = 1.0
    held: Held | None = None


@dataclass(frozen=True, slots=True)
class Face:
    """Gaze -1 to 1 (x right, y up); lid 0 to 1.35; squint, cheek and blink 0 to 1.

    Brows: raise -.5 to 1.25 a side; ``brow_angle`` -1.2 worried to 1 angry; ``brow_in`` knits them.
    """

    gaze_x: float = 0.0
    gaze_y: float = 0.0
    lid: float = 1.0
    squint: float = 0.0
    brow_left: float = 0.0
    brow_right: float = 0.0
    brow_angle: float = 0.0
    brow_in: float = 0.0
    blink: float = 0.0
    cheek: float = 0.0


REST_SMILE = 0.34


@dataclass(frozen=True, slots=True)
class Mouth:
    """The mouth space shared by all hosts; smile and asymmetry belong to the expression."""

    open: float = 0.0
    wide: float = 0.0
    round: float = 0.0
    press: float = 0.0
    teeth_up: float = 0.0
    teeth_low: float = 0.0
    tongue: float = 0.0
    tip: float = 0.0
    tuck: float = 0.0
    smile: float = REST_SMILE
    asymmetry: float = 0.0


@dataclass(frozen=True, slots=True)
class Body:
    """Root and spine. Degrees: ``bend`` sideways, ``yaw``, ``pitch``, ``roll`` of the head.

    ``turn`` of the trunk -.8 to .8; ``lean`` -.2 back to 1 towards the viewer; ``hip_x`` and ``hip_y``
    in head heights; ``breath`` 0 to 1.3; ``jaw`` 0 to 1 drops the chin with the mouth;
    ``sway`` -1 to 1: hair, skirts, hems and ribbons that follow late; ``away``: seen from behind.
    """

    bend: float = 0.0
    lean: float = 0.0
    turn: float = 0.0
    hip_x: float = 0.0
    hip_y: float = 0.0
    tilt: float = 0.0
    yaw: float = 0.0
    pitch: float = 0.0
    roll: float = 0.0
    head_x: float = 0.0
    breath: float = 0.0
    jaw: float = 0.0
    sway: float = 0.0
    away: bool = False


@dataclass(frozen=True, slots=True)
class Foot:
    """An ankle: ``x`` right of and ``y`` above where it stands, in units; ``angle`` in degrees, clockwise."""

    x: float = 0.0
    y: float = 0.0
    angle: float = 0.0


@dataclass(frozen=True, slots=True)
class Legs:
    """``heading`` -1 (legs seen from the side, to the left) to 1 (to the right); 0 = from the front."""

    heading: float = 0.0
    left: Foot = field(default_factory=Foot)
    right: Foot = field(default_factory=Foot)


@dataclass(frozen=True, slots=True)
class Pose:
    """Everything a host needs to be drawn at one moment. Left and right are the viewer's."""

    body: Body = field(default_factory=Body)
    left: ArmPose = field(default_factory=ArmPose)
    right: ArmPose = field(default_factory=ArmPose)
    face: Face = field(default_factory=Face)
    mouth: Mouth = field(default_factory=Mouth)
    legs: Legs = field(default_factory=Legs)
    root: float = 0.0
    """Units that the host has gone from its place."""
    seat: float = 0.0
    """Units of the height of what is there to sit on; 0 = nothing."""
