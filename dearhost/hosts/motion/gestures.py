"""Gestures as keys in time. Data only, but for the stretch of their preparation.

Times are seconds from the start; the stroke's end falls on the cue's word.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field

from dearhost.hosts.motion.channels import arm


@dataclass(frozen=True)
class Key:
    """A phase that ends at ``end``. ``ease``: in, inout, overshoot, hold. ``stroke`` marks the peak.

    ``values`` are channels by name: "yaw", "face.lid", "left.x"; what is not named goes home.
    """

    end: float
    ease: str
    values: Mapping[str, float] = field(default_factory=dict)
    stroke: bool = False


def _sides(left: Mapping[str, float] | None = None, right: Mapping[str, float] | None = None,
           **others: float) -> dict[str, float]:  # fmt: skip
    values = {name.replace("__", "."): value for name, value in others.items()}
    values |= {f"left.{k}": v for k, v in (left or {}).items()}
    values |= {f"right.{k}": v for k, v in (right or {}).items()}
    return values


_OFFER = arm(0.44, 0.33, 112, "open", upper_arm=17, roll=44, flip=-1)
_OFFER_LOW = arm(0.42, 0.36, 108, "open", upper_arm=17, roll=44, flip=-1)
_GATHER = arm(-0.04, 0.56, -60, upper_arm=14)
_SHRUGGED = arm(0.54, 0.34, 104, "open", upper_arm=20, roll=48, shrug=1.0, flip=-1)
_WAVE_UP = arm(0.50, -0.06, 174, "open", upper_arm=46)
_WAVE_OUT = arm(0.60, -0.02, 146, "open", upper_arm=48)
_POINTING = arm(0.90, 0.14, 98, "point", elbow=-1, flip=-1)
_DRAWN_IN = arm(0.02, 0.56, -40, "fist", upper_arm=16)
_FINGER_UP = arm(0.34, 0.06, 178, "point", upper_arm=26)
_THUMB_UP = arm(0.20, 0.20, -100, "thumb", upper_arm=20, flip=-1)
_THUMB_DOWN = arm(-0.08, 0.34, -84, "thumb", upper_arm=24)
_COUNTING = {n: arm(0.30, 0.07, 178, n, upper_arm=24) for n in ("fist", "one", "two", "three")}
_PRESENTED = arm(0.66, 0.36, 104, "open", upper_arm=30, roll=44, flip=-1)
_ON_HEART = arm(-0.16, 0.28, -104, "flat", upper_arm=24)
_JOINED = arm(-0.185, 0.36, -172, "flat", upper_arm=24)
_MEETING = arm(-0.02, 0.48, -90, "flat", upper_arm=20)
_APART = arm(-0.06, 0.36, -168, "flat", upper_arm=26)
_AT_CHIN = arm(-0.195, 0.15, -166, "chin", upper_arm=14)
_ACROSS = arm(-0.22, 0.50, -84, upper_arm=16)
_WIDE = arm(0.60, 0.22, 112, "open", upper_arm=52)
_NARROW = arm(0.06, 0.34, -104, "flat", upper_arm=26)
_PALM_OUT = arm(0.25, 0.10, 176, "open", upper_arm=30)
_CALLING = arm(0.30, 0.26, 140, "open", upper_arm=24, roll=44, flip=-1)
_CALLED = arm(0.24, 0.22, 166, "hold", upper_arm=24, roll=44, flip=-1)
_WAG_IN = arm(0.31, 0.06, 196, "point", upper_arm=26)
_WAG_OUT = arm(0.37, 0.07, 158, "point", upper_arm=28)
_OPENED = arm(0.46, 0.46, 84, "open", upper_arm=26, roll=44, flip=-1)
_TO_YOU = arm(0.22, 0.40, 70, "open", upper_arm=18, roll=40, flip=-1)
_LEAN_ARMS = (arm(-0.12, 0.66, -70, upper_arm=14), arm(-0.10, 0.50, -80, upper_arm=16))
_LISTEN_ARMS = (arm(-0.16, 0.62, -75, upper_arm=16), arm(-0.10, 0.65, -75, upper_arm=16))


def _fingers(number: str) -> tuple[Key, ...]:
    return (
        Key(0.35, "overshoot", _sides(right=_COUNTING["fist"])),
        Key(0.60, "overshoot", _sides(right=_COUNTING[number], pitch=-4.0), stroke=True),
        Key(1.40, "hold", _sides(right=_COUNTING[number])),
        Key(1.85, "inout"),
    )


def _point(side: str, sign: int) -> tuple[Key, ...]:
    def arms(shape: Mapping[str, float]) -> tuple[Mapping[str, float] | None, Mapping[str, float] | None]:
        return (shape, None) if side == "left" else (None, shape)

    out = _sides(*arms(_POINTING), yaw=22.0 * sign, bend=3.0 * sign, face__gaze_x=0.8 * sign)
    return (
        Key(0.20, "in", _sides(*arms(_DRAWN_IN), yaw=-4.0 * sign)),
        Key(0.46, "overshoot", out, stroke=True),
        Key(1.26, "hold", out),
        Key(1.75, "inout"),
    )


_BASE: Mapping[str, tuple[Key, ...]] = {
    "nod": (
        Key(0.12, "inout", _sides(pitch=5.0)),
        Key(0.32, "inout", _sides(pitch=-16.0, face__lid=0.85), stroke=True),
        Key(0.38, "hold", _sides(pitch=-16.0, face__lid=0.85)),
        Key(0.58, "inout", _sides(pitch=4.0)),
        Key(0.78, "inout", _sides(pitch=-9.0)),
        Key(1.10, "inout"),
    ),
    "shake": (
        Key(0.10, "inout", _sides(yaw=5.0)),
        Key(0.32, "inout", _sides(yaw=-26.0, roll=2.0), stroke=True),
        Key(0.60, "inout", _sides(yaw=24.0, roll=-2.0)),
        Key(0.86, "inout", _sides(yaw=-14.0)),
        Key(1.20, "inout"),
    ),
    "wave": (
        Key(0.18, "in", _sides(right=arm(0.18, 0.86, 24))),
        Key(0.50, "overshoot", _sides(right=_WAVE_UP, roll=4.0, face__brow_left=0.5, face__brow_right=0.5),
            stroke=True),
        Key(0.72, "inout", _sides(right=_WAVE_OUT, roll=5.0)),
        Key(0.94, "inout", _sides(right=arm(0.40, -0.08, 196, "open", upper_arm=44), roll=3.0)),
        Key(1.16, "inout", _sides(right=_WAVE_OUT, roll=5.0)),
        Key(1.36, "inout", _sides(right=_WAVE_UP, roll=4.0)),
        Key(1.90, "inout"),
    ),
    "point-left": _point("left", -1),
    "point-right": _point("right", 1),
    "point-up": (
        Key(0.18, "in", _sides(right=arm(0.10, 0.70, -10, "fist", upper_arm=12))),
        Key(0.44, "overshoot",
            _sides(right=_FINGER_UP, pitch=5.0, face__gaze_y=0.6, face__brow_left=0.6, face__brow_right=0.6),
            stroke=True),
        Key(1.14, "hold",
            _sides(right=_FINGER_UP, pitch=5.0, face__gaze_y=0.2, face__brow_left=0.6, face__brow_right=0.6)),
        Key(1.60, "inout"),
    ),
    "thumb-up": (
        Key(0.16, "in", _sides(right=arm(0.02, 0.48, -80, "fist", upper_arm=16, flip=-1))),
        Key(0.42, "overshoot", _sides(right=_THUMB_UP, pitch=-4.0, roll=3.0, face__brow_left=0.4, face__brow_right=0.4,
                                      face__squint=0.35, mouth__smile=0.9, mouth__wide=0.2), stroke=True),
        Key(1.12, "hold",
            _sides(right=_THUMB_UP, pitch=-3.0, roll=3.0, face__squint=0.35, mouth__smile=0.9, mouth__wide=0.2)),
        Key(1.55, "inout"),
    ),
    "thumb-down": (
        Key(0.16, "in", _sides(right=arm(-0.02, 0.22, -110, "fist", upper_arm=22))),
        Key(0.42, "overshoot",
            _sides(right=_THUMB_DOWN, pitch=-4.0, roll=-4.0, face__brow_angle=-0.5, mouth__smile=-0.4), stroke=True),
        Key(1.12, "hold", _sides(right=_THUMB_DOWN, pitch=-4.0, roll=-4.0, face__brow_angle=-0.5, mouth__smile=-0.4)),
        Key(1.55, "inout"),
    ),
    "explain": (
        Key(0.18, "in", _sides(_GATHER, _GATHER)),
        Key(0.50, "overshoot", _sides(_OFFER, _OFFER, face__brow_left=0.5, face__brow_right=0.5), stroke=True),
        Key(1.30, "hold", _sides(_OFFER_LOW, _OFFER_LOW)),
        Key(1.80, "inout"),
    ),
    "count": (
        Key(0.35, "overshoot", _sides(right=_COUNTING["fist"])),
        Key(0.60, "overshoot", _sides(right=_COUNTING["one"], pitch=-4.0), stroke=True),
        Key(1.10, "hold", _sides(right=_COUNTING["one"])),
        Key(1.30, "overshoot", _sides(right=_COUNTING["two"], pitch=-4.0)),
        Key(1.80, "hold", _sides(right=_COUNTING["two"])),
        Key(2.00, "overshoot", _sides(right=_COUNTING["three"], pitch=-4.0)),
        Key(2.50, "hold", _sides(right=_COUNTING["three"])),
        Key(2.95, "inout"),
    ),
    "one-finger": _fingers("one"),
    "two-fingers": _fingers("two"),
    "three-fingers": _fingers("three"),
    "shrug": (
        Key(0.16, "in", _sides(arm(0.08, 0.90, 4, shrug=-0.25), arm(0.08, 0.90, 4, shrug=-0.25))),
        Key(0.44, "overshoot", _sides(_SHRUGGED, _SHRUGGED, roll=8.0, face__brow_left=0.9, face__brow_right=0.9,
                                      face__brow_angle=-0.4, mouth__smile=-0.25, mouth__press=0.5), stroke=True),
        Key(0.94, "hold", _sides(_SHRUGGED, _SHRUGGED, roll=8.0, face__brow_left=0.9, face__brow_right=0.9,
                                 mouth__smile=-0.25, mouth__press=0.5)),
        Key(1.40, "inout"),
    ),
    "lean-in": (
        Key(0.15, "in", _sides(lean=-0.2)),
        Key(0.55, "inout", _sides(*_LEAN_ARMS, lean=1.0, pitch=3.0, roll=-4.0, face__brow_left=0.4,
                                   face__brow_right=0.4), stroke=True),
        Key(1.55, "hold", _sides(*_LEAN_ARMS, lean=1.0, pitch=3.0, roll=-4.0)),
        Key(2.05, "inout"),
    ),
    "present": (
        Key(0.20, "in", _sides(right=arm(-0.02, 0.52, -50, upper_arm=14), yaw=-3.0)),
        Key(0.52, "overshoot", _sides(right=_PRESENTED, yaw=12.0, bend=2.0, face__gaze_x=0.5, face__brow_left=0.3,
                                      face__brow_right=0.3), stroke=True),
        Key(1.50, "hold", _sides(right=_PRESENTED, yaw=6.0, bend=2.0)),
        Key(2.05, "inout"),
    ),
    "heart": (
        Key(0.18, "in", _sides(right=arm(0.06, 0.50, -40, upper_arm=18))),
        Key(0.48, "inout", _sides(right=_ON_HEART, pitch=-4.0, roll=-3.0, mouth__smile=0.7), stroke=True),
        Key(1.45, "hold", _sides(right=_ON_HEART, pitch=-3.0, roll=-3.0, mouth__smile=0.7)),
        Key(2.00, "inout"),
    ),
    "together": (
        Key(0.18, "in", _sides(_MEETING, _MEETING)),
        Key(0.48, "inout", _sides(_JOINED, _JOINED, pitch=-3.0), stroke=True),
        Key(1.40, "hold", _sides(_JOINED, _JOINED, pitch=-2.0)),
        Key(1.95, "inout"),
    ),
    "think": (
        Key(0.22, "in", _sides(_ACROSS, arm(-0.10, 0.40, -100, "chin", upper_arm=16))),
        Key(0.62, "inout", _sides(_ACROSS, _AT_CHIN, roll=4.0, face__gaze_x=0.5, face__gaze_y=0.45,
                                  face__brow_right=0.5, mouth__press=0.3), stroke=True),
        Key(1.70, "hold", _sides(_ACROSS, _AT_CHIN, roll=3.0, face__gaze_x=0.3, face__gaze_y=0.3,
                                 face__brow_right=0.4)),
        Key(2.30, "inout"),
    ),
    "clap": (
        Key(0.22, "in", _sides(_APART, _APART)),
        Key(0.44, "inout", _sides(_JOINED, _JOINED, mouth__smile=0.9), stroke=True),
        Key(0.66, "inout", _sides(_APART, _APART, mouth__smile=0.9)),
        Key(0.88, "inout", _sides(_JOINED, _JOINED, mouth__smile=0.9)),
        Key(1.10, "inout", _sides(_APART, _APART, mouth__smile=0.9)),
        Key(1.32, "inout", _sides(_JOINED, _JOINED, mouth__smile=0.9)),
        Key(1.90, "inout"),
    ),
    "big": (
        Key(0.20, "in", _sides(_NARROW, _NARROW, pitch=-2.0)),
        Key(0.58, "overshoot", _sides(_WIDE, _WIDE, pitch=3.0, face__brow_left=0.7, face__brow_right=0.7,
                                      face__lid=1.12), stroke=True),
        Key(1.40, "hold", _sides(_WIDE, _WIDE, pitch=2.0, face__brow_left=0.5, face__brow_right=0.5)),
        Key(2.00, "inout"),
    ),
    "small": (
        Key(0.20, "in", _sides(arm(0.06, 0.44, -60, "flat", upper_arm=20), arm(0.06, 0.44, -60, "flat", upper_arm=20))),
        Key(0.50, "inout", _sides(_NARROW, _NARROW, lean=0.25, pitch=-4.0, face__squint=0.3), stroke=True),
        Key(1.35, "hold", _sides(_NARROW, _NARROW, lean=0.25, pitch=-3.0, face__squint=0.3)),
        Key(1.90, "inout"),
    ),
    "stop": (
        Key(0.18, "in", _sides(right=arm(0.12, 0.46, -20, "open", upper_arm=18))),
        Key(0.46, "overshoot", _sides(right=_PALM_OUT, pitch=-4.0, lean=0.15, face__brow_angle=0.3), stroke=True),
        Key(1.25, "hold", _sides(right=_PALM_OUT, pitch=-3.0, lean=0.15, face__brow_angle=0.3)),
        Key(1.80, "inout"),
    ),
    "look": (
        Key(0.12, "inout", _sides(face__gaze_x=0.9)),
        Key(0.42, "inout", _sides(yaw=26.0, bend=1.5, face__gaze_x=0.9), stroke=True),
        Key(1.40, "hold", _sides(yaw=26.0, bend=1.5, face__gaze_x=0.8)),
        Key(1.85, "inout"),
    ),
    "laugh": (
        Key(0.16, "inout", _sides(pitch=-4.0, mouth__smile=0.9, face__squint=0.4)),
        Key(0.42, "inout", _sides(pitch=9.0, roll=-3.0, lean=-0.12, mouth__smile=1.0, mouth__wide=0.4, mouth__open=0.5,
                                  face__squint=0.75, face__cheek=0.7), stroke=True),
        Key(0.60, "inout", _sides(pitch=5.0, mouth__smile=1.0, mouth__wide=0.4, mouth__open=0.35, face__squint=0.75)),
        Key(0.78, "inout", _sides(pitch=9.0, mouth__smile=1.0, mouth__wide=0.4, mouth__open=0.5, face__squint=0.75)),
        Key(0.96, "inout", _sides(pitch=5.0, mouth__smile=1.0, mouth__wide=0.4, mouth__open=0.3, face__squint=0.7)),
        Key(1.14, "inout", _sides(pitch=8.0, mouth__smile=1.0, mouth__wide=0.3, mouth__open=0.4, face__squint=0.6)),
        Key(1.70, "inout"),
    ),
    "sigh": (
        Key(0.50, "inout", _sides(arm(0.04, 0.70, -30, shrug=0.6), arm(0.04, 0.70, -30, shrug=0.6), pitch=5.0,
                                  face__brow_left=0.3, face__brow_right=0.3)),
        Key(1.10, "inout", _sides(arm(0.08, 0.92, 2, shrug=-0.35), arm(0.08, 0.92, 2, shrug=-0.35), pitch=-9.0,
                                  face__lid=0.7, face__brow_angle=-0.5, mouth__press=0.3), stroke=True),
        Key(1.50, "hold", _sides(arm(0.08, 0.92, 2, shrug=-0.35), arm(0.08, 0.92, 2, shrug=-0.35), pitch=-8.0,
                                 face__lid=0.75)),
        Key(2.10, "inout"),
    ),
    "beckon": (
        Key(0.20, "in", _sides(right=arm(0.08, 0.52, -10, upper_arm=16))),
        Key(0.50, "inout", _sides(right=_CALLING, lean=0.3, face__brow_left=0.4, face__brow_right=0.4), stroke=True),
        Key(0.76, "inout", _sides(right=_CALLED, lean=0.3)),
        Key(1.02, "inout", _sides(right=_CALLING, lean=0.3)),
        Key(1.28, "inout", _sides(right=_CALLED, lean=0.3)),
        Key(1.85, "inout"),
    ),
    "wag": (
        Key(0.20, "in", _sides(right=arm(0.12, 0.60, -10, "fist", upper_arm=14))),
        Key(0.50, "inout", _sides(right=_WAG_OUT, face__brow_left=0.3, face__brow_right=0.3), stroke=True),
        Key(0.74, "inout", _sides(right=_WAG_IN)),
        Key(0.98, "inout", _sides(right=_WAG_OUT)),
        Key(1.22, "inout", _sides(right=_WAG_IN)),
        Key(1.75, "inout"),
    ),
    "welcome": (
        Key(0.20, "in", _sides(_GATHER, _GATHER)),
        Key(0.56, "overshoot", _sides(_OPENED, _OPENED, lean=0.2, pitch=-2.0, mouth__smile=0.95, mouth__wide=0.2,
                                      face__brow_left=0.5, face__brow_right=0.5), stroke=True),
        Key(1.40, "hold", _sides(_OPENED, _OPENED, lean=0.2, mouth__smile=0.9)),
        Key(1.95, "inout"),
    ),
    "you": (
        Key(0.18, "in", _sides(right=_GATHER)),
        Key(0.48, "overshoot", _sides(right=_TO_YOU, lean=0.2, face__brow_left=0.25, face__brow_right=0.25),
            stroke=True),
        Key(1.20, "hold", _sides(right=_TO_YOU, lean=0.2)),
        Key(1.70, "inout"),
    ),
    "ask": (
        Key(0.14, "inout", _sides(pitch=-2.0)),
        Key(0.40, "inout", _sides(pitch=3.0, roll=4.0, face__brow_left=0.7, face__brow_right=0.7, face__lid=1.06),
            stroke=True),
        Key(1.00, "hold", _sides(pitch=2.0, roll=4.0, face__brow_left=0.6, face__brow_right=0.6, face__lid=1.04)),
        Key(1.45, "inout"),
    ),
    "listen": (
        Key(1.20, "inout", _sides(*_LISTEN_ARMS, roll=5.0, yaw=8.0, pitch=-2.0, face__brow_left=0.25), stroke=True),
        Key(2.60, "inout", _sides(*_LISTEN_ARMS, roll=3.0, yaw=6.0, pitch=-7.0)),
        Key(3.20, "inout"),
    ),
}  # fmt: skip

_PREPARATION = {"shake": 1.15, "wave": 1.38, "point-left": 1.55, "point-right": 1.55, "point-up": 1.6, "thumb-up": 1.35,
                "thumb-down": 1.3, "explain": 1.42, "count": 1.3, "one-finger": 1.3,
                "two-fingers": 1.3, "three-fingers": 1.3, "shrug": 1.4, "lean-in": 1.6, "present": 1.35,
                "heart": 1.3, "together": 1.3, "think": 1.4, "clap": 1.3, "big": 1.35, "small": 1.25, "stop": 1.5,
                "look": 1.1, "beckon": 1.35, "wag": 1.4, "welcome": 1.35, "you": 1.3}  # fmt: skip
"""Anticipation and stroke take this many times longer, so that arms keep below 690 units a second."""


def stroke_time(keys: tuple[Key, ...]) -> float:
    """Seconds from a gesture's start to the end of its stroke."""
    return next(k.end for k in keys if k.stroke)


