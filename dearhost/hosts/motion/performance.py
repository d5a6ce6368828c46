"""A host over a scene: speech, expression and cues in, a pose for any moment out."""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass, field, replace

import numpy as np
from numpy.typing import NDArray

from dearhost.drawing.outlines import clamp
from dearhost.hosts.abilities import PERSON, Abilities
from dearhost.hosts.motion.channels import ARM_CHANNELS, arm, arm_pose
from dearhost.hosts.motion.expressions import ExpressionCue, ExpressionTrack
from dearhost.hosts.motion.gesturing import GestureCue, Gesturing
from dearhost.hosts.motion.holding import Handling, OnDesk, on_desk
from dearhost.hosts.motion.idle_motion import Alive, Listened, Sight
from dearhost.hosts.motion.liveliness import LIVELINESS, Behaviour
from dearhost.hosts.motion.moving import STILL, MoveCue, Moving
from dearhost.hosts.motion.rhythm import HZ, PlacedReading, rhythm_of
from dearhost.hosts.pose import REST_SMILE, ArmPose, Body, Face, Held, Mouth, Pose
from dearhost.hosts.props import PROPS, Contents
from dearhost.lips import HZ as MOUTH_HZ
from dearhost.timebase import FrameRate

VERSION = "performance-21"
_FACING = 0.48
"""Turn of the trunk of who faces a side."""
_HEAD_WITH_BODY = 9.0
"""Degrees that the head goes along; the eyes stay where they look."""


@dataclass(frozen=True)
class Role:
    """What a host does in a scene. ``partner_side`` 1 right, -1 left, 0 alone; ``reach`` of the arms
    (left, right) 0 to 1 as the layout leaves room."""

    lines: tuple[PlacedReading, ...]
    duration: float
    abilities: Abilities = PERSON
    expression: str = "neutral"
    liveliness: str = "normal"
    cues: tuple[GestureCue, ...] = ()
    expressions: tuple[ExpressionCue, ...] = ()
    partner: tuple[Listened, ...] = ()
    partner_side: int = 0
    reach: tuple[float, float] = (1.0, 1.0)
    down_to: float = math.inf
    """Arm lengths below the shoulder, down to which the picture is free for what is held."""
    facing: int = 0
    """Which way the body is turned by itself: -1 left, 0 to the viewer, 1 right."""
    behind: bool = False
    """Whether forearms rest on a desk or counter in front."""
    handling: tuple[Handling, ...] = ()
    meet: tuple[float, float] = (0.4, 0.45)
    """Where a hand meets the partner's: outward and down from the shoulder, in arm lengths."""
    behaviour: Behaviour = field(default_factory=Behaviour)
    sight: Sight = field(default_factory=Sight)
    moves: tuple[MoveCue, ...] = ()
    leg: float = 270.0
    """Units of a leg's length."""
    foot: float = 1.0
    """The size of a foot beside an adult's."""
    drop: float = 1.34
    """Head heights that sitting down lowers the hips by."""
    seed: int = 1

    def silent(self) -> Role:
        """Without the sound of its lines: their times and prosody are enough to move to."""
        return replace(self, lines=tuple(PlacedReading(line.start, line.reading.silent()) for line in self.lines))


