"""Motion as chains of quintics: smooth in position, speed and acceleration, interruptible anywhere."""

from __future__ import annotations

import bisect
import cmath
import math
from collections.abc import Mapping
from functools import lru_cache

import numpy as np
from numpy.polynomial.polynomial import polyval
from numpy.typing import NDArray

from dearhost.drawing.outlines import clamp
from dearhost.hosts.people.model_sheet import ModelSheet
from dearhost.hosts.people.skeleton import solve
from dearhost.hosts.pose import HAND_SHAPES, ArmPose, HandShape, Pose

Channels = Mapping[str, float]

ARM_CHANNELS = ("x", "y", "angle", "roll", "turned", "elbow", "shrug", "upper_arm",
                "curl0", "curl1", "curl2", "curl3", "spread0", "spread1", "spread2", "spread3",
                "thumb_spread", "thumb_curl")  # fmt: skip
_WRIST_LIMIT = 82.0
PEAK = 1.875
"""Peak over mean speed of a quintic from rest to rest."""


class Channel:
    """One value over time. Each move starts from the position, speed and acceleration at its start."""

    def __init__(self, rest: float, fastest: float = math.inf) -> None:
        """``fastest``: a second, from rest to rest; what is asked to be quicker takes longer."""
        self._slowness = PEAK / fastest
        self._starts = [-1e9]
        self._moves: list[tuple[float, tuple[float, ...], float]] = [(1.0, (rest, 0, 0, 0, 0, 0), rest)]

    @property
    def moves(self) -> bool:
        """Whether it ever leaves its rest."""
        return len(self._starts) > 1

    def state(self, moment: float) -> tuple[float, float, float]:
        """Position, speed and acceleration at ``moment`` (seconds)."""
        index = max(0, bisect.bisect_right(self._starts, moment) - 1)
        length, (c0, c1, c2, c3, c4, c5), goal = self._moves[index]
        u = (moment - self._starts[index]) / length
        if u >= 1:
            return goal, 0.0, 0.0
        position = c0 + u * (c1 + u * (c2 + u * (c3 + u * (c4 + u * c5))))
        speed = (c1 + u * (2 * c2 + u * (3 * c3 + u * (4 * c4 + u * 5 * c5)))) / length
        acceleration = (2 * c2 + u * (6 * c3 + u * (12 * c4 + u * 20 * c5))) / length / length
        return position, speed, acceleration

    def at(self, moment: float) -> float:
        """The position at ``moment``."""
        index = max(0, bisect.bisect_right(self._starts, moment) - 1)
        length, (c0, c1, c2, c3, c4, c5), goal = self._moves[index]
        u = (moment - self._starts[index]) / length
        return goal if u >= 1 else c0 + u * (c1 + u * (c2 + u * (c3 + u * (c4 + u * c5))))

    def move(self, start: float, end: float, goal: float) -> None:
        """Be at ``goal``, at rest, at ``end`` or as soon as can be; what was planned from ``start`` on is dropped."""
        position, speed, acceleration = self.state(start)
        keep = max(1, bisect.bisect_left(self._starts, start))
        del self._starts[keep:], self._moves[keep:]
        length = max(0.05, end - start, abs(goal - position) * self._slowness)
        v, a, d = speed * length, acceleration * length * length, goal - position
        curve = (position, v, a / 2, 10 * d - 6 * v - 1.5 * a, -15 * d + 8 * v + 1.5 * a, 6 * d - 3 * v - 0.5 * a)
        self._starts.append(start)
        self._moves.append((length, curve, goal))

    def sampled(self, times: NDArray[np.float64]) -> NDArray[np.float64]:
        """The positions at ``times``, from every sixth by linear interpolation."""
        coarse = times[::6]
        found = np.empty(len(coarse))
        borders = np.searchsorted(coarse, self._starts)
        for index, (start, (length, curve, _)) in enumerate(zip(self._starts, self._moves, strict=True)):
            part = slice(borders[index], borders[index + 1] if index + 1 < len(borders) else len(coarse))
            found[part] = polyval(np.minimum(1.0, (coarse[part] - start) / length), curve)
        return np.interp(times, coarse, found)


def arm(x: float, y: float, angle: float, hand: str = "relaxed", *, elbow: float = 1.0, roll: float = 0.0,
        flip: int = 1, shrug: float = 0.0, upper_arm: float | None = None) -> dict[str, float]:  # fmt: skip
    """An arm's channels for a key. ``upper_arm`` is degrees outward; by default straight to the hand.

    A flipped palm is the same as a roll of 180 degrees, which can be blended.
    """
    shape = HAND_SHAPES[hand]
    outward = math.degrees(math.atan2(x, max(0.05, y))) if upper_arm is None else upper_arm
    turned_over = 1.0 if flip < 0 else 0.0
    values = {
        "x": x, "y": y, "angle": angle, "roll": shape.roll + roll + 180 * turned_over, "turned": turned_over,
        "elbow": elbow, "shrug": shrug, "upper_arm": outward,
        "thumb_spread": shape.thumb[0], "thumb_curl": shape.thumb[1],
    }  # fmt: skip
    for i in range(4):
        values[f"curl{i}"], values[f"spread{i}"] = shape.curl[i], shape.spread[i]
    return values


def arm_pose(values: Channels, *, animal: bool) -> ArmPose:
    """The pose of an arm from its channels; fingers and elbow held in range."""
    over = values["turned"]
    shape = HandShape(
        (clamp(values["curl0"]), clamp(values["curl1"]), clamp(values["curl2"]), clamp(values["curl3"])),
        (values["spread0"], values["spread1"], values["spread2"], values["spread3"]),
        (values["thumb_spread"], clamp(values["thumb_curl"])),
        values["roll"] - 180 * over if animal else values["roll"],
    )
    return ArmPose(
        values["x"], values["y"], values["angle"], shape, clamp(values["elbow"], -1, 1), values["shrug"],
        values["upper_arm"], 1.0, math.cos(math.pi * over) if animal else 1.0,
    )  # fmt: skip


_AVERAGE = ModelSheet(skin=0, hair="side", hair_colour="ink")


def within_wrist(values: dict[str, float]) -> dict[str, float]:
    """The arm's channels with the hand within 82 degrees of the forearm.

    Applied to keys only: a limit applied to every frame would flip at 180 degrees.
    """
    limited = dict(values)
    limited["angle"] = _limited_angle(tuple(values[c] for c in ARM_CHANNELS))
    return limited


@lru_cache(maxsize=1024)
def _limited_angle(ordered: tuple[float, ...]) -> float:
    values = dict(zip(ARM_CHANNELS, ordered, strict=True))
    joints = solve(_AVERAGE, Pose(right=arm_pose(values, animal=False))).right
    fore = joints.wrist - joints.elbow
    if abs(fore) < 30:
        return values["angle"]
    away = (joints.angle - math.degrees(cmath.phase(fore)) + 180) % 360 - 180
    return values["angle"] - (clamp(away, -_WRIST_LIMIT, _WRIST_LIMIT) - away)