def stretched(keys: tuple[Key, ...], factor: float) -> tuple[Key, ...]:
    """The keys with anticipation and stroke ``factor`` times as long, and a little more for the way home."""
    peak = stroke_time(keys)
    later = peak * (factor - 1)
    return tuple(
        Key(
            key.end * factor if key.end <= peak else key.end + later + (0.15 if key is keys[-1] else 0.0),
            key.ease,
            key.values,
            key.stroke,
        )
        for key in keys
    )


GESTURES: Mapping[str, tuple[Key, ...]] = {
    name: stretched(keys, _PREPARATION.get(name, 1.0)) for name, keys in _BASE.items()
}


HOME: Mapping[str, tuple[dict[str, float], dict[str, float]]] = {
    "front": (arm(-0.10, 0.655, -66, upper_arm=15), arm(-0.085, 0.625, -70, upper_arm=16)),
    "desk": (arm(-0.13, 0.535, -80, "flat", upper_arm=22), arm(-0.10, 0.525, -82, "flat", upper_arm=22)),
    "sides": (arm(0.10, 0.962, 6), arm(0.10, 0.962, 6)),
}
"""Where the hands rest: (left, right)."""


@dataclass(frozen=True)
class Beat:
    """A small gesture with no meaning of its own, on a stressed vowel: lift, then stroke."""

    lift: Mapping[str, float]
    stroke: Mapping[str, float]
    weight: float


BEATS: Mapping[str, Beat] = {
    "offer": Beat(
        arm(0.04, 0.47, -30, upper_arm=18), arm(0.25, 0.455, 84, "open", upper_arm=17, roll=40, flip=-1), 1.2
    ),
    "drop": Beat(arm(0.10, 0.40, -78, upper_arm=20), arm(0.10, 0.56, -48, upper_arm=17), 1.0),
    "chop": Beat(arm(0.03, 0.36, -112, "flat", upper_arm=20), arm(0.05, 0.53, -84, "flat", upper_arm=18), 0.55),
    "roll": Beat(arm(0.00, 0.43, -92, upper_arm=19), arm(0.17, 0.50, 20, "open", upper_arm=18, roll=30), 0.8),
    "pinch": Beat(arm(0.06, 0.31, -138, "three", upper_arm=20), arm(0.08, 0.44, -118, "hold", upper_arm=19), 0.45),
}


def moves_hands(gesture: str) -> bool:
    """Whether a gesture needs a hand."""
    return any(name.startswith(("left.", "right.")) for key in GESTURES[gesture] for name in key.values)
