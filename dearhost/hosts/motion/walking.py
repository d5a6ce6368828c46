"""A walk from one place to another, step by step, each foot pinned where it stands.

A step takes half a second, 12 frames at 24 a second (Williams, The Animator's Survival Kit; from memory). The first
and the closing step are half steps. Units: 100 = the head; x along the way.
"""

from __future__ import annotations

import bisect
import itertools
import math
from dataclasses import dataclass
from typing import Any

from dearhost.drawing.outlines import clamp, turned
from dearhost.hosts.pose import Foot
from dearhost.memory import LazyModule

interpolate = LazyModule("scipy.interpolate")

STEP_SECONDS = 0.5
_SWING = 0.40
"""Seconds a foot is in the air."""
_STEP = 122.0
"""Units of a whole step of a leg of 270."""
_LEG = 270.0
_NARROWER = 12.0
"""Units that the feet stand nearer to the middle when walking than when standing."""
_HEEL, _BALL = complex(-12, 20), complex(28, 20)
_HEEL_ANGLE, _TOE_ANGLE, _LIFT = -17.0, 46.0, 5.0
_ROLLED, _FLAT = 0.133, 0.633
"""Shares of a stance until which the foot rolls off its heel, and lies flat."""


@dataclass(frozen=True, slots=True)
class _Plant:
    """A foot on the ground at ``x`` from ``landed`` to ``leaves``; ``reach`` is the step before, ``going`` the next,
    as shares of a whole step."""

    x: float
    landed: float
    leaves: float
    reach: float
    going: float

    def ankle(self, moment: float, size: float) -> tuple[float, float, float]:
        """Of the ankle x, height above standing, and the foot's angle (toe down)."""
        u = clamp((moment - self.landed) / max(1e-6, self.leaves - self.landed)) if self.leaves < 1e8 else (
            clamp((moment - self.landed) / (STEP_SECONDS + 0.1)) * _FLAT
        )  # fmt: skip
        angle, pivot = 0.0, 0j
        if u < _ROLLED and self.landed > -1e8:
            angle = _HEEL_ANGLE * min(1.0, self.reach) * (1 - u / _ROLLED) ** 2
            pivot = _HEEL * size
        elif u > _FLAT and self.leaves < 1e8:
            part = (u - _FLAT) / (1 - _FLAT)
            angle = _TOE_ANGLE * min(1.0, self.going) * part * part * (1.9 - 0.9 * part)
            pivot = _BALL * size
        moved = pivot - pivot * turned(angle)
        return self.x + moved.real, -moved.imag, angle