class Performance:
    """Deterministic: the same role gives the same poses."""

    def __init__(self, role: Role, frame_rate: FrameRate, contents: Contents | None = None) -> None:
        """``contents`` draws what stands on props."""
        self.role, self.contents = role, contents
        self._settings = role.behaviour.of(LIVELINESS[role.liveliness])
        self.rhythm = rhythm_of(role.lines, role.duration, frame_rate)
        self.alive = Alive(self.rhythm, self._settings, role.seed, role.partner, role.sight)
        self._gesturing = Gesturing(self.rhythm, self._settings, role.seed, role.cues, role.partner, role.reach,
                                     role.handling, role.meet,
                                     "desk" if role.behind else "front", role.down_to)  # fmt: skip
        channels = self._gesturing.channels
        self._resting = {name: channel.at(0.0) for name, channel in channels.items()}
        self._changing = {name: channel for name, channel in channels.items() if channel.moves}
        self._moving = Moving(role.moves, role.leg, role.drop, walks=role.abilities.steps, foot=role.foot)
        self._moved = STILL
        self._seat = role.leg + 22 - 100 * role.drop - 24 if self._moving.sits and role.abilities.steps else 0.0
        self._expressions = ExpressionTrack(role.expression, role.expressions)
        self._expression: Mapping[str, float] = {}

    @property
    def on_desk(self) -> tuple[OnDesk, ...]:
        """What stands on the desk before the host, and when."""
        return on_desk(self._gesturing.holdings) if self.role.behind else ()

    def pose(self, moment: float) -> Pose:
        """The pose at ``moment`` seconds."""
        self._expression = self._expressions.at(moment)
        channels = self._resting | {name: channel.at(moment) for name, channel in self._changing.items()}
        self._moved = self._moving.at(moment) if self._moving.active else STILL
        mouth = self._mouth(channels, moment)
        return Pose(
            self._body(channels, moment, mouth.open),
            self._arm("left", channels, moment),
            self._arm("right", channels, moment),
            self._face(channels, moment, mouth),
            mouth,
            self._moved.legs,
            self._moved.root,
            self._seat,
        )

    def _value(self, curve: NDArray[np.float64], moment: float) -> float:
        place = max(0.0, moment * HZ)
        index = min(int(place), len(curve) - 2)
        part = min(1.0, place - index)
        return float(curve.item(index) * (1 - part) + curve.item(index + 1) * part)

    def _of(self, name: str) -> float:
        return self._expression.get(name, 0.0)

    def _body(self, channels: dict[str, float], when: float, jaw: float) -> Body:
        alive, at = self.alive, self._value
        moved = min(1.0, (abs(channels["yaw"]) + abs(channels["pitch"]) + abs(channels["roll"])) / 14)
        live = 1 - 0.5 * moved
        move = self._moved
        sideways = move.turn * 32 + _HEAD_WITH_BODY * self.role.facing * self._by_itself
        yaw = clamp(sideways + channels["yaw"] + self._of("body.yaw") + live * at(alive.yaw, when), -32, 32)
        pitch = clamp(move.pitch + channels["pitch"] + self._of("body.pitch") + live * at(alive.pitch, when), -18, 18)
        roll = clamp(channels["roll"] + self._of("body.roll") + live * at(alive.roll, when), -12, 12)
        hip_x = at(alive.hip_x, when)
        hip_x *= 1 - move.walking
        bend = move.bend + channels["bend"] + at(alive.bend, when) * (1 - move.walking)
        hip_y = move.hip_y - 0.6 * hip_x * hip_x
        if self.role.abilities.supple:
            bend *= 1.7
            hip_y -= 0.8 * at(alive.pulse, when)
        return Body(
            clamp(bend, -10, 10), clamp(channels["lean"], -0.2, 1), self._turn(), hip_x, hip_y,
            hip_x * 40, yaw, pitch, roll, at(alive.head_x, when) + 0.0006 * yaw, at(alive.breath, when),
            jaw, self._sway(when), self._moved.away,
        )  # fmt: skip

    def _sway(self, when: float) -> float:
        """What hangs follows the head and the way late, and swings over once."""

        def carried(moment: float) -> float:
            walked = self._moving.at(moment).root if self._moving.active else 0.0
            return self._value(self.alive.yaw, moment) + self._gesturing.channels["yaw"].at(moment) + 0.12 * walked

        def lag(moment: float) -> float:
            return carried(moment - 0.10) - carried(moment)

        return clamp((lag(when) - 0.45 * lag(when - 0.26)) / 9, -1, 1)

    def _turn(self) -> float:
        """The way the host faces, or a little to the partner, or as far as the host's own way wants it."""
        facing = self.role.facing
        standing = _FACING * facing if facing else 0.16 * self.role.partner_side
        return self._moved.turn + standing * self._by_itself

    @property
    def _by_itself(self) -> float:
        """0 to 1: how far the body is not turned by a move."""
        return 0.0 if self._moved.away else 1 - min(1.0, abs(self._moved.turn) / 0.4)

    def _arm(self, side: str, channels: dict[str, float], when: float) -> ArmPose:
        values = {name: channels[f"{side}.{name}"] for name in ARM_CHANNELS}
        alive, first = self.alive, 0 if side == "left" else 2
        lag = 0.02 if side == "left" else 0.0
        values["x"] += self._value(alive.drift[first], when)
        values["y"] += self._value(alive.drift[first + 1], when)
        values["shrug"] += 0.09 * self._value(alive.breath, when) - 9.0 * self._value(alive.pulse, when - lag)
        held = self._gesturing.held(side, when)
        swinging = self._moved.walking * (1 - self._gesturing.busy(side, when))
        if swinging:
            goal = arm(0.1, 0.95, 6) | self._moved.arms[0 if side == "left" else 1]
            goal["upper_arm"] = math.degrees(math.atan2(goal["x"], goal["y"]))
            values = {name: values[name] + (goal[name] - values[name]) * swinging for name in ARM_CHANNELS}
        pose = arm_pose(values, animal=not self.role.abilities.fingers)
        return replace(pose, held=self._with_contents(held)) if held else pose

    def _with_contents(self, held: Held) -> Held:
        """What is held, with what stands on it now."""
        contents, on_screen = self.contents, held.content if PROPS[held.prop].screen else ""
        frame = contents.frame(on_screen, held.since) if contents and on_screen else 0
        return replace(held, contents=contents, frame=frame)

    def _face(self, channels: dict[str, float], moment: float, mouth: Mouth) -> Face:
        alive, at, of = self.alive, self._value, self._of
        steady = -0.030 * clamp(at(alive.pitch, moment), -6, 4)
        gaze_x = clamp(channels["face.gaze_x"] + of("face.gaze_x") + at(alive.gaze_x, moment), -1, 1)
        gaze_y = clamp(channels["face.gaze_y"] + of("face.gaze_y") + at(alive.gaze_y, moment) + steady, -1, 1)
        left = channels["face.brow_left"] + of("face.brow_left") + at(alive.brow_left, moment)
        right = channels["face.brow_right"] + of("face.brow_right") + at(alive.brow_right, moment)
        left, right = clamp(left, -0.5, 1.25), clamp(right, -0.5, 1.25)
        lid = channels["face.lid"] * self._expression.get("face.lid", 1.0) + 0.13 * gaze_y + 0.025 * (left + right)
        smiling = clamp((mouth.smile - 0.45) / 0.5)
        return Face(
            gaze_x, gaze_y, clamp(lid, 0, 1.35),
            max(channels["face.squint"], of("face.squint"), 0.30 * smiling), left, right,
            clamp(channels["face.brow_angle"] + of("face.brow_angle"), -1.2, 1),
            clamp(channels["face.brow_in"] + of("face.brow_in")), clamp(at(alive.blink, moment)),
            max(channels["face.cheek"], of("face.cheek"), 0.4 * smiling),
        )  # fmt: skip

    def _mouth_row(self, moment: float) -> tuple[NDArray[np.float64], float]:
        track = self.rhythm.mouth
        place = max(0.0, moment * MOUTH_HZ)
        index = min(int(place), track.parameters.shape[1] - 2)
        part = min(1.0, place - index)
        row = track.parameters[:, index] * (1 - part) + track.parameters[:, index + 1] * part
        return row, float(track.speaking[index])

    def _mouth(self, channels: dict[str, float], moment: float) -> Mouth:
        row, speaking = self._mouth_row(moment)
        opened, wide, rounded, press, teeth_up, teeth_low, tongue, tip, tuck = row.tolist()
        quiet = 1 - speaking
        opened = min(1.0, max(0.0, opened) * self._settings.mouth_gain)
        if not self.role.abilities.lips:
            opened = min(1.0, max(0.0, opened - 0.035) * 1.32)
        resting = channels["mouth.open"] + self._of("mouth.open")
        smile = self._expression.get("mouth.smile", REST_SMILE) + channels["mouth.smile"] - REST_SMILE
        smile += self._value(self.alive.smile, moment)
        wide += (channels["mouth.wide"] + self._of("mouth.wide")) * (1 - 0.5 * speaking)
        return Mouth(
            max(opened, resting * quiet),
            wide,
            max(0.0, rounded, self._of("mouth.round") * quiet),
            clamp(max(press, (channels["mouth.press"] + self._of("mouth.press")) * quiet)),
            max(0.0, teeth_up, self._of("mouth.teeth_up") * quiet * min(1.0, resting * 8)),
            max(0.0, teeth_low),
            max(0.0, tongue, self._of("mouth.tongue") * quiet),
            max(0.0, tip),
            max(0.0, tuck),
            smile * (1 - 0.15 * speaking) * (1 - 0.50 * max(0.0, rounded)),
            channels["mouth.asymmetry"] + self._of("mouth.asymmetry"),
        )