class Walk:
    """From ``start_x`` to ``end_x`` units, beginning at ``start`` seconds, on legs ``leg`` units long.

    ``foot`` is the size of a foot beside an adult's.
    """

    def __init__(self, start: float, start_x: float, end_x: float, leg: float, foot: float = 1.0) -> None:
        self.start, self.start_x, self.end_x = start, start_x, end_x
        self.heading = 1 if end_x >= start_x else -1
        self._size, size = foot, leg / _LEG
        way = abs(end_x - start_x)
        self.whole = max(1, math.ceil((way - _STEP * size / 2) / (_STEP * size)))
        step = way / (self.whole + 0.5)
        share = step / (_STEP * size)
        landings = [start + _SWING + STEP_SECONDS * k for k in range(self.whole + 2)]
        places = [step / 2 + step * k for k in range(self.whole + 1)] + [way]
        self.end = landings[-1]
        self._tracks: tuple[list[_Plant], list[_Plant]] = ([], [])
        for foot in (0, 1):
            mine = [(t, x) for k, (t, x) in enumerate(zip(landings, places, strict=True)) if k % 2 == foot]
            at, x = -1e9, 0.0
            reach = 0.0
            for number, (landing, place) in enumerate(mine):
                if number < len(mine) - 1:  # on the way the feet come nearer to one line
                    place += _NARROWER * self._size * (1 if foot == 0 else -1)
                going = (place - x) / (2 * step) * share
                self._tracks[foot].append(_Plant(x, at, landing - _SWING, reach, going))
                at, x, reach = landing, place, going
            self._tracks[foot].append(_Plant(x, at, 1e9, reach, 0.0))
        both = [0.0, *places]
        middles = [(a + b) / 2 for a, b in itertools.pairwise(both)]
        middles[-1] = way
        self._root: Any = interpolate.CubicSpline([start, *landings], [0.0, *middles], bc_type="clamped")

    def root(self, moment: float) -> float:
        """Where the body is, in units."""
        along = float(self._root(min(max(moment, self.start), self.end)))
        return self.start_x + self.heading * along

    def foot(self, which: int, moment: float) -> tuple[float, float, float]:
        """Of the ankle of a foot (0 the one that steps first): x, height above standing, the foot's angle."""
        track = self._tracks[which]
        index = bisect.bisect_right([plant.landed for plant in track], moment) - 1
        plant = track[index]
        if moment <= plant.leaves:
            x, y, angle = plant.ankle(moment, self._size)
        else:
            x, y, angle = self._swing(plant, track[index + 1], moment)
        return self.start_x + self.heading * x, y, angle

    def _swing(self, plant: _Plant, following: _Plant, moment: float) -> tuple[float, float, float]:
        """A quintic from leaving the ground to landing, as fast as the stances at its ends."""
        tiny = 1e-3
        off, before = plant.ankle(plant.leaves, self._size), plant.ankle(plant.leaves - tiny, self._size)
        on, after = following.ankle(following.landed, self._size), following.ankle(following.landed + tiny, self._size)
        seconds = following.landed - plant.leaves
        u = (moment - plant.leaves) / seconds
        found = []
        for i in range(3):
            v0 = (off[i] - before[i]) / tiny * seconds
            v1 = (after[i] - on[i]) / tiny * seconds * (0.2 if i == 2 else 1.0)
            d = on[i] - off[i]
            c3, c4, c5 = 10 * d - 6 * v0 - 4 * v1, -15 * d + 8 * v0 + 7 * v1, 6 * d - 3 * v0 - 3 * v1
            found.append(off[i] + v0 * u + c3 * u**3 + c4 * u**4 + c5 * u**5)
        lifted = _LIFT * self._size * 16 * u * u * (1 - u) ** 2
        return found[0], found[1] + lifted, found[2]

    def phase(self, moment: float) -> float:
        """0 when the first foot lands, 1 at its next landing."""
        return (moment - self.start - _SWING) / (2 * STEP_SECONDS)

    def weight(self, moment: float) -> float:
        """How much of a walk it is: 0 standing, 1 under way."""
        into = clamp((moment - self.start) / 0.45)
        out = clamp((self.end - moment) / 0.45)
        low = min(into, out)
        return low * low * (3 - 2 * low)

    def turned(self, moment: float) -> float:
        """How far the body has turned the way it goes, 0 to 1: before the first step, and back with the last."""
        into = clamp((moment - self.start + 0.22) / 0.45)
        out = clamp((self.end + 0.12 - moment) / 0.50)
        low = min(into, out)
        return low * low * (3 - 2 * low)


def bob(phase: float) -> float:
    """How much lower the hips are than standing, in head heights."""
    return -0.028 + 0.020 * math.cos(4 * math.pi * (phase - 0.26))


def seconds_for(way: float, leg: float) -> float:
    """How long a walk of ``way`` units takes."""
    step = _STEP * leg / _LEG  # what has no legs goes as fast as a person
    return _SWING + STEP_SECONDS * (max(1, math.ceil((abs(way) - step / 2) / step)) + 1)


def march(moment: float, seconds: float) -> tuple[Foot, Foot, float]:
    """Left and right foot and the phase of a walk on the spot, ``moment`` seconds after its start."""
    phase = moment / (2 * STEP_SECONDS)
    fade = min(1.0, moment / 0.3, max(0.0, seconds - moment) / 0.3)

    def lift(shifted: float) -> float:
        part = shifted % 1
        return 26 * fade * math.sin(math.pi * part / 0.5) ** 2 if part < 0.5 else 0.0

    feet = [Foot(0.0, lift(phase + shift), 18 * lift(phase + shift) / 26) for shift in (0.0, 0.5)]
    return feet[0], feet[1], phase


def swing_arms(phase: float, heading: float, weight: float) -> tuple[dict[str, float], dict[str, float]]:
    """(left, right) arms of a walk: opposite to the legs; x, y and angle."""
    w = 2 * math.pi * phase
    found = []
    for side, forward in ((-1, math.cos(w - 0.12)), (1, -math.cos(w - 0.12))):
        amount = (0.20 + 0.14 * (0.5 + 0.5 * forward)) * weight
        along = amount * forward * heading
        found.append({
            "x": side * along + 0.06, "y": 0.93 - 0.05 * max(0.0, forward * weight),
            "angle": side * 24 * forward * heading * weight + 4,
        })  # fmt: skip
    return found[0], found[1]
